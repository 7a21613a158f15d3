import { apply, fieldAt, invert, touchedIds, type Changes } from '../model/changes';
import type { Recalled } from '../commands/command';
import type { Framework } from '../model/framework';
import { faultAfter } from '../kinds/integrity';
import { calledIn } from '../commands/refer';
import { sameJson } from '../model/json';
import { called } from '../kinds/records';
import { done, refuse, type Result } from '../model/result';

type LaterAuthor = Recalled['laterAuthor'];

/** Names, among what was changed later (oldest first), who last changed a field of a record, or the record at all. */
export const laterAuthorAmong =
  (later: readonly { changes: Changes; author: string }[]): LaterAuthor =>
  (id, path) =>
    later.findLast(({ changes }) =>
      path === null
        ? touchedIds(changes).includes(id)
        : changes.patched.some(
            (patch) =>
              patch.id === id &&
              Object.keys(patch.fields).some((field) => field.startsWith(path) || path.startsWith(field)),
          ),
    )?.author;

/**
 * The changes that undo earlier ones in today's framework. Each field must still hold what the change wrote;
 * fields other people changed since are theirs and stay. If one stands in the way the undo is refused whole.
 */
export function planUndo(
  framework: Framework,
  changes: Changes,
  laterAuthor: LaterAuthor = () => undefined,
): Result<Changes> {
  const by = (id: string, path: string | null) => {
    const author = laterAuthor(id, path);
    return author ? ` by ${author}` : '';
  };
  for (const record of changes.added) {
    const now = framework.records.get(record.id);
    if (!now)
      return refuse(`${called(record)} has since been removed${by(record.id, null)}, so adding it cannot be undone`);
    if (!sameJson(now, record)) {
      return refuse(`${called(now)} has since been changed${by(record.id, null)}, so adding it cannot be undone`);
    }
  }
  for (const record of changes.removed) {
    if (framework.records.has(record.id))
      return refuse(`${called(record)} is there already, so removing it cannot be undone`);
  }
  for (const { id, fields } of changes.patched) {
    const now = framework.records.get(id);
    if (!now) return refuse(`What was changed has since been removed${by(id, null)}, so the change cannot be undone`);
    for (const [path, [, to]] of Object.entries(fields)) {
      if (!sameJson(fieldAt(now, path) ?? null, to)) {
        return refuse(
          `${called(now)} has since been changed in the same place${by(id, path)}, so this cannot be undone`,
        );
      }
    }
  }
  const inverse = invert(changes);
  const fault = faultAfter(apply(framework, inverse), inverse, framework, calledIn);
  return fault
    ? { ok: false, refusal: { ...fault, message: `This cannot be undone: ${fault.message}` } }
    : done(inverse);
}
