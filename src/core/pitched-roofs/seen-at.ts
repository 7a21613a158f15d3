import type { Assembly } from '../slants/assembly';
import type { Solved, SolvedLevel } from '../solving/solved';

/** How a roof is seen in the plan of a level: from above on the topmost one, from below where it lies over it; null: not at all. */
export function seenAt(
  { building, topMm, bottomMm }: Assembly<'pitchedRoof'>,
  { levels }: Solved,
  shown: SolvedLevel,
): 'above' | 'below' | null {
  if (building !== shown.building) return null;
  const higher = levels.filter((each) => each.building === building && each.bounding && each.fflMm > shown.fflMm);
  if (higher.length === 0) return 'above';
  const next = Math.min(...higher.map(({ fflMm }) => fflMm));
  // The topmost storey has it over it, however high its knee wall is.
  return topMm > shown.fflMm && (higher.length === 1 || bottomMm < next + 1) ? 'below' : null;
}
