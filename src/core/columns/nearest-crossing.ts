import { distance, minus, turned, type Point } from '../geometry/point';
import { crossingsOf, gridsOf } from '../grids/resolve-grids';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { quantiseMm } from '../units/length-units';

/** The nearest crossing within a distance, with the shift from it along its system's axes. */
export function nearestCrossing(
  framework: Framework,
  building: Id,
  { xMm, yMm }: { xMm: number; yMm: number },
  withinMm: number,
): { lines: [Id, Id]; shift: Point; turnDeg: number; label: string | null } | null {
  const point = { x: xMm, y: yMm };
  let best: { lines: [Id, Id]; shift: Point; turnDeg: number; label: string | null } | null = null;
  let least = withinMm;
  for (const grid of gridsOf(framework).filter(({ record }) => record.building === building)) {
    for (const crossing of crossingsOf(grid)) {
      const gap = distance(crossing.at, point);
      if (gap > least || (gap === least && best)) continue;
      least = gap;
      const shift = turned(minus(point, crossing.at), -grid.turnDeg);
      best = {
        lines: crossing.lines,
        shift: { x: quantiseMm(shift.x), y: quantiseMm(shift.y) },
        turnDeg: grid.turnDeg,
        label: crossing.label,
      };
    }
  }
  return best;
}
