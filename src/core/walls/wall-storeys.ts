import { SLAB_THICKNESS } from '../floors/floor';
import type { Id } from '../model/ids';
import { keyOf, type Context } from '../passes/pass';
import { storeyPass, type Storey } from '../solving/building-passes';
import { following } from '../typical/typical';
import type { Wall } from './wall';
import type { Band } from './wall-chain';
import type { WallRun } from './wall-heights';
import { goesUpBeside } from './wall-pieces';
import { wallRecordPass } from './wall-plans';

/** The storeys of a wall that stands in one only: its own and those that follow it; null of others. */
export function ownStoreys(cx: Context, building: Id, { startsAt, stopsAt }: Wall): Storey[] | null {
  const own = cx.get(storeyPass, keyOf(building, startsAt.level));
  if (!own?.above || (stopsAt.level !== startsAt.level && stopsAt.level !== own.above.id)) return null;
  const followers = following(cx.framework).followersOf.get(startsAt.level) ?? [];
  return [own, ...followers.flatMap((level) => cx.get(storeyPass, keyOf(building, level)) ?? [])];
}

/** How high a wall may matter: one that goes up beside the slab over it is looked for there too. */
export function reachOf(cx: Context, building: Id, { wall, topMm }: WallRun): number {
  const record = cx.get(wallRecordPass, keyOf(building, wall));
  return record && goesUpBeside(record) ? topMm + SLAB_THICKNESS.atMostMm : topMm;
}
/** True for the same walls between the same heights, in the same order. */
export const areAlike = (a: readonly Band[], b: readonly Band[]): boolean =>
  a.length === b.length &&
  a.every(({ wall, type, bottomMm, topMm }, i) => {
    const other = b[i]!;
    return wall === other.wall && type === other.type && bottomMm === other.bottomMm && topMm === other.topMm;
  });
