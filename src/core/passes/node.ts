import type { Failing } from './pass';

/** Told of profiles that a result uses once more or no longer. */
type Count = (key: string, by: 1 | -1) => void;

/** A result of a pass with what it read and what read it; without work it is something read from the framework. */
export class Node {
  value: unknown = undefined;
  /** What it threw. */
  thrown: { reason: unknown } | null = null;
  failure: (Failing<unknown> & { pass: string }) | null = null;
  isNew = true;
  isStale = true;
  isRunning = false;
  isGone = false;
  isRoot = false;
  /** Above that of all it read. */
  rank = 0;
  readonly observers = new Set<Node>();
  sources: ReadonlySet<Node> = NONE;
  profiles = new Set<string>();
  private reads = new Set<Node>();
  private before = new Set<string>();

  constructor(
    readonly name: string,
    readonly key: string,
    readonly group: object,
    readonly work: (() => unknown) | null,
    readonly failing: (() => Failing<unknown>) | null,
    readonly gathers: boolean,
    readonly late: { readonly until: unknown } | null,
  ) {}

  begin(): void {
    this.isRunning = true;
    this.reads = new Set();
    this.before = this.profiles;
    this.profiles = new Set();
  }

  note(source: Node): void {
    this.reads.add(source);
  }

  /** Takes over what the run that ends has read. */
  end(count: Count, left: (source: Node) => void): void {
    this.isRunning = false;
    const before = this.sources;
    this.sources = this.reads;
    for (const source of this.reads) {
      if (source.rank >= this.rank) this.rank = source.rank + 1;
      if (!before.has(source)) source.observers.add(this);
    }
    for (const source of before)
      if (!this.reads.has(source)) {
        source.observers.delete(this);
        if (source.observers.size === 0) left(source);
      }
    for (const key of this.profiles) if (!this.before.has(key)) count(key, 1);
    for (const key of this.before) if (!this.profiles.has(key)) count(key, -1);
  }

  /** Lets go of everything: nothing reads it any more. */
  drop(count: Count, left: (source: Node) => void): void {
    for (const source of this.sources) {
      source.observers.delete(this);
      if (source.observers.size === 0) left(source);
    }
    this.sources = NONE;
    for (const key of this.profiles) count(key, -1);
  }
}

const NONE: ReadonlySet<Node> = new Set();
