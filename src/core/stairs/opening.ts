import { counterClockwise, type Ring } from '../geometry/polygon';
import { runOf, type Steps } from './choose-steps';
import { inWell, strips, wellRing, type HalfTurn } from './half-turn';

/** The hole a half-turn stair needs in the slab it arrives at: the whole well but for the floors' landing. */
export const wholeOpening = ({ well, floorLandingMm }: HalfTurn): Ring =>
  wellRing(well, floorLandingMm, 0, well.lengthMm, well.widthMm);

/**
 * The smallest hole that keeps the headroom asked for under the slab's soffit, whole millimetres: slab stays over the
 * first flight as far as it may, and over the half landing where that is low enough.
 */
export function tightOpening(
  sizes: HalfTurn,
  steps: Steps,
  bottomMm: number,
  soffitMm: number,
  headroomMm: number,
): Ring {
  const { well, floorLandingMm: x0 } = sizes;
  const { out, back } = strips(sizes);
  const { riserMm, goingMm, flights } = steps;
  const [outRun, backRun] = [runOf(flights[0], goingMm), runOf(flights[1], goingMm)];
  const landingMm = bottomMm + flights[0] * riserMm;
  // How far along a flight's pitch line, from its first riser, the soffit is high enough.
  const clearRun = (startMm: number) => ((soffitMm - headroomMm - startMm - riserMm) * goingMm) / riserMm;
  if (soffitMm - landingMm >= headroomMm) {
    const clear = Math.max(0, Math.min(backRun, Math.floor(clearRun(landingMm))));
    return wellRing(well, x0, back[0], x0 + Math.max(1, backRun - clear), back[1]);
  }
  const kept = Math.max(0, Math.min(outRun, Math.floor(clearRun(bottomMm))));
  if (kept < 1) return wholeOpening(sizes);
  const isRight = out[0] < back[0];
  const [x1, edge] = [x0 + kept, isRight ? out[1] : out[0]];
  const { lengthMm, widthMm } = well;
  const corners: [number, number][] = isRight
    ? [
        [x1, 0],
        [lengthMm, 0],
        [lengthMm, widthMm],
        [x0, widthMm],
        [x0, edge],
        [x1, edge],
      ]
    : [
        [x0, 0],
        [lengthMm, 0],
        [lengthMm, widthMm],
        [x1, widthMm],
        [x1, edge],
        [x0, edge],
      ];
  return counterClockwise(corners.map(([x, y]) => inWell(well, x, y)));
}
