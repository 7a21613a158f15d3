import { distance, plus, minus, times, type Point } from '../geometry/point';
import type { Slant } from '../slants/slant';

/** Where undersides of pieces pass a height, in plan: a line in each piece that does. */
export function heightLines(slants: readonly Slant[], mm: number): [Point, Point][] {
  return slants.flatMap((slant): [Point, Point][] => {
    const meets = slant.flatMap((a, i): Point[] => {
      const b = slant[(i + 1) % slant.length]!;
      if (a.bottomMm > mm === b.bottomMm > mm) return [];
      const way = minus({ x: b.x, y: b.y }, { x: a.x, y: a.y });
      return [plus({ x: a.x, y: a.y }, times(way, (mm - a.bottomMm) / (b.bottomMm - a.bottomMm)))];
    });
    const [from, to] = meets;
    return from && to && distance(from, to) > 1 ? [[from, to]] : [];
  });
}
