import { contains } from '../geometry/polygon';
import type { Slant } from '../slants/slant';
import type { SolvedStair } from '../stairs/solved-stair';
import { topside, topOver } from './under-roof';

/**
 * Whether a stair goes out over a roof: the floor it arrives at lies higher than the roof where one steps off, or higher than all of
 * the roof over its well where the roof is not over that place.
 */
export function goesOut({ ring, storeys }: Pick<SolvedStair, 'ring' | 'storeys'>, slants: readonly Slant[]): boolean {
  const last = storeys.findLast(({ steps }) => steps);
  const mostMm = topOver(slants, ring);
  if (!last || mostMm === null) return false;
  const headMm = last.bottomMm + last.heightMm;
  const at = last.head?.at;
  const under = at && slants.find((slant) => contains(slant, at));
  return headMm > (at && under ? topside(under)(at) : mostMm);
}
