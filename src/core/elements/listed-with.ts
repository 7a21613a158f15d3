import { recordKindOf } from '../kinds/records';
import type { Edit } from '../model/edit';
import type { Id } from '../model/ids';
import type { Rec } from '../model/kinds';

type Json = unknown;

/** Every list of ids in a value changed; the same value where none was. */
function lists(value: Json, change: (ids: readonly unknown[]) => readonly unknown[]): Json {
  if (Array.isArray(value)) {
    const ids = change(value);
    const next = ids.map((each) => lists(each, change));
    return ids === value && next.every((each, i) => each === value[i]) ? value : next;
  }
  if (value === null || typeof value !== 'object') return value;
  let changed = false;
  const next = Object.fromEntries(
    Object.entries(value).map(([key, each]) => {
      const other = lists(each, change);
      changed ||= other !== each;
      return [key, other];
    }),
  );
  return changed ? next : value;
}

/** Records other than one, with their lists of ids changed where what comes of it is still such a record. */
function changeLists(edit: Edit, but: Id, change: (ids: readonly unknown[]) => readonly unknown[]): void {
  for (const record of edit.framework.records.values()) {
    if (record.id === but) continue;
    const next = lists(record, change) as Rec;
    if (next !== record && recordKindOf(record.kind)!.schema.safeParse(next).success) edit.replace(next);
  }
}

/** A part of something that was one is listed wherever that is: cores, outlines along walls, strips under them. */
export function listWith(edit: Edit, id: Id, part: Id): void {
  changeLists(edit, part, (ids) =>
    ids.includes(id) && !ids.includes(part) ? ids.flatMap((each) => (each === id ? [id, part] : [each])) : ids,
  );
}

/** What took something in is listed in its place, once. */
export function listInstead(edit: Edit, gone: Id, id: Id): void {
  changeLists(edit, id, (ids) => {
    if (!ids.includes(gone)) return ids;
    const replaced = ids.map((each) => (each === gone ? id : each));
    return replaced.filter((each, i) => replaced.indexOf(each) === i);
  });
}
