import { minus, plus, quantised, times, lengthOf } from '../geometry/point';
import { counterClockwise, type Ring } from '../geometry/polygon';
import type { PlanFacts } from '../solving/plan-facts';
import type { SolvedLine } from '../solving/solved';

/** The gap of a movement joint: a strip that is no slab, where both its lines are there. */
export interface Joint {
  ring: Ring;
  lowMm: number | null;
  highMm: number | null;
}

/** A joint that runs through parts the slab beyond the ends of its lines too; mm. */
const BEYOND_MM = 50_000;

export function jointsOf(lines: readonly SolvedLine[], facts: PlanFacts): Joint[] {
  return lines.flatMap((line) => {
    const other = line.jointOf === null ? undefined : lines.find(({ id }) => id === line.jointOf);
    if (!other) return [];
    const along = (one: SolvedLine) => {
      const [from, to] = one.ends;
      const way = minus(to, from);
      const by = times(way, (one.side === 'both' ? BEYOND_MM : 0) / (lengthOf(way) || 1));
      return [minus(from, by), plus(to, by)] as const;
    };
    const [[a, b], [c, d]] = [along(other), along(line)];
    const ring = facts.one(counterClockwise([a, b, d, c].map(quantised)));
    return { ring, lowMm: line.lowMm, highMm: line.highMm };
  });
}
