import { readdirSync, readFileSync } from 'node:fs';
import { randomFrom } from './damage';
import type { Installation } from './installation';
import type { Person } from './person';
import { bombs, formats, type Bomb } from './samples';

/** No answer may come later than this. */
const LATEST_MS = 25_000;
/** What a process that reads files may hold, and what the look at it may miss between two looks. */
const MOST_BYTES = 1_200_000_000 * 1.1;
/** How much the web process may have grown by the end. */
const MOST_GROWTH_BYTES = 200_000_000;
const AT_ONCE = 4;
/** A refusal: one sentence, and nothing of how the program is made. */
const READABLE = /^[A-Z“][^\n]{14,300}$/;
const UNREADABLE = /undefined|NaN is|\[object|Error:|at \w+ \(|node_modules|null is/;

/** What came of the files of one format, or of one bomb. */
export interface FilesOutcome {
  name: string;
  sent: number;
  taken: number;
  refused: number;
  slowestMs: number;
  /** The longest time the web process was held up meanwhile. */
  longestBlockMs: number;
  faults: string[];
}

const rssOf = (pid: number | string): number => {
  try {
    return Number(readFileSync(`/proc/${pid}/statm`, 'utf8').split(' ')[1]) * 4096;
  } catch {
    return 0;
  }
};

/** What the largest process that reads files holds now. */
function largestReader(): number {
  const pids = readdirSync('/proc').filter((name) => /^\d+$/.test(name));
  const isReader = (pid: string) => {
    try {
      return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('/programs/work.mjs');
    } catch {
      return false;
    }
  };
  return Math.max(0, ...pids.filter(isReader).map(rssOf));
}

/** Sends files of everybody's making to the installation, and watches it. */
export class FilesTrial {
  private largest = 0;
  private readonly watch = setInterval(() => (this.largest = Math.max(this.largest, largestReader())), 100);
  private beforeBytes = 0;
  /** The web process is never held up longer than this. */
  mostBlockedMs = 100;

  constructor(
    private readonly at: Installation,
    private readonly person: Person,
    private readonly projectId: string,
  ) {}

  async run(each: number, tell: (outcome: FilesOutcome) => void): Promise<void> {
    const all = await formats();
    // Everything is read once first: what a process loads when it begins is not what a file does to it.
    for (const { route, sound } of all) {
      const { status } = await this.bring(route, sound);
      if (status !== 200) throw new Error(`A sound file is refused at ${route} (${status})`);
    }
    this.beforeBytes = rssOf(this.at.pidOf('web')!);
    await this.longestBlock();
    for (const format of all) {
      const random = randomFrom(4711);
      tell(await this.send(format.name, each, () => ({ ...format, bytes: format.damage(random) })));
    }
    for (const bomb of await bombs(all)) tell(await this.send(bomb.name, 1, () => bomb));
    tell(await this.afterwards());
    clearInterval(this.watch);
  }

  private async bring(route: string, bytes: Buffer): Promise<{ status: number; message: string; ms: number }> {
    const begun = performance.now();
    const response = await this.person.send(`/api/projects/${this.projectId}/${route}`, {
      method: 'POST',
      body: bytes as Uint8Array<ArrayBuffer>,
      headers: { 'content-type': 'application/octet-stream' },
      signal: AbortSignal.timeout(60_000),
    });
    const text = await response.text();
    const message = response.status === 200 ? '' : ((JSON.parse(text) as { message?: string }).message ?? '');
    return { status: response.status, message, ms: performance.now() - begun };
  }

  private async send(name: string, count: number, next: () => Pick<Bomb, 'route' | 'bytes'>): Promise<FilesOutcome> {
    const outcome: FilesOutcome = {
      ...{ name, sent: 0, taken: 0, refused: 0, slowestMs: 0, longestBlockMs: 0 },
      faults: [],
    };
    const lane = async () => {
      while (outcome.sent < count) {
        outcome.sent += 1;
        const { route, bytes } = next();
        const { status, message, ms } = await this.bring(route, bytes);
        outcome.slowestMs = Math.max(outcome.slowestMs, ms);
        if (status === 200) outcome.taken += 1;
        else outcome.refused += 1;
        if (ms > LATEST_MS) outcome.faults.push(`An answer came after ${(ms / 1000).toFixed(1)} s`);
        if (status !== 200 && ![400, 413, 422].includes(status)) outcome.faults.push(`Answered with ${status}`);
        if (status !== 200 && (!READABLE.test(message) || UNREADABLE.test(message)))
          outcome.faults.push(`Refused with “${message.slice(0, 120)}”`);
      }
    };
    await Promise.all(Array.from({ length: AT_ONCE }, lane));
    outcome.longestBlockMs = await this.longestBlock();
    if (outcome.longestBlockMs > this.mostBlockedMs)
      outcome.faults.push(`The web process was held up for ${Math.round(outcome.longestBlockMs)} ms`);
    if (this.largest > MOST_BYTES)
      outcome.faults.push(`A process that reads files held ${Math.round(this.largest / 1e6)} MB`);
    this.largest = 0;
    return outcome;
  }

  /** A figure of the web process, as it says itself. */
  private async figure(name: string): Promise<number> {
    const text = await (await fetch(`${this.at.address}/api/metrics`)).text();
    const found = new RegExp(`^${name} ([\\d.e+-]+)`, 'm').exec(text);
    if (!found) throw new Error(`The web process does not say its ${name}`);
    return Number(found[1]);
  }

  /** The longest time the web process was held up since this was asked last, as it measures itself. */
  private async longestBlock(): Promise<number> {
    // What is measured is the time between two beats of 10 ms.
    return Math.max(0, (await this.figure('nodejs_eventloop_lag_max_seconds')) * 1000 - 10);
  }

  private async afterwards(): Promise<FilesOutcome> {
    await new Promise((done) => setTimeout(done, 3000));
    const grown = rssOf(this.at.pidOf('web')!) - this.beforeBytes;
    const { status } = await this.bring('levels?name=a.csv', readFileSync('e2e/fixtures/levels.csv'));
    const faults = [
      ...(grown > MOST_GROWTH_BYTES ? [`The web process has grown by ${Math.round(grown / 1e6)} MB`] : []),
      ...(status === 200 ? [] : ['A sound file is refused afterwards']),
    ];
    const inUse =
      (await this.figure('nodejs_heap_size_used_bytes')) + (await this.figure('nodejs_external_memory_bytes'));
    const name = `afterwards (the web process holds ${Math.round(grown / 1e6)} MB more; in use are ${Math.round(inUse / 1e6)} MB)`;
    return { name, sent: 1, taken: 1, refused: 0, slowestMs: 0, longestBlockMs: 0, faults };
  }
}
