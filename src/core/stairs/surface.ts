import { dot, minus, type Point } from '../geometry/point';
import type { Ring } from '../geometry/polygon';

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

/** Least height between a lower and an upper surface over some corners; both are even, so it is at a corner. */
export function leastOver(corners: readonly Point[], lower: Surface, upper: Surface): { mm: number; at: Point } | null {
  let least: { mm: number; at: Point } | null = null;
  for (const at of corners) {
    const mm = heightAt(upper, at) - heightAt(lower, at);
    if (!least || mm < least.mm) least = { mm, at };
  }
  return least;
}
