import { drawBodiesOver } from '../bodies/draw-bodies';
import { planOf } from '../kinds/registry';
import { PLAN_COATS, type PlanAt } from '../kinds/drawn';
import type { Solved } from '../solving/solved';
import { drawGrids } from './draw-grids';
import { boxOf, type Drawing } from './drawing';
import { readable } from './least-text';
import { marksOfView } from './view-marks';
import type { PlanView } from './plan-view';

/** The plan of one level: what each kind draws, coat upon coat, with the grids' bubbles and dimension strings among them. */
export function drawPlan(solved: Solved, view: PlanView): Drawing {
  const shown = solved.levels.find(({ id }) => id === view.level);
  if (!shown) return { primitives: [], marks: [], box: null };
  const at: PlanAt = { ...view, shown, cutMm: shown.fflMm + view.cutAboveMm };
  const grids = drawGrids(solved, {
    ...view,
    fflMm: shown.fflMm,
    markAt: marksOfView(solved.marks, view.building, [`plan ${view.level}`, 'plan']),
  });
  const primitives = readable(
    PLAN_COATS.flatMap((coat) =>
      coat === 'grids'
        ? grids.primitives
        : coat === 'bodies'
          ? drawBodiesOver(solved, view)
          : planOf(coat).flatMap((draw) => draw(solved, at)),
    ),
    view,
  );
  return { primitives, marks: grids.marks, box: boxOf(primitives) };
}
