import { mmOf } from '../dimensions/resolve-length';
import { platesPass } from '../floors/floor-passes';
import type { Id } from '../model/ids';
import { keyOf, type Context } from '../passes/pass';
import { storeyPass, type Storey } from '../solving/building-passes';
import { following } from '../typical/typical';
import type { Wall } from './wall';
import type { Band } from './wall-chain';
import { runInStorey, type WallPart } from './wall-heights';
import type { WallPlan } from './wall-plans';

/** The storeys of a wall that stands in one only: its own and those that follow it; null of others. */
function ownStoreys(cx: Context, building: Id, { startsAt, stopsAt }: Wall): Storey[] | null {
  const own = cx.get(storeyPass, keyOf(building, startsAt.level));
  if (!own?.above || (stopsAt.level !== startsAt.level && stopsAt.level !== own.above.id)) return null;
  const followers = following(cx.framework).followersOf.get(startsAt.level) ?? [];
  return [own, ...followers.flatMap((level) => cx.get(storeyPass, keyOf(building, level)) ?? [])];
}

const known = new WeakMap<WallPlan, WeakMap<Storey, { fromMm: number; toMm: number; part: WallPart | null }>>();

/**
 * Where a wall stands in its own storeys; null where more has to be known. A storey that is the same object as before is not asked
 * again: the slabs the wall meets are part of its plan.
 */
export function partsInOwnStoreys(cx: Context, building: Id, plan: WallPlan): WallPart[] | null {
  const { record } = plan;
  const plates = cx.get(platesPass, building);
  const [fromMm, toMm] = [record.startsAt, record.stopsAt].map(({ offsetMm }) => mmOf(cx.framework, offsetMm)) as [
    number,
    number,
  ];
  let parts = known.get(plan);
  if (!parts) known.set(plan, (parts = new WeakMap()));
  const found: WallPart[] = [];
  for (const storey of ownStoreys(cx, building, record) ?? [null]) {
    let before = storey && parts.get(storey);
    if (storey && (before?.fromMm !== fromMm || before.toMm !== toMm)) {
      const { strips, under } = plan;
      const part = runInStorey({ record, strips, under, plates, facts: cx.facts, fromMm, toMm }, storey);
      parts.set(storey, (before = { fromMm, toMm, part }));
    }
    if (!before?.part) return null;
    found.push(before.part);
  }
  return found;
}

/** True for the same walls between the same heights, in the same order. */
export const areAlike = (a: readonly Band[], b: readonly Band[]): boolean =>
  a.length === b.length &&
  a.every(({ wall, type, bottomMm, topMm }, i) => {
    const other = b[i]!;
    return wall === other.wall && type === other.type && bottomMm === other.bottomMm && topMm === other.topMm;
  });
