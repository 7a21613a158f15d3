import { ringGap, type Ring } from '../geometry/polygon';
import type { Id } from '../model/ids';
import type { PlanFacts } from '../passes/plan-facts';
import type { CeilingOver } from '../walls/wall-heights';
import type { CeilingPiece } from './solved-ceiling';

/** True if a wall's strip touches a region or lies in it: regions end at walls, to a hair. */
export const touches = (strip: Ring, region: Ring, facts: PlanFacts): boolean =>
  facts.meet(strip, region) || facts.gap(strip, region, () => ringGap(strip, region)) < 0.1;

/** How walls find the ceiling they stop at: the lowest that meets them in plan, of those of a storey. */
export function ceilingOver(ceilingsAt: (storey: Id) => readonly CeilingPiece[], facts: PlanFacts): CeilingOver {
  return (storey, strips) => {
    const met = ceilingsAt(storey).filter(({ ring }) => strips.some((strip) => touches(strip, ring, facts)));
    return met.length === 0 ? null : Math.min(...met.map(({ bottomMm }) => bottomMm));
  };
}
