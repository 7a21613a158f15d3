import type { Point } from '../geometry/point';
import { runOfFlight, type Flight } from './pieces';
import type { SolvedStair } from './solved-stair';
import { undersideDropMm } from './underside';

/**
 * A flight seen from its side, counter-clockwise: x along its run from the first nosing, y the height. Treads overlap the
 * risers under them by the nosing; the underside is parallel to the pitch and stops at the floor it stands on.
 */
export function flightProfile(stair: Pick<SolvedStair, 'waistMm' | 'finishMm' | 'nosingMm'>, flight: Flight): Point[] {
  const { treads, riserMm: r, goingMm: g, bottomMm } = flight;
  const run = runOfFlight(flight);
  const drop = undersideDropMm(stair, flight);
  const nosing = Math.min(stair.nosingMm, g / 2);
  const top: Point[] = [{ x: nosing, y: bottomMm }];
  for (let step = 1; step <= treads; step += 1) {
    top.push({ x: (step - 1) * g, y: bottomMm + step * r });
    top.push({ x: Math.min(run, step * g + nosing), y: bottomMm + step * r });
  }
  const underside = (x: number) => bottomMm - drop + (x * r) / g;
  const foot = Math.max(flight.footMm, underside(0));
  const meets = ((foot - bottomMm + drop) * g) / r;
  const under: Point[] =
    meets > 1e-6
      ? [
          { x: 0, y: foot },
          { x: Math.min(meets, run), y: foot },
        ]
      : [{ x: 0, y: foot }];
  // Round the underside to the far end, then back along the treads.
  return [...under, ...(meets < run - 1e-6 ? [{ x: run, y: underside(run) }] : []), ...top.reverse()];
}
