/**
 * An answer of JSON that is not a whole response yet: who writes it out itself is spared the streams of one, which cost more
 * than a command.
 */
export class JsonAnswer {
  readonly headers = new Headers({ 'content-type': 'application/json' });

  constructor(
    private readonly value: unknown,
    readonly status = 200,
  ) {}

  get text(): string {
    return JSON.stringify(this.value);
  }

  asResponse(): Response {
    return new Response(this.text, { status: this.status, headers: this.headers });
  }
}

/** A handler whose answers are whole responses, as the pages' framework wants them. */
export const wholly =
  <Asked extends unknown[]>(handle: (...asked: Asked) => Promise<Response | JsonAnswer>) =>
  async (...asked: Asked): Promise<Response> => {
    const answered = await handle(...asked);
    return answered instanceof JsonAnswer ? answered.asResponse() : answered;
  };
