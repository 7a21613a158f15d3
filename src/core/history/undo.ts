import { apply, fieldAt, invert, touchedIds, type Changes } from '../model/changes';
import type { Planned } from '../model/command';
import type { Framework } from '../model/framework';
import { faultAfter } from '../model/integrity';
import { sameJson } from '../model/json';
import { called } from '../kinds/records';
import { done, refuse, type Result } from '../model/result';

/** Name of the command that takes an earlier one back. Its input is `{ target: commandId }`. */
export const UNDO = 'history.undo';

/** Who last changed a field of a record after the change that is to be undone. */
export type LaterAuthor = (recordId: string, path: string | null) => string | undefined;

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
  const fault = faultAfter(apply(framework, inverse), inverse);
  return fault
    ? { ok: false, refusal: { ...fault, message: `This cannot be undone: ${fault.message}` } }
    : done(inverse);
}

/**
 * The command that takes an earlier one back, planned like any other; of an undo it does again what was undone. The
 * sentence says which of the two it was.
 */
export function planUndoOf(
  framework: Framework,
  target: { changes: Changes; sentence: string },
  laterAuthor?: LaterAuthor,
): Result<Planned> {
  const undone = planUndo(framework, target.changes, laterAuthor);
  if (!undone.ok) return undone;
  const undid = /^Undone: (.*)$/s.exec(target.sentence)?.[1];
  const sentence = undid === undefined ? `Undone: ${target.sentence.replace(/^Redone: /, '')}` : `Redone: ${undid}`;
  return done({ changes: undone.value, after: apply(framework, undone.value), sentence });
}
