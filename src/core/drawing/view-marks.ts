import type { Id } from '../model/ids';
import type { SolvedMark } from '../solving/solved';

/** How a head or mark is shown in one view, where that differs from the usual. */
export interface MarkSetting {
  /** Null: as everywhere. */
  shown: boolean | null;
  placed: { acrossMm: number; outMm: number } | null;
  gap: { fromMm: number; toMm: number } | null;
}
export type MarkAt = (of: Id, end: 0 | 1) => MarkSetting | null;

/** The settings of a view: what is said for it alone wins over what is said for all views of its kind. */
export function marksOfView(marks: readonly SolvedMark[], building: Id, views: readonly string[]): MarkAt {
  const found = new Map<string, SolvedMark>();
  for (const view of [...views].reverse()) {
    for (const mark of marks) {
      if (mark.building === building && mark.view === view) found.set(`${mark.of} ${mark.end}`, mark);
    }
  }
  return (of, end) => found.get(`${of} ${end}`) ?? null;
}
