import { sharedByRegions, type Region } from '../geometry/boolean';
import { distance, dot, minus, times } from '../geometry/point';
import type { Ring } from '../geometry/polygon';
import { stripsOf, type WallPath } from './wall-path';

/** A stretch of a wall's path, from its start, mm. */
export type Stretch = readonly [fromMm: number, toMm: number];

/** What ends at a wall's face is under it too: its strips are this much wider, mm. */
const BESIDE_MM = 2;

/** The wall's straight parts a little wider, with where each begins along the path. */
export function widerParts(path: WallPath): { ring: Ring; startMm: number; lengthMm: number; i: number }[] {
  const { points } = path;
  let startMm = 0;
  return stripsOf(path, -BESIDE_MM, path.build.thicknessMm + BESIDE_MM).map((ring, i) => {
    const lengthMm = distance(points[i]!, points[(i + 1) % points.length]!);
    const part = { ring, startMm, lengthMm, i };
    startMm += lengthMm;
    return part;
  });
}

/** The stretches of one straight part of a path that have any of some regions under them, from the part's start. */
export function stretchesOver(path: WallPath, i: number, ring: Ring, regions: readonly Region[]): Stretch[] {
  const { points } = path;
  const [from, to] = [points[i]!, points[(i + 1) % points.length]!];
  const lengthMm = distance(from, to);
  const along = times(minus(to, from), 1 / lengthMm);
  return sharedByRegions([{ outer: ring, holes: [] }], regions).regions.map(({ outer }): Stretch => {
    // A region is in one piece, so what it covers of the path is in one stretch.
    const at = outer.map((point) => dot(minus(point, from), along));
    return [Math.max(0, Math.min(...at)), Math.min(lengthMm, Math.max(...at))];
  });
}

/** What is left of a length between stretches; gaps less than `leastMm` are none. */
export function gapsBetween(lengthMm: number, stretches: readonly Stretch[], leastMm: number): Stretch[] {
  const gaps: Stretch[] = [];
  let reachedMm = 0;
  const upTo = (fromMm: number) => {
    if (fromMm - reachedMm >= leastMm) gaps.push([reachedMm, fromMm]);
  };
  for (const [from, to] of [...stretches].sort((a, b) => a[0] - b[0])) {
    upTo(from);
    reachedMm = Math.max(reachedMm, to);
  }
  upTo(lengthMm);
  return gaps;
}
