import type { Primitive } from '../drawing/drawing';
import type { PlanAt } from '../kinds/drawn';
import type { Solved } from '../solving/solved';

/** Where mezzanines hang in the storey, and on a mezzanine its own edge: dashed. */
export function extentsInPlan(solved: Solved, { shown: level }: PlanAt): Primitive[] {
  const top = level.storeyHeightMm === null ? level.fflMm : level.fflMm + level.storeyHeightMm;
  return solved.levels
    .filter(
      (other) =>
        other.building === level.building &&
        other.extent &&
        (other.id === level.id || (other.fflMm > level.fflMm && other.fflMm < top)),
    )
    .map((other): Primitive => ({ type: 'area', style: 'columnHead', id: other.id, rings: [other.extent!] }));
}
