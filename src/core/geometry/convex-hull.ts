import { cross, minus, type Point } from './point';

/** The least convex outline about some points, counter-clockwise; corners on a straight side are left out. */
export function convexHull(points: readonly Point[]): Point[] {
  const sorted = [...points].sort((a, b) => a.x - b.x || a.y - b.y);
  const half = (ordered: readonly Point[]): Point[] => {
    const side: Point[] = [];
    for (const point of ordered) {
      while (side.length > 1 && cross(minus(side.at(-1)!, side.at(-2)!), minus(point, side.at(-1)!)) <= 1e-9)
        side.pop();
      side.push(point);
    }
    return side.slice(0, -1);
  };
  return sorted.length < 3 ? sorted : [...half(sorted), ...half([...sorted].reverse())];
}
