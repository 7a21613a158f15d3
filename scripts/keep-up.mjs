const FIRST_PAUSE_MS = 500;
const LONGEST_PAUSE_MS = 30_000;
/** What has run for this long is well again: its next fall is its first. */
const WELL_MS = 60_000;

/**
 * Keeps something up: begins it, and begins it again whenever it ends by itself, after pauses that grow. `begin` answers
 * the process once it runs; `say` hears in words what happens.
 */
export class KeepUp {
  constructor(name, begin, say) {
    this.name = name;
    this.begin = begin;
    this.say = say;
    this.falls = 0;
    this.stopping = false;
    this.child = null;
    this.timer = null;
  }

  /** Begins it the first time. Throws if that fails: a first start that fails is no fall. */
  async start() {
    this.child = await this.begin();
    this.watch(Date.now());
  }

  watch(begun) {
    this.child.once('exit', (code, signal) => {
      if (this.stopping) return;
      this.falls = Date.now() - begun > WELL_MS ? 1 : this.falls + 1;
      const pauseMs = Math.min(LONGEST_PAUSE_MS, FIRST_PAUSE_MS * 2 ** (this.falls - 1));
      this.say(`${this.name} ended by itself (${signal ?? code}). Starting it again in ${pauseMs / 1000} s …`);
      this.timer = setTimeout(() => void this.again(), pauseMs);
    });
  }

  async again() {
    if (this.stopping) return;
    const begun = Date.now();
    try {
      this.child = await this.begin();
      this.watch(begun);
      this.say(`${this.name} runs again.`);
    } catch (error) {
      this.falls += 1;
      const pauseMs = Math.min(LONGEST_PAUSE_MS, FIRST_PAUSE_MS * 2 ** (this.falls - 1));
      this.say(`${this.name} did not start: ${error.message}. Trying again in ${pauseMs / 1000} s …`);
      this.timer = setTimeout(() => void this.again(), pauseMs);
    }
  }

  /** Lets it end, and begins it no more. */
  stop(end) {
    this.stopping = true;
    clearTimeout(this.timer);
    return end(this.child);
  }
}
