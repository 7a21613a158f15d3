import type { Point } from '../geometry/point';
import type { Primitive } from './drawing';

const samePoints = (a: readonly Point[], b: readonly Point[]): boolean =>
  a === b || (a.length === b.length && a.every(({ x, y }, i) => x === b[i]!.x && y === b[i]!.y));

/** True where two primitives draw the same: what is drawn anew of an unchanged thing needs no painting. */
export function samePrimitive(a: Primitive, b: Primitive): boolean {
  if (a === b) return true;
  if (a.type !== b.type || a.style !== b.style || a.id !== b.id) return false;
  if (a.type === 'path' && b.type === 'path') return a.closed === b.closed && samePoints(a.points, b.points);
  if (a.type === 'area' && b.type === 'area')
    return a.rings.length === b.rings.length && a.rings.every((ring, i) => samePoints(ring, b.rings[i]!));
  return JSON.stringify(a) === JSON.stringify(b);
}
