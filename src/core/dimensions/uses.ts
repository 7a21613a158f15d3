import { recordsOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import type { Length } from '../units/parse-length';
import { referencesOf } from '../kinds/records';
import { calledIn } from '../commands/refer';

/** Where a named dimension is used: the records whose lengths hold it, in words. */
export function usesOf(framework: Framework, dimension: Id): { id: Id; words: string }[] {
  return [...framework.records.values()]
    .filter((record) => referencesOf(record).some(({ id }) => id === dimension))
    .map((record) => ({
      id: record.id,
      words: calledIn(framework, record),
    }))
    .sort((a, b) => (a.words < b.words ? -1 : a.words > b.words ? 1 : a.id < b.id ? -1 : 1));
}

/** A part of a record with its stored lengths as they are given to a command. */
type AsGiven<T> = T extends { expr: string } ? string : T extends object ? { [K in keyof T]: AsGiven<T[K]> } : T;

/** A part of a record as it is given to a command again: lengths that name dimensions are what a person types. */
export function asGiven<T>(framework: Framework, stored: T): AsGiven<T> {
  const given = (value: unknown): unknown => {
    if (Array.isArray(value)) return value.map(given);
    if (value === null || typeof value !== 'object') return value;
    if ('expr' in value) return lengthAsTyped(framework, value as { expr: string });
    return Object.fromEntries(Object.entries(value).map(([key, part]) => [key, given(part)]));
  };
  return given(stored) as AsGiven<T>;
}

/** A stored length as a person types it: named dimensions by their names. */
export function lengthAsTyped(framework: Framework, length: Length): string | null {
  if (typeof length === 'number') return null;
  const names = new Map(recordsOf(framework, 'dimension').map(({ id, name }) => [id, name]));
  return length.expr.replace(/\{([0-9a-f-]{36})\}/g, (_, id: string) => names.get(id) ?? '?');
}
