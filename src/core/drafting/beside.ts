import { endsOf } from '../geometry/curve';
import { cross, dot, lengthOf, minus, plus, times, type Point } from '../geometry/point';
import type { Ring } from '../geometry/polygon';
import type { Id } from '../model/ids';
import type { MarkEdge, PlanMarks } from './plan-marks';

/** How far a thing is from what stands next to it one way, in building axes, mm. */
export interface Beside {
  from: Point;
  to: Point;
  mm: number;
  /** What stands there: `face of wall W12`. */
  words: string;
  /** Of length 1. */
  way: Point;
  /** The side or line met. */
  met: MarkEdge;
}

/** Nearer than this it touches: there is nothing to tell, mm. */
const TOUCHES_MM = 1;
/** Farther than this nothing stands next to it, mm. */
const FAR_MM = 30_000;

/**
 * Distances from a thing to the nearest side or line each way, from the middle of its side there. What is its own, or only ends
 * beside the ray, is not met.
 */
export function besideOf(marks: PlanMarks, id: Id, ring: Ring, ways: readonly Point[]): Beside[] {
  return ways.flatMap((way): Beside[] => {
    const across = { x: -way.y, y: way.x };
    const reach = (along: Point) => ring.map((point) => dot(point, along));
    const [low, high] = [Math.min(...reach(across)), Math.max(...reach(across))];
    const from = plus(times(way, Math.max(...reach(way))), times(across, (low + high) / 2));
    let best: { mm: number; met: MarkEdge } | null = null;
    for (const met of marks.edges) {
      const { curve, of } = met;
      if (of === id || curve.kind !== 'segment') continue;
      const mm = along(from, way, endsOf(curve));
      if (mm === null || mm < TOUCHES_MM || mm > FAR_MM || (best && mm >= best.mm)) continue;
      best = { mm, met };
    }
    return best
      ? [{ from, to: plus(from, times(way, best.mm)), mm: best.mm, words: best.met.words, way, met: best.met }]
      : [];
  });
}

/** How far along a ray it meets a segment; null where it does not. */
function along(from: Point, way: Point, [a, b]: readonly [Point, Point]): number | null {
  const side = minus(b, a);
  const area = cross(way, side);
  if (Math.abs(area) < 1e-9 * lengthOf(side)) return null;
  const t = cross(minus(a, from), side) / area;
  const s = cross(minus(a, from), way) / area;
  return t > 0 && s >= 0 && s <= 1 ? t : null;
}
