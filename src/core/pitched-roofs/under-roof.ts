import { clippedTo, less, whereMore } from '../geometry/convex-clip';
import { dot, minus, type Point } from '../geometry/point';
import { bounds, boxesMeet, ringArea, type Ring } from '../geometry/polygon';
import { planeOf, slantOf, type Plane, type Slant, type SlantCorner } from '../slants/slant';
import { quantiseMm } from '../units/length-units';

/** Less of a piece than this is none, mm². */
const LEAST_MM2 = 1;

/** The heights of a piece's underside and of its top. */
export const underside = (slant: Slant) => overPlane(planeOf(slant, 'bottomMm'));
export const topside = (slant: Slant) => overPlane(planeOf(slant, 'topMm'));
const overPlane =
  ({ at, mm, slope }: Plane) =>
  (point: Point): number =>
    mm + dot(minus(point, at), slope);

/** What of a ring lies under a piece, in plan; fewer than three corners where nothing does. */
function under(slant: Slant, ring: Ring): Point[] {
  if (!boxesMeet(bounds(slant), bounds(ring))) return [];
  const shared = clippedTo(
    slant.map(({ x, y }) => ({ x, y })),
    ring,
  );
  return shared.length > 2 && Math.abs(ringArea(shared)) > LEAST_MM2 ? shared : [];
}

/** The lowest and highest underside over some rings; null where nothing is over them. */
export function underOver(slants: readonly Slant[], rings: readonly Ring[]): { lowMm: number; highMm: number } | null {
  const heights = slants.flatMap((slant) => {
    const height = underside(slant);
    return rings.flatMap((ring) => under(slant, ring).map(height));
  });
  return heights.length === 0
    ? null
    : { lowMm: quantiseMm(Math.min(...heights)), highMm: quantiseMm(Math.max(...heights)) };
}

/** The highest top over a ring; null where nothing is over it. */
export function topOver(slants: readonly Slant[], ring: Ring): number | null {
  const heights = slants.flatMap((slant) => under(slant, ring).map(topside(slant)));
  return heights.length === 0 ? null : quantiseMm(Math.max(...heights));
}

/** Plan area within a ring without those after it where the underside of pieces is so high or higher. */
export const higherThan = (slants: readonly Slant[], rings: readonly Ring[], mm: number): number =>
  slants.reduce((sum, slant) => {
    const height = underside(slant);
    return rings.reduce((all, ring, i) => {
      if (!boxesMeet(bounds(slant), bounds(ring))) return all;
      const high = whereMore(clippedTo(slant, ring), (at) => height(at) - mm);
      return all + (i === 0 ? 1 : -1) * (high.length > 2 ? Math.abs(ringArea(high)) : 0);
    }, sum);
  }, 0);

/** A hole in what goes up to a roof, between two heights. */
export interface Hole {
  ring: Ring;
  bottomMm: number;
  topMm: number;
}

/**
 * What stands in some convex rings from a height up to the undersides of pieces over them, `shortMm` short of those, holes left out.
 */
export function upToRoof(
  slants: readonly Slant[],
  rings: readonly Ring[],
  fromMm: number,
  shortMm: number,
  holes: readonly Hole[],
): Slant[] {
  return slants.flatMap((slant) => {
    const height = underside(slant);
    const topOf = (at: Point) => quantiseMm(height(at) - shortMm);
    /** Upright from a height up to the slope, or to another height where that is lower. */
    const pieces = (ring: readonly Point[], low: number, high: number): Slant[] => {
      const full = whereMore(ring, (at) => topOf(at) - low - 0.01);
      if (full.length < 3 || Math.abs(ringArea(full)) < LEAST_MM2) return [];
      const corner = (at: Point, topMm: number): SlantCorner => ({ x: at.x, y: at.y, topMm, bottomMm: low });
      if (high === Infinity) return [slantOf(full.map((at) => corner(at, topOf(at))))];
      // Level where the slope is higher, along it where it is lower.
      const [level, along] = [whereMore(full, (at) => topOf(at) - high), whereMore(full, (at) => high - topOf(at))];
      return [
        ...(level.length > 2 && Math.abs(ringArea(level)) > LEAST_MM2
          ? [slantOf(level.map((at) => corner(at, high)))]
          : []),
        ...(along.length > 2 && Math.abs(ringArea(along)) > LEAST_MM2
          ? [slantOf(along.map((at) => corner(at, topOf(at))))]
          : []),
      ];
    };
    return rings.flatMap((ring) => {
      const shared = under(slant, ring);
      if (shared.length === 0) return [];
      const open = holes.filter((hole) => hole.topMm > fromMm + 1 && clippedTo(hole.ring, shared).length > 2);
      const solid = open.reduce<Point[][]>((left, hole) => left.flatMap((piece) => less(piece, hole.ring)), [shared]);
      const beside = open.flatMap((hole) => {
        const within = clippedTo(hole.ring, shared);
        return [
          ...(hole.bottomMm > fromMm + 1 ? pieces(within, fromMm, hole.bottomMm) : []),
          ...pieces(within, Math.max(fromMm, hole.topMm), Infinity),
        ];
      });
      return [...solid.flatMap((piece) => pieces(piece, fromMm, Infinity)), ...beside];
    });
  });
}
