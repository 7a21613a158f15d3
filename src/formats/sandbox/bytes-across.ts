import type { Readable } from 'node:stream';

/** Takes bytes off a pipe between two processes, so many at a time, however they come in. */
export class Incoming {
  private readonly parts: Uint8Array[] = [];
  private size = 0;
  private wanted: { count: number; take: (bytes: Buffer) => void } | null = null;

  constructor(pipe: Readable) {
    pipe.on('data', (part: Buffer) => {
      this.parts.push(part);
      this.size += part.length;
      this.give();
    });
    // A pipe that breaks off belongs to a process that ended: who waits for that one is told so.
    pipe.on('error', () => undefined);
  }

  /** The next bytes; what comes after them stays for the next to ask. One may ask at a time. */
  take(count: number): Promise<Buffer> {
    return new Promise((take) => {
      this.wanted = { count, take };
      this.give();
    });
  }

  private give(): void {
    if (!this.wanted || this.size < this.wanted.count) return;
    const { count, take } = this.wanted;
    this.wanted = null;
    const all = this.parts.length === 1 ? Buffer.from(this.parts[0]!) : Buffer.concat(this.parts);
    const rest = all.subarray(count);
    this.parts.splice(0, this.parts.length, ...(rest.length > 0 ? [rest] : []));
    this.size = rest.length;
    // What is little does not keep alive what came with it.
    take(count < rest.length ? Buffer.from(all.subarray(0, count)) : all.subarray(0, count));
  }
}
