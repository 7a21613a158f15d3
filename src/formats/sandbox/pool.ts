import { refuse, type Result } from '@/core/model/result';
import type { JobInputs, JobName } from './jobs';
import { LIMITS, WorkProcess, type Answer, type Limits } from './work-process';

/** Jobs one person may have waiting; a person who sends more is asked to wait. */
const MOST_WAITING = 6;
/** What who has too much waiting is told. */
export const TOO_MANY = 'You have several files on their way already. Wait for those first';
/** A process is begun anew after so many jobs: whatever it piled up is gone. */
const MOST_JOBS = 40;

/** How far a job is: how many are before it, or which part of it has begun. */
export type Progress = { before: number } | { part: string };

interface Waiting {
  person: string;
  begin: () => void;
  tell: (progress: Progress) => void;
}

/**
 * The processes in which heavy work is done. Each person has a queue, and the queues take turns: who asks for much waits for
 * it, and nobody else does.
 */
export class Pool {
  private readonly idle: { process: WorkProcess; jobs: number }[] = [];
  private readonly waiting: Waiting[] = [];
  private readonly busy = new Map<string, number>();
  private running = 0;

  constructor(
    private readonly size: number,
    private readonly limits: Limits = LIMITS,
    private readonly make = () => new WorkProcess(this.limits),
  ) {}

  /** Does a job for a person when it is their turn. It is given up when they go away. */
  async run<N extends JobName>(
    person: string,
    job: N,
    input: JobInputs[N],
    bytes: Uint8Array,
    signal?: AbortSignal,
    tell: (progress: Progress) => void = () => undefined,
  ): Promise<Result<Answer>> {
    if (this.waiting.filter((each) => each.person === person).length >= MOST_WAITING) return refuse(TOO_MANY);
    if (!(await this.turn(person, tell, signal))) return refuse('Cancelled; nothing was changed');
    const taken = this.idle.pop() ?? { process: this.make(), jobs: 0 };
    try {
      return await taken.process.run(job, input, bytes, signal, (part) => tell({ part }));
    } finally {
      taken.jobs += 1;
      if (taken.process.lives && taken.jobs < MOST_JOBS) this.idle.push(taken);
      else taken.process.end();
      this.done(person);
    }
  }

  /** How many jobs wait, for the figures. */
  get queued(): number {
    return this.waiting.length;
  }

  end(): void {
    for (const { process } of this.idle.splice(0)) process.end();
  }

  /** Waits for a free process; false if the person went away meanwhile. */
  private turn(person: string, tell: Waiting['tell'], signal?: AbortSignal): Promise<boolean> {
    return new Promise((resolve) => {
      const waiting: Waiting = {
        person,
        tell,
        begin: () => {
          this.running += 1;
          this.busy.set(person, (this.busy.get(person) ?? 0) + 1);
          resolve(true);
        },
      };
      signal?.addEventListener(
        'abort',
        () => {
          const at = this.waiting.indexOf(waiting);
          if (at < 0) return;
          this.waiting.splice(at, 1);
          resolve(false);
        },
        { once: true },
      );
      if (signal?.aborted) return resolve(false);
      this.waiting.push(waiting);
      this.next();
    });
  }

  private done(person: string): void {
    this.running -= 1;
    const left = this.busy.get(person)! - 1;
    if (left === 0) this.busy.delete(person);
    else this.busy.set(person, left);
    this.next();
  }

  /** Begins what has waited longest of the person who has least at work. */
  private next(): void {
    if (this.waiting.length === 0) return;
    if (this.running >= this.size) return this.waiting.forEach(({ tell }, before) => tell({ before }));
    const load = ({ person }: Waiting) => this.busy.get(person) ?? 0;
    const least = Math.min(...this.waiting.map(load));
    const at = this.waiting.findIndex((each) => load(each) === least);
    this.waiting.splice(at, 1)[0]!.begin();
    this.next();
  }
}
