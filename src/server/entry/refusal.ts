/** A refusal to answer a request with, in words. */
export class RequestRefused extends Error {
  constructor(
    readonly status: number,
    message: string,
    /** What the answer says beside its words. */
    readonly more: Record<string, unknown> = {},
    readonly headers: Record<string, string> = {},
  ) {
    super(message);
  }
}
