import { dot, minus, type Point } from '../geometry/point';
import { directionDeg } from '../geometry/trig';
import type { Ring } from '../geometry/polygon';
import { planeOf, type Slant } from '../slants/slant';

/** A flat or evenly sloping surface over a ring in plan: height `mm` at `at`, rising by `slope` per millimetre. */
export interface Surface {
  ring: Ring;
  at: Point;
  mm: number;
  slope: Point;
  /** It rises by so much from one ray to the other about a point, in step with the angle. */
  fan?: { about: Point; from: Point; to: Point; byMm: number };
  /** What it is, in words: `the flight above`. */
  words: string;
}

const heightAt = ({ at, mm, slope, fan }: Surface, point: Point): number =>
  fan ? mm + fan.byMm * shareOfFan(fan, point) : mm + dot(minus(point, at), slope);

/** How far round a point is from one ray of a fan to the other. */
function shareOfFan({ about, from, to }: NonNullable<Surface['fan']>, point: Point): number {
  const [a, b, p] = [from, to, point].map((each) => minus(each, about)) as [Point, Point, Point];
  if (dot(p, p) < 1e-6) return 0;
  const degrees = (u: Point, v: Point) => Math.abs(directionDeg(u.x * v.y - u.y * v.x, dot(u, v)));
  return Math.min(1, degrees(a, p) / degrees(a, b));
}

export const flat = (ring: Ring, mm: number, words: string): Surface => ({
  ring,
  at: ring[0]!,
  mm,
  slope: { x: 0, y: 0 },
  words,
});

/** The underside of a piece that leans. */
export const leaning = (slant: Slant, words: string): Surface => ({
  ring: slant.map(({ x, y }) => ({ x, y })),
  ...planeOf(slant, 'bottomMm'),
  words,
});

/** Least height between a lower and an upper surface over some corners; both are even, so it is at a corner. */
export function leastOver(
  corners: readonly Point[],
  lower: Surface,
  upper: Surface,
): { mm: number; at: Point; lowMm: number } | null {
  let least: { mm: number; at: Point; lowMm: number } | null = null;
  for (const at of corners) {
    const lowMm = heightAt(lower, at);
    const mm = heightAt(upper, at) - lowMm;
    if (!least || mm < least.mm) least = { mm, at, lowMm };
  }
  return least;
}
