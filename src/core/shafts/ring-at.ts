import type { Ring } from '../geometry/polygon';
import type { SolvedShaft } from '../solving/solved';

/** A shaft's outline at a height; at its ends that of its first or last stretch. */
export function shaftRingAt({ stages, ring }: SolvedShaft, mm: number): Ring {
  return stages.find(({ bottomMm, topMm }) => mm >= bottomMm && mm < topMm)?.ring ?? stages.at(-1)?.ring ?? ring;
}
