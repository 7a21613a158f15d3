import { cross, lineCrossing, minus, type Point } from './point';
import { ringArea, type Ring } from './polygon';

/** Whether no corner of a counter-clockwise ring points inwards. */
export const isConvex = (ring: Ring): boolean =>
  ring.every((a, i) => {
    const [b, c] = [ring[(i + 1) % ring.length]!, ring[(i + 2) % ring.length]!];
    return cross(minus(b, a), minus(c, b)) > -1e-6;
  });

/**
 * Area that a ring of any shape shares with a convex counter-clockwise ring, mm². Exact enough for checks and needs no
 * polygon library.
 */
export function sharedArea(convex: Ring, ring: Ring): number {
  const clipped = clippedTo(convex, ring);
  return clipped.length > 2 ? Math.abs(ringArea(clipped)) : 0;
}

/**
 * The part of a ring within a convex counter-clockwise ring (Sutherland and Hodgman, "Reentrant polygon clipping",
 * 1974); fewer than three corners where they share nothing. A convex ring stays one.
 */
export function clippedTo(convex: Ring, ring: Ring): Point[] {
  let clipped: Point[] = [...ring];
  for (let i = 0; i < convex.length && clipped.length > 2; i += 1) {
    const a = convex[i]!;
    const along = minus(convex[(i + 1) % convex.length]!, a);
    const isInside = (point: Point) => cross(along, minus(point, a)) >= 0;
    const next: Point[] = [];
    clipped.forEach((point, j) => {
      const before = clipped[(j + clipped.length - 1) % clipped.length]!;
      if (isInside(point) !== isInside(before)) {
        const meet = lineCrossing(before, minus(point, before), a, along);
        if (meet) next.push(meet);
      }
      if (isInside(point)) next.push(point);
    });
    clipped = next;
  }
  return clipped;
}
