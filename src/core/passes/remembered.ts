/** So many are remembered at most; then those of the states before are forgotten. */
const MOST = 20_000;

/** What was worked out before, by a text that spells out all it was worked out from: it can never be out of date. */
export class Remembered {
  private now = new Map<string, unknown>();
  private before = new Map<string, unknown>();

  of<T>(text: string, work: () => T): T {
    if (this.now.has(text)) return this.now.get(text) as T;
    const value = this.before.has(text) ? (this.before.get(text) as T) : work();
    if (this.now.size >= MOST) [this.before, this.now] = [this.now, new Map()];
    this.now.set(text, value);
    return value;
  }
}

/** Works something out, or remembers it by a text that spells out all it is worked out from. */
export type Remember = <T>(text: string, work: () => T) => T;
