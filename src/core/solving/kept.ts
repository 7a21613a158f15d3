import { recordsOf, type Framework } from '../model/framework';
import type { Kind, Rec } from '../model/kinds';

/** What was used while something was worked out, so that using the result again keeps it too. */
export interface Used {
  profiles: Set<string>;
  rings: Set<string>;
}

interface Result {
  /** Versions of the kinds it was worked out from, and what else that was. */
  reads: string;
  also: readonly unknown[];
  value: unknown;
  used: Used;
}

/** Kinds whose records place things in plan and height. */
const PLACING: readonly Kind[] = [
  'project',
  'building',
  'level',
  'gridSystem',
  'gridLine',
  'settingOutLine',
  'dimension',
  'typical',
];
/** Kinds that slabs and walls are worked out from. Roofs are slabs and walls; outlines follow walls. */
export const SLAB_KINDS: readonly Kind[] = ['floorPlate', 'roof', 'wall', 'wallType'];

/**
 * Results kept from solve to solve for as long as all records of the kinds they are worked out from are the same objects.
 * Records never change, so the same objects mean the same result; an edit of another kind costs such a result nothing.
 */
export class Kept {
  private versions = new Map<Kind, { records: readonly Rec[]; version: number }>();
  private results = new Map<string, Result>();
  private fresh = new Map<string, Result>();
  private placing: readonly Kind[] = PLACING;
  /** Versions of some kinds together, of the solve that is going on. */
  private readonly read = new Map<string, string>();
  private readonly collecting: Used[] = [];

  /** Called at the start of a solve. Results that the solve before did not ask for are forgotten. */
  begin(framework: Framework): void {
    this.results = new Map(this.fresh);
    this.fresh = new Map();
    // Lines may be set out from the edges of things: then these place things as well.
    const sources = new Set(
      recordsOf(framework, 'settingOutLine').flatMap(({ source }) => framework.records.get(source)?.kind ?? []),
    );
    this.placing = [...new Set([...PLACING, ...sources, ...(sources.has('wall') ? ['wallType' as const] : [])])];
    this.read.clear();
    for (const kind of this.versions.keys()) this.look(framework, kind);
  }

  private look(framework: Framework, kind: Kind): number {
    const records: readonly Rec[] = recordsOf(framework, kind);
    const known = this.versions.get(kind);
    const isSame = known?.records.length === records.length && records.every((each, i) => each === known.records[i]);
    if (isSame) return known.version;
    const version = (known?.version ?? 0) + 1;
    this.versions.set(kind, { records, version });
    return version;
  }

  /**
   * A result worked out from what places things, from all records of some kinds and from some other values, told apart by
   * identity. `again` is told what the result used when it is used again.
   */
  of<T>(
    framework: Framework,
    name: string,
    kinds: readonly Kind[],
    also: readonly unknown[],
    again: (used: Used) => void,
    work: () => T,
  ): T {
    const reads = this.reads(framework, kinds);
    const known = this.results.get(name);
    if (
      known?.reads === reads &&
      known.also.length === also.length &&
      known.also.every((each, i) => each === also[i])
    ) {
      this.fresh.set(name, known);
      again(known.used);
      for (const outer of this.collecting) join(outer, known.used);
      return known.value as T;
    }
    const used: Used = { profiles: new Set(), rings: new Set() };
    this.collecting.push(used);
    try {
      const value = work();
      this.fresh.set(name, { reads, also, value, used });
      return value;
    } finally {
      this.collecting.pop();
    }
  }

  /** The versions of the kinds that place things and of some others. */
  private reads(framework: Framework, kinds: readonly Kind[]): string {
    const name = kinds.join();
    const known = this.read.get(name);
    if (known !== undefined) return known;
    const all = [...new Set([...this.placing, ...kinds])];
    const versions = all.map((kind) => `${kind} ${this.look(framework, kind)}`).join();
    this.read.set(name, versions);
    return versions;
  }

  noteProfile(key: string): void {
    for (const used of this.collecting) used.profiles.add(key);
  }

  noteRing(text: string): void {
    for (const used of this.collecting) used.rings.add(text);
  }
}

function join(into: Used, from: Used): void {
  for (const key of from.profiles) into.profiles.add(key);
  for (const text of from.rings) into.rings.add(text);
}
