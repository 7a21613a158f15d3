import type { Consequence } from '@/core/carrying/consequences';
import type { CoreAsked, CoreProposals } from '@/core/cores/propose';
import type { Sent } from '@/core/commands/command-inputs';
import { apply, difference, type Changes } from '@/core/model/changes';
import { EMPTY_FRAMEWORK, recordsById, type Framework } from '@/core/model/framework';
import type { Id } from '@/core/model/ids';
import type { Rec } from '@/core/model/kinds';
import type { Solved } from '@/core/solving/solved';
import { withDelta, type SolvedDelta } from '@/core/solving/solved-delta';
import type { LengthDisplay } from '@/core/units/format-length';
import type { TriedOut } from '@/workers/solve-desk';

/** As much of the solving worker as solving asks of it. */
export interface Solving {
  reset: (records: Record<string, Rec>) => Promise<SolvedDelta>;
  update: (changes: Changes) => Promise<SolvedDelta>;
  tryOut: (changes: Changes, sent: Sent, commandId: Id) => Promise<TriedOut | null>;
  more: () => Promise<{ delta: SolvedDelta; isWhole: boolean }>;
  bringsAbout: (changes: Changes, display: LengthDisplay) => Promise<Consequence[]>;
  cores: (asked: CoreAsked) => Promise<CoreProposals>;
}

export interface SolvingWorker<W extends Solving> {
  remote: W;
  end: () => void;
  /** Called once if the worker breaks down as a whole. */
  onBroken: (tell: (error: Error) => void) => void;
}

/** A framework this worker and a new one both failed at. */
export class CannotSolve extends Error {}

/** A solve takes seconds at most; a worker silent for this long hangs. */
const HANGS_MS = 90_000;

/**
 * Solves in a worker that is expected to fail: one that throws, breaks down or hangs is ended, and a new one is begun
 * from the framework. Only what changed goes to it and comes back.
 */
export class SolveHost<W extends Solving> {
  private worker: SolvingWorker<W> | null = null;
  private broken: Promise<never> = new Promise(() => {});
  /** What the worker has, and the solve of it. */
  private inWorker: Framework = EMPTY_FRAMEWORK;
  private solved: Solved | null = null;

  constructor(
    private readonly make: () => SolvingWorker<W>,
    private readonly onRestart: (error: Error) => void = () => {},
    private readonly hangsMs = HANGS_MS,
  ) {}

  /** The worker, for asking it other things about what it solved last. */
  get remote(): W {
    return this.begun().remote;
  }

  /** The solve of a framework. Throws {@link CannotSolve} if a new worker fails at it too. */
  async solve(target: Framework): Promise<Solved> {
    try {
      return await this.attempt(target);
    } catch (error) {
      this.end();
      this.onRestart(error as Error);
    }
    try {
      return await this.attempt(target);
    } catch (error) {
      this.end();
      throw new CannotSolve((error as Error).message);
    }
  }

  /** A command planned and solved in the worker alone, on a framework that is not changed; null where it is refused or fails. */
  async tryOut(base: Framework, sent: Sent, commandId: Id): Promise<{ framework: Framework; solved: Solved } | null> {
    if (this.solved === null) return null;
    try {
      const tried = await this.within(this.begun().remote.tryOut(difference(this.inWorker, base), sent, commandId));
      if (!tried) return null;
      this.solved = withDelta(this.solved, tried.delta);
      this.inWorker = apply(base, tried.changes);
      return { framework: this.inWorker, solved: this.solved };
    } catch (error) {
      // What was there is solved anew by the next worker when it is asked for.
      this.end();
      this.onRestart(error as Error);
      return null;
    }
  }

  /** A part of what the last solve held back, because it takes long; null where it fails. */
  async more(): Promise<{ solved: Solved; isWhole: boolean } | null> {
    if (this.solved === null) return null;
    try {
      const { delta, isWhole } = await this.within(this.begun().remote.more());
      this.solved = withDelta(this.solved, delta);
      return { solved: this.solved, isWhole };
    } catch (error) {
      this.end();
      this.onRestart(error as Error);
      return null;
    }
  }

  /** What a framework would bring about against the one solved last, in words. */
  async bringsAbout(tried: Framework, display: LengthDisplay): Promise<Consequence[]> {
    if (this.solved === null) return [];
    return this.begun().remote.bringsAbout(difference(this.inWorker, tried), display);
  }

  end(): void {
    this.worker?.end();
    this.worker = null;
    this.solved = null;
    this.inWorker = EMPTY_FRAMEWORK;
  }

  private async attempt(target: Framework): Promise<Solved> {
    const { remote } = this.begun();
    const asked =
      this.solved === null ? remote.reset(recordsById(target)) : remote.update(difference(this.inWorker, target));
    this.solved = withDelta(this.solved, await this.within(asked));
    this.inWorker = target;
    return this.solved;
  }

  /** The worker's answer; an error where it breaks down or gives none. */
  private async within<T>(asked: Promise<T>): Promise<T> {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const hangs = new Promise<never>((_, reject) => {
      timer = setTimeout(() => reject(new Error('The worker gave no answer')), this.hangsMs);
    });
    try {
      return await Promise.race([asked, this.broken, hangs]);
    } finally {
      clearTimeout(timer);
    }
  }

  private begun(): SolvingWorker<W> {
    if (this.worker) return this.worker;
    const worker = this.make();
    this.broken = new Promise((_, reject) => worker.onBroken(reject));
    // Told between two solves it is found at the next one.
    this.broken.catch(() => undefined);
    this.worker = worker;
    return worker;
  }
}
