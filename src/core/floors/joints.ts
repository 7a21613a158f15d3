import { minus, plus, quantised, times, lengthOf, type Point } from '../geometry/point';
import { bounds, counterClockwise, type Ring } from '../geometry/polygon';
import type { SolvedLine } from '../solving/solved';

/** The gap of a movement joint: what lies between its two lines is no slab, where both are there. */
export interface Joint {
  lines: readonly [readonly [Point, Point], readonly [Point, Point]];
  /** True where it parts the slab right through, beyond the ends of its lines too. */
  isThrough: boolean;
  lowMm: number | null;
  highMm: number | null;
}

export function jointsOf(lines: readonly SolvedLine[]): Joint[] {
  return lines.flatMap((line) => {
    const other = line.jointOf === null ? undefined : lines.find(({ id }) => id === line.jointOf);
    if (!other) return [];
    const { lowMm, highMm } = line;
    return [{ lines: [other.ends, line.ends] as const, isThrough: line.side === 'both', lowMm, highMm }];
  });
}

/** The strip a joint takes from a slab: a ring that reaches past the slab's edges where the joint goes right through. */
export function jointRing(joint: Joint, slab: Ring): Ring {
  const box = bounds(slab);
  const beyond = joint.isThrough ? lengthOf({ x: box.maxX - box.minX, y: box.maxY - box.minY }) : 0;
  const [[a, b], [c, d]] = joint.lines.map(([from, to]) => {
    const way = minus(to, from);
    const by = times(way, beyond / (lengthOf(way) || 1));
    return [minus(from, by), plus(to, by)] as const;
  }) as [[Point, Point], [Point, Point]];
  return counterClockwise([a, b, d, c].map(quantised));
}
