import type { Primitive } from '../drawing/drawing';
import { arrowAlong } from '../drawing/arrow';
import { bounds } from '../geometry/polygon';
import type { PlanAt } from '../kinds/drawn';
import { assembliesOf, type Assembly } from '../slants/assembly';
import { assembliesInSection } from '../slants/draw-slants';
import type { Solved } from '../solving/solved';
import { slopeWords } from './slope-words';

const ARROW_MM = 2;
const TEXT_MM = 2.3;

/** Ramps in the plan of the levels they reach: flights and landings, the way up with an arrow, the slope beside it. */
export const rampsInPlan = ({ assemblies }: Solved, view: PlanAt): Primitive[] =>
  assembliesOf(assemblies, 'ramp')
    .filter(({ building }) => building === view.building)
    .flatMap((ramp) => drawRamp(ramp, view));

function drawRamp({ thing: id, name, info }: Assembly<'ramp'>, view: PlanAt): Primitive[] {
  const { rings, walk, startMm, riseMm, slopeRatio } = info;
  const [low, high] = [Math.min(startMm, startMm + riseMm), Math.max(startMm, startMm + riseMm)];
  const { fflMm, storeyHeightMm } = view.shown;
  // Where it begins, ends or passes: seen from over it, dashed where it is over the cut.
  if (high < fflMm - 1 || low > fflMm + (storeyHeightMm ?? view.cutAboveMm) - 1) return [];
  const isOver = low > view.cutMm;
  const way = riseMm < 0 ? [...walk].reverse() : walk;
  const middle = rings.filter(({ is }) => is === 'flight')[0]!.ring;
  const box = bounds(middle);
  return [
    ...rings.map(({ ring }): Primitive => ({
      type: 'area',
      style: isOver ? 'stairAbove' : 'stairSeen',
      id,
      rings: [ring],
    })),
    ...(isOver ? [] : arrowAlong(way, ARROW_MM * view.scale, 'stairArrow', id)),
    {
      type: 'text',
      style: 'stairText',
      id,
      at: { x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 },
      text: `${name} ${slopeWords(slopeRatio)}`,
      heightMm: TEXT_MM * view.scale,
      turnDeg: box.maxY - box.minY > box.maxX - box.minX ? 90 : 0,
    },
  ];
}

export const rampsInSection = assembliesInSection('ramp', { seen: 'stairSeen', cut: 'stairCut' });
