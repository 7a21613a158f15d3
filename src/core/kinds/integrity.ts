import { touchedIds, type Changes } from '../model/changes';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { called, recordSchema, referencesOf } from './records';
import type { Rec } from '../model/kinds';
import { refuse, type Refusal } from '../model/result';
import { limitBroken, type CalledIn } from './limits';

/**
 * What is wrong with a framework after changes: a record that does not fit its schema, a reference to nothing,
 * a circle of records that hang on one another, or a limit that does not hold. Null if nothing. Only touched records are read, and all
 * records once if something was removed.
 */
export function faultAfter(
  framework: Framework,
  changes: Changes,
  before: Framework | null = null,
  calledIn: CalledIn = (_, record) => called(record),
): Refusal | null {
  for (const id of touchedIds(changes)) {
    const record = framework.records.get(id);
    if (!record) continue;
    const parsed = recordSchema.safeParse(record);
    if (!parsed.success) {
      const issue = parsed.error.issues[0]!;
      return refuse(`${called(record)}: ${issue.message} (${issue.path.join(' ') || 'record'})`).refusal;
    }
    const dangling = referencesOf(record).find((reference) => !framework.records.has(reference.id));
    if (dangling)
      return refuse(`${called(record)} would refer to something that is not there (${dangling.path})`).refusal;
  }
  if (changes.removed.length > 0) {
    const gone = new Map(changes.removed.map((record) => [record.id, record]));
    for (const record of framework.records.values()) {
      const reference = referencesOf(record).find(({ id }) => gone.has(id) && !framework.records.has(id));
      if (reference) {
        return refuse(
          `${called(gone.get(reference.id)!)} cannot go: ${called(record)} hangs on it. Move or delete that first`,
        ).refusal;
      }
    }
  }
  const circle = circleFrom(framework, touchedIds(changes));
  if (circle) return refuse(`These would hang on one another in a circle: ${circle.map(called).join(' → ')}`).refusal;
  const broken = limitBroken(framework, changes, before, calledIn);
  return broken === null ? null : refuse(broken[0]!.toUpperCase() + broken.slice(1)).refusal;
}

/** A circle of references reachable from the given records, first record repeated at the end; null if none. */
function circleFrom(framework: Framework, ids: Id[]): Rec[] | null {
  const settled = new Set<Id>();
  const path: Rec[] = [];
  const onPath = new Set<Id>();
  const visit = (id: Id): Rec[] | null => {
    const record = framework.records.get(id);
    if (!record || settled.has(id)) return null;
    if (onPath.has(id)) return [...path.slice(path.findIndex((r) => r.id === id)), record];
    path.push(record);
    onPath.add(id);
    for (const reference of referencesOf(record)) {
      const circle = visit(reference.id);
      if (circle) return circle;
    }
    path.pop();
    onPath.delete(id);
    settled.add(id);
    return null;
  };
  for (const id of ids) {
    const circle = visit(id);
    if (circle) return circle;
  }
  return null;
}
