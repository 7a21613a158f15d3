import { cross, lineCrossing, minus, type Point } from './point';
import { ringArea, type Ring } from './polygon';

/**
 * Area that a ring of any shape shares with a convex counter-clockwise ring, mm² (Sutherland and Hodgman,
 * "Reentrant polygon clipping", 1974). Exact enough for checks and needs no polygon library.
 */
export function sharedArea(convex: Ring, ring: Ring): number {
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
  return clipped.length > 2 ? Math.abs(ringArea(clipped)) : 0;
}
