import type { Framework } from './framework';
import type { Id } from './ids';
import { sameJson, type Json } from './json';
import type { Rec } from './kinds';

/** Field by field, never whole records: dotted path → [value before, value after]. */
export interface Patch {
  id: Id;
  fields: Record<string, [from: Json, to: Json]>;
}

/** A small invertible edit. What is logged, sent and undone. */
export interface Changes {
  added: Rec[];
  patched: Patch[];
  removed: Rec[];
}

export const NO_CHANGES: Changes = { added: [], patched: [], removed: [] };

export const isEmpty = (changes: Changes): boolean =>
  changes.added.length + changes.patched.length + changes.removed.length === 0;

/** A change that does not fit the framework it is applied to: the log and the framework have come apart. */
export class ChangeMismatch extends Error {}

type Fields = Record<string, Json>;

const isPlain = (value: Json | undefined): value is Fields =>
  value !== null && typeof value === 'object' && !Array.isArray(value);

/** Value of a dotted path; undefined if some step is missing. */
export function fieldAt(record: unknown, path: string): Json | undefined {
  return path
    .split('.')
    .reduce<Json | undefined>((value, key) => (isPlain(value) ? value[key] : undefined), record as Json);
}

function withField(record: Fields, [key, ...rest]: string[], to: Json): Fields {
  return { ...record, [key!]: rest.length === 0 ? to : withField(record[key!] as Fields, rest, to) };
}

/**
 * Fields in which two states of a record differ. Objects with the same keys are compared inside; lists and
 * objects of another shape count as one field.
 */
export function differingFields(before: Fields, after: Fields, prefix = ''): Patch['fields'] {
  const fields: Patch['fields'] = {};
  for (const key of Object.keys(after).sort()) {
    const [from, to] = [before[key], after[key]];
    if (to === undefined || sameJson(from ?? null, to)) continue;
    const path = prefix + key;
    if (isPlain(from) && isPlain(to) && sameKeys(from, to))
      Object.assign(fields, differingFields(from, to, `${path}.`));
    else fields[path] = [from ?? null, to];
  }
  return fields;
}

const sameKeys = (a: Fields, b: Fields): boolean =>
  Object.keys(a).length === Object.keys(b).length && Object.keys(a).every((key) => Object.hasOwn(b, key));

/** Applies changes. Throws {@link ChangeMismatch} if they do not fit. */
export function apply(framework: Framework, changes: Changes): Framework {
  if (isEmpty(changes)) return framework;
  const records = new Map(framework.records);
  for (const record of changes.removed) {
    if (!records.delete(record.id)) throw new ChangeMismatch(`There is no record ${record.id} to remove`);
  }
  for (const record of changes.added) {
    if (records.has(record.id)) throw new ChangeMismatch(`Record ${record.id} is there already`);
    records.set(record.id, record);
  }
  for (const { id, fields } of changes.patched) {
    const record = records.get(id);
    if (!record) throw new ChangeMismatch(`There is no record ${id} to change`);
    let next = record as unknown as Fields;
    for (const [path, [from, to]] of Object.entries(fields)) {
      if (!sameJson(fieldAt(next, path) ?? null, from))
        throw new ChangeMismatch(`${path} of ${id} is not what the change expects`);
      next = withField(next, path.split('.'), to);
    }
    records.set(id, next as unknown as Rec);
  }
  return { records };
}

/** The changes that take these back: apply(apply(f, c), invert(c)) is f. */
export function invert(changes: Changes): Changes {
  return {
    added: changes.removed,
    removed: changes.added,
    patched: changes.patched.map(({ id, fields }) => ({
      id,
      fields: Object.fromEntries(Object.entries(fields).map(([path, [from, to]]) => [path, [to, from]])),
    })),
  };
}

/** What must be applied to `before` to get `after`. */
export function difference(before: Framework, after: Framework): Changes {
  const [added, removed]: [Rec[], Rec[]] = [[], []];
  const patched: Patch[] = [];
  for (const [id, record] of after.records) {
    const old = before.records.get(id);
    if (old === record) continue;
    if (!old) added.push(record);
    else if (old.kind !== record.kind) {
      removed.push(old);
      added.push(record);
    } else {
      const fields = differingFields(old as unknown as Fields, record as unknown as Fields);
      if (Object.keys(fields).length > 0) patched.push({ id, fields });
    }
  }
  for (const [id, record] of before.records) if (!after.records.has(id)) removed.push(record);
  const byId = (a: { id: Id }, b: { id: Id }) => (a.id < b.id ? -1 : 1);
  return { added: added.sort(byId), patched: patched.sort(byId), removed: removed.sort(byId) };
}

/** One set of changes that does what a sequence of them does, from the framework the sequence starts at. */
export function squash(start: Framework, sequence: readonly Changes[]): Changes {
  return difference(start, sequence.reduce(apply, start));
}

/** Ids of all records the changes touch. */
export function touchedIds(changes: Changes): Id[] {
  return [...changes.added, ...changes.patched, ...changes.removed].map(({ id }) => id);
}
