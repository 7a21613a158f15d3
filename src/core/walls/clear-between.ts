import { cross, dot, lengthOf, minus, times, type Point } from '../geometry/point';
import type { WallPath } from './wall-path';

/** The clear width between two walls, measured square from the first straight part of one to that of the other; null if not parallel. */
export function clearBetween(a: WallPath | null, b: WallPath | null): { mm: number; towardsB: Point } | null {
  if (!a || !b) return null;
  const [p, q] = [a, b].map(({ points }) => minus(points[1]!, points[0]!)) as [Point, Point];
  if (Math.abs(cross(p, q)) > 1e-6 * lengthOf(p) * lengthOf(q)) return null;
  const left = times({ x: -p.y, y: p.x }, 1 / (lengthOf(p) || 1));
  const apart = dot(minus(b.points[0]!, a.points[0]!), left);
  // Faces of both, left of the first wall's path.
  const faces = (path: WallPath, way: number) => [path.leftOf(0) * way, path.leftOf(path.build.thicknessMm) * way];
  const own = faces(a, 1);
  const other = faces(b, dot(p, q) > 0 ? 1 : -1).map((mm) => mm + apart);
  const isLeft = apart > 0;
  const mm = isLeft ? Math.min(...other) - Math.max(...own) : Math.min(...own) - Math.max(...other);
  return { mm, towardsB: isLeft ? left : times(left, -1) };
}
