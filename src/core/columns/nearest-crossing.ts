import { distance, minus, turned, type Point } from '../geometry/point';
import { buildingCrossings, type Crossing } from '../grids/crossings';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { quantiseMm } from '../units/length-units';

/** The nearest crossing within a distance, with the shift from it along its axes. */
export function nearestCrossing(
  framework: Framework,
  building: Id,
  { xMm, yMm }: { xMm: number; yMm: number },
  withinMm: number,
): (Crossing & { shift: Point }) | null {
  const point = { x: xMm, y: yMm };
  let best: Crossing | null = null;
  let least = withinMm;
  for (const crossing of buildingCrossings(framework, building)) {
    const gap = distance(crossing.at, point);
    if (gap > least || (gap === least && best)) continue;
    least = gap;
    best = crossing;
  }
  if (!best) return null;
  const shift = turned(minus(point, best.at), -best.turnDeg);
  return { ...best, shift: { x: quantiseMm(shift.x), y: quantiseMm(shift.y) } };
}
