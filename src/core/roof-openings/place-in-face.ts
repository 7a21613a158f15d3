import { distance, dot, minus, times, type Point } from '../geometry/point';
import { contains } from '../geometry/polygon';
import type { PitchedRoofInfo } from '../pitched-roofs/solve-pitched-roof';
import { left } from '../roof-planes/edges';

/** Where a place in plan lies in a face of a roof: its edge, along that and in from it; null: in none. */
export function placeInFace(
  { footprint, faces }: Pick<PitchedRoofInfo, 'footprint' | 'faces'>,
  at: Point,
): { edge: number; alongMm: number; upMm: number } | null {
  const face = faces.find(({ points }) => contains(points, at));
  const sides = footprint.flatMap((ring) => ring.map((from, i) => ({ from, to: ring[(i + 1) % ring.length]! })));
  const side = face && sides[face.edge];
  if (!face || !side) return null;
  const along = times(minus(side.to, side.from), 1 / distance(side.from, side.to));
  const way = minus(at, side.from);
  return { edge: face.edge, alongMm: dot(way, along), upMm: Math.abs(dot(way, left(along))) };
}
