/**
 * An answer of JSON that is no whole response yet: who writes it out itself is spared the streams of one, which cost more
 * than a command, and hold everybody up where the answer is large.
 */
export class PlainAnswer {
  readonly headers = new Headers({ 'content-type': 'application/json' });

  constructor(
    /** The answer's bytes, piece after piece. */
    readonly pieces: readonly Uint8Array[],
    readonly status = 200,
  ) {}

  static json(value: unknown, status = 200): PlainAnswer {
    return new PlainAnswer([Buffer.from(JSON.stringify(value))], status);
  }

  get byteCount(): number {
    return this.pieces.reduce((sum, { length }) => sum + length, 0);
  }

  asResponse(): Response {
    return new Response(Buffer.concat(this.pieces), { status: this.status, headers: this.headers });
  }
}

/** A handler whose answers are whole responses, as the pages' framework wants them. */
export const wholly =
  <Asked extends unknown[]>(handle: (...asked: Asked) => Promise<Response | PlainAnswer>) =>
  async (...asked: Asked): Promise<Response> => {
    const answered = await handle(...asked);
    return answered instanceof PlainAnswer ? answered.asResponse() : answered;
  };
