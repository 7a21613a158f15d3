import type { Derivation } from '../model/framework';
import type { Framework } from '../model/framework';
import type { Kind, Rec } from '../model/kinds';
import { Node } from './node';
import type { Context, Failing, Pass, Scope } from './pass';
import { PlanFacts } from './plan-facts';
import { Profiles } from './profiles';
import { Remembered } from './remembered';
import { reuse, reuseGathered } from './reuse';

/** A pass that threw. */
export interface Failure extends Failing<unknown> {
  pass: string;
}

/** What a pass is about and what it read; without a scope it is something looked up on the way. */
export interface PassReads {
  scope: Scope | null;
  reads: Set<string>;
}

/**
 * The results of passes, each with what it read: records, lists of a kind's records, results of other passes. After an edit only
 * what read something that changed is worked out again, in the order of ranks: a result comes after all it read. One that comes out
 * equal stays the same object and wakes nobody.
 */
export class Graph {
  readonly facts = new PlanFacts();
  readonly profiles = new Profiles(this.facts, (key) => this.running?.profiles.add(key));
  private records: ReadonlyMap<string, Rec> = new Map();
  private readonly kinds = new Map<Kind, readonly Rec[]>();
  private readonly nodes = new Map<object, Map<string, Node>>();
  private readonly failed = new Set<Node>();
  private readonly waiting: Node[][] = [];
  private readonly orphans = new Set<Node>();
  /** Late results that are out of date, and whether one does not wait for such. */
  private readonly held = new Set<Node>();
  private holds = false;
  private running: Node | null = null;
  private readonly context: Context;

  constructor() {
    const framework: Framework = {
      records: new TracedRecords(this.recordRead, () => this.allRead()),
      reading: { recordsOf: this.kindRead, derived: this.derivedRead },
    };
    const { profiles, facts } = this;
    this.context = { framework, get: this.get, profiles, facts, remembered: new Remembered() };
  }

  /**
   * The result of a pass for a framework. `late`: what takes long is worked out with the rest, is held back, or one of what was
   * held back is made good and the rest held back.
   */
  solve<T>(
    framework: Framework,
    root: Pass<T>,
    late: 'now' | 'hold' | 'one' = 'now',
  ): { value: T; failures: Failure[] } {
    this.take(framework);
    const node = this.nodeOfPass(root, '');
    node.isRoot = true;
    this.holds = late !== 'now';
    if (late === 'now') {
      for (const each of this.held) (this.waiting[each.rank] ??= []).push(each);
      this.held.clear();
    }
    this.settle();
    if (node.isStale) this.run(node);
    // What was made on the way may have read what was still to be worked out.
    this.settle();
    const [next] = this.held;
    if (late === 'one' && next) {
      this.held.delete(next);
      this.run(next);
      this.settle();
    }
    this.forget();
    this.renewed.clear();
    if (node.thrown !== null) throw node.thrown.reason;
    const failures = [...this.failed].map(({ failure }) => failure as Failure);
    return { value: node.value as T, failures };
  }

  /** True where nothing is held back. */
  get isWhole(): boolean {
    return this.held.size === 0;
  }

  /** How often each pass was run, by name. */
  readonly runs = new Map<string, number>();

  /** What each pass read, by name: other passes, kinds of records. */
  dependencies(): Map<string, PassReads> {
    const found = new Map<string, PassReads>();
    for (const nodes of this.nodes.values())
      for (const { name, work, group, sources } of nodes.values()) {
        if (work === null) continue;
        const entry = found.get(name) ?? { scope: 'scope' in group ? (group.scope as Scope) : null, reads: new Set() };
        found.set(name, entry);
        for (const source of sources) entry.reads.add(source.name);
      }
    return found;
  }

  private take(framework: Framework): void {
    const before = this.records;
    if (before === framework.records) return;
    this.records = framework.records;
    const kinds = new Map<Kind, Map<string, Rec | null>>();
    const note = (id: string, kind: Kind, record: Rec | null) => {
      const list = kinds.get(kind) ?? new Map<string, Rec | null>();
      kinds.set(kind, list.set(id, record));
    };
    for (const [id, record] of framework.records) {
      const was = before.get(id);
      if (was === record) continue;
      if (was && was.kind !== record.kind) note(id, was.kind, null);
      note(id, record.kind, record);
    }
    for (const [id, was] of before) if (!framework.records.has(id)) note(id, was.kind, null);
    for (const [kind, changed] of kinds) {
      this.kinds.set(kind, merged(this.kinds.get(kind) ?? [], changed));
      this.leafChanged(KINDS, kind, this.kinds.get(kind));
      for (const id of changed.keys()) this.leafChanged(RECORDS, id, framework.records.get(id));
    }
    if (kinds.size > 0) this.leafChanged(ALL, '', framework.records);
  }

  private leafChanged(group: object, key: string, value: unknown): void {
    const node = this.nodes.get(group)?.get(key);
    if (!node || node.value === value) return;
    node.value = value;
    this.wake(node);
  }

  private wake({ observers }: Node): void {
    for (const observer of observers) {
      if (observer.isStale) continue;
      observer.isStale = true;
      (this.waiting[observer.rank] ??= []).push(observer);
      this.lowestWoken = Math.min(this.lowestWoken, observer.rank);
    }
  }

  /** Works out again what waits, the lowest ranks first. */
  private settle(): void {
    for (let rank = 0; rank < this.waiting.length;) {
      const node = this.waiting[rank]?.pop();
      if (!node) rank += 1;
      else if (node.isStale && !node.isGone) {
        if (this.holds && node.late) {
          this.held.add(node);
          continue;
        }
        this.run(node);
        // It may have woken what was thought to come before it.
        rank = Math.min(rank, this.lowestWoken);
        this.lowestWoken = Infinity;
      }
    }
  }
  private lowestWoken = Infinity;

  private run(node: Node): void {
    const outer = this.running;
    this.running = node;
    node.begin();
    this.runs.set(node.name, (this.runs.get(node.name) ?? 0) + 1);
    let value: unknown;
    let thrown: Node['thrown'] = null;
    try {
      value = node.work!();
    } catch (reason) {
      thrown = { reason };
    } finally {
      this.running = outer;
    }
    if (thrown && node.failing) {
      this.running = node;
      try {
        const failure = node.failing();
        node.failure = { ...failure, pass: node.name };
        this.failed.add(node);
        value = failure.value;
        thrown = null;
      } finally {
        this.running = outer;
      }
    } else if (node.failure) {
      node.failure = null;
      this.failed.delete(node);
    }
    node.end(
      (key, by) => this.profiles.count(key, by),
      (source) => this.orphans.add(source),
    );
    node.isStale = false;
    const before = node.value;
    node.value = node.isNew || thrown ? value : this.reused(before, value, node.gathers);
    const hasChanged = node.isNew || node.value !== before || thrown !== null || node.thrown !== null;
    node.thrown = thrown;
    node.isNew = false;
    if (hasChanged) this.wake(node);
  }

  /** A result with what is equal of the one before; one that other passes answer too, with the same before it, is compared once. */
  private reused(before: unknown, value: unknown, gathers: boolean): unknown {
    if (before === value || this.renewed.get(value) === before) return value;
    const is = (gathers ? reuseGathered : reuse)(before, value);
    if (is !== before) this.renewed.set(is, before);
    return is;
  }
  /** Results of this solve with those they were compared with. */
  private readonly renewed = new Map<unknown, unknown>();

  private readonly get = <T>(pass: Pass<T>, key: string): T => this.read(this.nodeOfPass(pass, key)) as T;

  private nodeOfPass<T>(pass: Pass<T>, key: string): Node {
    // Asked for more often than anything else: nothing is made on the way to one that is there.
    const known = this.nodes.get(pass)?.get(key);
    if (known) return known;
    return this.nodeOf(
      pass,
      key,
      pass.name,
      () => pass.run(this.context, key),
      pass.failing && (() => pass.failing!(this.context, key)),
      pass.gathers,
      pass.late,
    );
  }

  private readonly derivedRead = <T>(derivation: Derivation<T>, key: string): T =>
    this.read(this.nodeOf(derivation, key, derivation.name, () => derivation.work(this.context.framework, key))) as T;

  private readonly recordRead = (id: string): Rec | undefined =>
    this.read(this.leafOf(RECORDS, id, () => this.records.get(id))) as Rec | undefined;

  private readonly kindRead = (kind: Kind): readonly Rec[] =>
    this.read(this.leafOf(KINDS, kind, () => this.kinds.get(kind) ?? NONE)) as readonly Rec[];

  private readonly allRead = (): ReadonlyMap<string, Rec> =>
    this.read(this.leafOf(ALL, '', () => this.records)) as ReadonlyMap<string, Rec>;

  private read(node: Node): unknown {
    if (node.isStale) {
      if (node.isRunning) throw new Error(`${node.name} of ${node.key} is worked out from itself`);
      if (this.holds && node.late) {
        this.held.add(node);
        if (node.isNew) node.value = node.late.until;
      } else {
        this.held.delete(node);
        this.run(node);
      }
    }
    this.running?.note(node);
    if (node.thrown !== null) throw node.thrown.reason;
    return node.value;
  }

  private leafOf(group: { name: string }, key: string, now: () => unknown): Node {
    const node = this.nodeOf(group, key, group === KINDS ? `${key} records` : group.name, null);
    if (node.isNew) {
      node.value = now();
      node.isNew = false;
      node.isStale = false;
    }
    return node;
  }

  private nodeOf(
    group: object,
    key: string,
    name: string,
    work: (() => unknown) | null,
    failing?: () => Failing<unknown>,
    gathers = false,
    late?: { readonly until: unknown },
  ): Node {
    let nodes = this.nodes.get(group);
    if (!nodes) this.nodes.set(group, (nodes = new Map()));
    let node = nodes.get(key);
    if (!node) nodes.set(key, (node = new Node(name, key, group, work, failing ?? null, gathers, late ?? null)));
    return node;
  }

  /** Drops results that nothing reads any more. */
  private forget(): void {
    for (const node of this.orphans) {
      this.orphans.delete(node);
      if (node.observers.size > 0 || node.isRoot || node.isGone) continue;
      node.isGone = true;
      this.held.delete(node);
      node.drop(
        (key, by) => this.profiles.count(key, by),
        (source) => this.orphans.add(source),
      );
      this.failed.delete(node);
      this.nodes.get(node.group)?.delete(node.key);
    }
  }
}

const NONE: readonly Rec[] = [];
/** Groups of what is read from the framework itself. */
const RECORDS = { name: 'records by id' };
const KINDS = { name: 'records of a kind' };
const ALL = { name: 'all records' };

/** A kind's records by id after some came, changed or went. */
function merged(list: readonly Rec[], changed: ReadonlyMap<string, Rec | null>): readonly Rec[] {
  const left = new Map(changed);
  const kept = list.flatMap((record) => {
    const now = left.get(record.id);
    left.delete(record.id);
    return now === undefined ? [record] : now === null ? [] : [now];
  });
  const added = [...left.values()].filter((record) => record !== null);
  if (added.length === 0) return kept;
  return [...kept, ...added].sort((a, b) => (a.id < b.id ? -1 : 1));
}

/** The records of a framework, told which are read. */
class TracedRecords implements ReadonlyMap<string, Rec> {
  constructor(
    readonly get: (id: string) => Rec | undefined,
    private readonly all: () => ReadonlyMap<string, Rec>,
  ) {}

  has = (id: string): boolean => this.get(id) !== undefined;
  get size(): number {
    return this.all().size;
  }
  keys = () => this.all().keys();
  values = () => this.all().values();
  entries = () => this.all().entries();
  [Symbol.iterator] = () => this.all()[Symbol.iterator]();
  forEach(each: (value: Rec, key: string, map: ReadonlyMap<string, Rec>) => void): void {
    this.all().forEach((value, key) => each(value, key, this));
  }
}
