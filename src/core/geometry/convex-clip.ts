import { cross, lineCrossing, minus, plus, times, type Point } from './point';
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

/** What of a piece in plan is on one side of where a function that is even over it is nothing: where it is more. */
export function whereMore(ring: readonly Point[], value: (at: Point) => number): Point[] {
  return ring.flatMap((a, i): Point[] => {
    const b = ring[(i + 1) % ring.length]!;
    const [p, q] = [value(a), value(b)];
    const meet = p > 0 !== q > 0 ? [plus(a, times(minus(b, a), p / (p - q)))] : [];
    return p > 0 ? [a, ...meet] : meet;
  });
}

/** Less of a piece than this is none, mm². */
const LEAST_MM2 = 1;

/** A convex ring less another, in convex pieces. */
export function less(ring: readonly Point[], taken: Ring): Point[][] {
  let left: Point[] = [...ring];
  const pieces: Point[][] = [];
  taken.forEach((a, i) => {
    if (left.length < 3) return;
    const along = minus(taken[(i + 1) % taken.length]!, a);
    const outside = whereMore(left, (at) => -cross(along, minus(at, a)));
    if (outside.length > 2 && Math.abs(ringArea(outside)) > LEAST_MM2) pieces.push(outside);
    left = whereMore(left, (at) => cross(along, minus(at, a)));
  });
  return pieces;
}

/** Whether something of a ring is there at all. */
export const isSome = (ring: Ring): boolean => ring.length > 2 && Math.abs(ringArea(ring)) > LEAST_MM2;

/** A convex ring less another, in convex pieces; whole where they share nothing. */
export const lessNear = (ring: Ring, taken: Ring): Ring[] =>
  isSome(clippedTo(taken, ring)) ? less(ring, taken) : [ring];
