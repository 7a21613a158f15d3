import { hashOfText } from './hash';
import { canonicalJson } from './json';
import type { Id } from './ids';
import type { Kind, Rec, RecordOf } from './kinds';

/** The whole framework: an immutable value, records by id. */
export interface Framework {
  readonly records: ReadonlyMap<Id, Rec>;
  /** Where it is read by a pass, which is told of every read. */
  readonly reading?: Reading;
}

/** How something is worked out from a framework, for a key: an id, or '' where it is about all of it. */
export interface Derivation<T> {
  readonly name: string;
  readonly work: (framework: Framework, key: string) => T;
}

/** What a framework that is read by a pass answers itself. */
export interface Reading {
  recordsOf: (kind: Kind) => readonly Rec[];
  derived: <T>(derivation: Derivation<T>, key: string) => T;
}

export const EMPTY_FRAMEWORK: Framework = { records: new Map() };

const byKind = new WeakMap<Framework, Map<Kind, Rec[]>>();

/** All records of a kind, by id. Worked out once per framework. */
export function recordsOf<K extends Kind>(framework: Framework, kind: K): RecordOf<K>[] {
  if (framework.reading) return framework.reading.recordsOf(kind) as RecordOf<K>[];
  let kinds = byKind.get(framework);
  if (!kinds) {
    kinds = new Map();
    const sorted = [...framework.records.values()].sort((a, b) => (a.id < b.id ? -1 : 1));
    for (const record of sorted) {
      const list = kinds.get(record.kind);
      if (list) list.push(record);
      else kinds.set(record.kind, [record]);
    }
    byKind.set(framework, kinds);
  }
  return (kinds.get(kind) ?? []) as RecordOf<K>[];
}

/** The record with this id if it is of this kind. */
export function recordOf<K extends Kind>(framework: Framework, kind: K, id: Id): RecordOf<K> | undefined {
  const record = framework.records.get(id);
  return record?.kind === kind ? (record as RecordOf<K>) : undefined;
}

/** Records by id as a plain object, as saved and hashed. */
export const recordsById = (framework: Framework): Record<Id, Rec> => Object.fromEntries(framework.records);

/** The framework's fingerprint: equal frameworks have equal hashes, whatever order they were made in. */
export const frameworkHash = (framework: Framework): string => {
  const spelled = [...framework.records]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([id, record]) => `${JSON.stringify(id)}:${spellingOf(record)}`);
  return hashOfText(`{${spelled.join(',')}}`);
};

/** Records are never changed: each is spelled once, however often what it stands in is hashed. */
const spellings = new WeakMap<Rec, string>();

function spellingOf(record: Rec): string {
  const known = spellings.get(record);
  if (known !== undefined) return known;
  const text = canonicalJson(record);
  spellings.set(record, text);
  return text;
}
