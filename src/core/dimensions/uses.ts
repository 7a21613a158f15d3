import { recordsOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { called, referencesOf } from '../kinds/records';
import { markOf } from '../model/refer';

/** Where a named dimension is used: the records whose lengths hold it, in words. */
export function usesOf(framework: Framework, dimension: Id): { id: Id; words: string }[] {
  return [...framework.records.values()]
    .filter((record) => referencesOf(record).some(({ id }) => id === dimension))
    .map((record) => ({
      id: record.id,
      words: record.kind === 'columnStack' ? `column stack ${markOf(framework, record)}` : called(record),
    }))
    .sort((a, b) => (a.words < b.words ? -1 : a.words > b.words ? 1 : a.id < b.id ? -1 : 1));
}

/** A stored length as a person types it: named dimensions by their names. */
export function lengthAsTyped(framework: Framework, length: number | { expr: string }): string | null {
  if (typeof length === 'number') return null;
  const names = new Map(recordsOf(framework, 'dimension').map(({ id, name }) => [id, name]));
  return length.expr.replace(/\{([0-9a-f-]{36})\}/g, (_, id: string) => names.get(id) ?? '?');
}
