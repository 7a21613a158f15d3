import { dot, minus, type Point } from '../geometry/point';
import { counterClockwise, type Ring } from '../geometry/polygon';

/** A flat or evenly sloping surface over a ring in plan: height `mm` at `at`, rising by `slope` per millimetre. */
export interface Surface {
  ring: Ring;
  at: Point;
  mm: number;
  slope: Point;
  /** What it is, in words: `the flight above`. */
  words: string;
}

const heightAt = ({ at, mm, slope }: Surface, point: Point): number => mm + dot(minus(point, at), slope);

export const flat = (ring: Ring, mm: number, words: string): Surface => ({
  ring,
  at: ring[0]!,
  mm,
  slope: { x: 0, y: 0 },
  words,
});

/** A triangle through three corners with heights; none where they lie on one line. */
export function triangle(a: Corner, b: Corner, c: Corner, words: string): Surface[] {
  const [u, v] = [minus(b.at, a.at), minus(c.at, a.at)];
  const area = u.x * v.y - u.y * v.x;
  if (Math.abs(area) < 1) return [];
  const [du, dv] = [b.mm - a.mm, c.mm - a.mm];
  const slope = { x: (du * v.y - dv * u.y) / area, y: (dv * u.x - du * v.x) / area };
  return [{ ring: counterClockwise([a.at, b.at, c.at]), at: a.at, mm: a.mm, slope, words }];
}
interface Corner {
  at: Point;
  mm: number;
}

/** Least height between a lower and an upper surface over some corners; both are even, so it is at a corner. */
export function leastOver(corners: readonly Point[], lower: Surface, upper: Surface): { mm: number; at: Point } | null {
  let least: { mm: number; at: Point } | null = null;
  for (const at of corners) {
    const mm = heightAt(upper, at) - heightAt(lower, at);
    if (!least || mm < least.mm) least = { mm, at };
  }
  return least;
}
