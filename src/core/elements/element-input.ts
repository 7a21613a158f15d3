import type { Point } from '../geometry/point';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { refuseNow } from '../commands/length-input';
import { called, recordKindOf } from '../kinds/records';
import type { Rec } from '../model/kinds';
import type { Outline } from '../outlines/outline';
import { shifted } from '../outlines/shifted';

/** A chosen thing, if it is still there. */
export function elementIn(framework: Framework, id: Id): Rec {
  return framework.records.get(id) ?? refuseNow('Something chosen is not there any more. Choose again');
}

/** An outline moved in plan; one that follows lines is refused. */
export function movedOutline(framework: Framework, record: Rec, outline: Outline, by: Point): Outline {
  if (outline.type === 'gridOffset' || outline.type === 'lines' || outline.type === 'walls')
    refuseNow(
      `${called(record)} follows its ${outline.type === 'walls' ? 'walls' : 'grid lines'}. Move those, or draw its outline`,
    );
  return { ...outline, place: shifted(framework, outline.place, by) };
}

/** Chosen things, for the history. */
export const inWords = (framework: Framework, ids: readonly Id[]): string => {
  const records = ids.flatMap((id) => framework.records.get(id) ?? []);
  const [first] = records;
  if (!first || records.length < ids.length) return `${ids.length} things`;
  if (ids.length === 1) return called(first);
  const isOneKind = records.every(({ kind }) => kind === first.kind);
  return `${ids.length} ${isOneKind ? recordKindOf(first.kind)!.words.many : 'things'}`;
};
