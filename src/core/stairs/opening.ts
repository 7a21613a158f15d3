import { clippedTo } from '../geometry/convex-clip';
import { convexHull } from '../geometry/convex-hull';
import { dot, minus, plus, quantised, times, type Point } from '../geometry/point';
import { bounds, counterClockwise, type Ring } from '../geometry/polygon';
import { runOf, type Steps } from './choose-steps';
import { strips, type HalfTurn } from './half-turn';
import { runOfFlight, type Flight, type Landing, type TaperedTread } from './pieces';
import { inWell, wellRing, type Well } from './well';

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
  const [outRun, backRun] = [runOf(flights[0]!, goingMm), runOf(flights[1]!, goingMm)];
  const landingMm = bottomMm + flights[0]! * riserMm;
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

/** As far before a nosing slab counts as over it, mm. */
const NOSING_MM = 1;

/** What of a stair in another form stands too high to have slab over it: flights from where on, treads, landings. */
function needingSky(
  {
    flights,
    tapered,
    landings,
  }: { flights: readonly Flight[]; tapered: readonly TaperedTread[]; landings: readonly Landing[] },
  limitMm: number,
): Point[] {
  return [
    ...flights.flatMap((flight) => {
      const { from, along, widthMm, bottomMm, riserMm, goingMm } = flight;
      const run = runOfFlight(flight);
      const high = Math.floor(((limitMm - bottomMm - riserMm) * goingMm) / riserMm);
      if (high >= run) return [];
      // Slab that comes up to the first nosing is over it.
      const clear = high < 0 ? -NOSING_MM : high;
      const across = times({ x: -along.y, y: along.x }, widthMm / 2);
      return [clear, run].flatMap((mm) => {
        const at = plus(from, times(along, mm));
        return [plus(at, across), minus(at, across)];
      });
    }),
    ...tapered.flatMap(({ ring, topMm, riserMm }) => (topMm + riserMm > limitMm ? [...ring] : [])),
    ...landings.flatMap(({ ring, topMm }) => (topMm > limitMm ? [...ring] : [])),
  ];
}

/** The same in a well of any corners: what goes round all of that within its whole hole. */
export function tightHull(
  whole: Ring,
  pieces: Parameters<typeof needingSky>[0],
  soffitMm: number,
  headroomMm: number,
): Ring {
  const open = needingSky(pieces, soffitMm - headroomMm);
  return open.length === 0 ? whole : clippedTo(counterClockwise(convexHull(open)), whole).map(quantised);
}

/**
 * The smallest rectangle of the well, within the hole it has when all of it is open, over all that would have too little headroom
 * under the slab's soffit. Where the stair comes back to the corner one came in at, the floor there stays.
 */
export function tightBox(
  { well, whole }: { well: Well; whole: Ring },
  pieces: Parameters<typeof needingSky>[0],
  soffitMm: number,
  headroomMm: number,
): Ring {
  const own = (point: Point): Point => {
    const from = minus(point, well.origin);
    return { x: dot(from, well.inwards), y: dot(from, well.left) };
  };
  const open = needingSky(pieces, soffitMm - headroomMm);
  if (open.length === 0) return whole;
  const box = bounds(open.map(own));
  const corners = whole.map(own);
  const all = bounds(corners);
  const [x0, x1] = [Math.max(box.minX, all.minX), Math.min(box.maxX, all.maxX)];
  const [y0, y1] = [Math.max(box.minY, all.minY), Math.min(box.maxY, all.maxY)];
  if (whole.length === 4) return wellRing(well, x0, y0, x1, y1);
  const clamped = corners.map(({ x, y }): [number, number] => [
    Math.min(Math.max(x, x0), x1),
    Math.min(Math.max(y, y0), y1),
  ]);
  return counterClockwise(clamped.map(([x, y]) => inWell(well, x, y)));
}
