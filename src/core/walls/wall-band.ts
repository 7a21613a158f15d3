import { platesPass } from '../floors/floor-passes';
import type { Id } from '../model/ids';
import { definePass, keyOf, partsOf, type Pass } from '../passes/pass';
import { fflPass, storeyPass, storeysOf } from '../solving/building-passes';
import { quantiseMm } from '../units/length-units';
import type { Band, WallChain } from './wall-chain';
import type { WallRun } from './wall-heights';
import { standingPass } from './walls-standing';
import { areAlike } from './wall-storeys';

/** True where some wall of a building stops at ceilings. */
export const stopsAtCeilingsPass = definePass({
  name: 'whether walls stop at ceilings',
  scope: 'building',
  run: (cx, building): boolean => cx.get(standingPass, building).some(({ stopsAt }) => stopsAt.face === 'ceiling'),
});

/** How thick slabs of a level are at most, mm. */
const thickestSlabPass = definePass({
  name: 'thickest slab of a level',
  scope: 'level',
  run: (cx, key): number => {
    const [building, level] = partsOf(key);
    return Math.max(
      0,
      ...cx
        .get(platesPass, building)
        .at(level)
        .map(({ thicknessMm }) => thicknessMm),
    );
  },
});

/**
 * What stands between the floor of each storey and the next, of its own walls and those of others, from its FFL. `at`: the walls of a
 * storey; `first`: the chain before, where there is one.
 */
export function bandPassOf(
  suffix: string,
  at: Pass<readonly WallRun[]>,
  first: WallChain | null,
): Pass<readonly Band[]> {
  /** Lowest and highest of the walls of a storey, and those that pass slabs, from its FFL. */
  const span = definePass({
    name: `heights of walls of a storey${suffix}`,
    scope: 'level',
    run: (cx, key) => {
      const passing: Band[] = [];
      let [bottomMm, topMm] = [Infinity, -Infinity];
      for (const run of cx.get(at, key))
        if (run.passes) passing.push({ wall: run.wall, type: run.type, bottomMm: run.bottomMm, topMm: run.topMm });
        else [bottomMm, topMm] = [Math.min(bottomMm, run.bottomMm), Math.max(topMm, run.reachMm)];
      return { bottomMm, topMm, passing };
    },
  });
  /** The same of all storeys, in the building's heights. */
  const spans = definePass({
    name: `heights of walls${suffix}`,
    scope: 'building',
    run: (cx, building) => {
      const levels: { level: Id; bottomMm: number; topMm: number }[] = [];
      const passing: Band[] = [];
      for (const { id: level, fflMm } of storeysOf(cx, building)) {
        const { bottomMm, topMm, passing: own } = cx.get(span, keyOf(building, level));
        const up = (mm: number) => fflMm + mm;
        passing.push(...own.map((run) => ({ ...run, bottomMm: up(run.bottomMm), topMm: up(run.topMm) })));
        if (topMm > bottomMm) levels.push({ level, bottomMm: up(bottomMm), topMm: up(topMm) });
      }
      return { levels, passing };
    },
  });
  /** Storeys whose walls stand beside a storey too, with how much higher their FFL lies, and walls that pass slabs there; from its FFL. */
  const beside = definePass({
    name: `storeys beside a storey${suffix}`,
    scope: 'level',
    run: (cx, key) => {
      const [building, level] = partsOf(key);
      const zeroMm = cx.get(fflPass, key);
      // What begins on the floor over it hides the edge of that too.
      const storeyMm = (cx.get(storeyPass, key)?.above?.fflMm ?? 3000) + 1;
      const { levels, passing } = cx.get(spans, building);
      const own = levels.find((each) => each.level === level);
      const bottomMm = quantiseMm(Math.min(zeroMm, own?.bottomMm ?? Infinity) - zeroMm);
      const topMm = quantiseMm(Math.max(zeroMm + storeyMm, own?.topMm ?? -Infinity) - zeroMm);
      const here = (mm: number) => quantiseMm(mm - zeroMm);
      const meets = (low: number, high: number) => low < topMm && high > bottomMm;
      return {
        bottomMm,
        topMm,
        passing: passing
          .map((each): Band => ({ ...each, bottomMm: here(each.bottomMm), topMm: here(each.topMm) }))
          .filter((each) => meets(each.bottomMm, each.topMm)),
        levels: levels
          .filter((each) => meets(here(each.bottomMm), here(each.topMm)))
          .map((each) => ({ level: each.level, shiftMm: here(cx.get(fflPass, keyOf(building, each.level))) })),
      };
    },
  });
  return definePass<readonly Band[]>({
    name: `what stands in a storey${suffix}`,
    scope: 'level',
    run: (cx, key) => {
      const [building] = partsOf(key);
      if (first && !cx.get(stopsAtCeilingsPass, building)) return cx.get(first.band, key);
      const { bottomMm, topMm, passing, levels } = cx.get(beside, key);
      const found: Band[] = [...passing];
      // What comes up from below is cut off where nobody asks any more: under the slab.
      const lowestMm = bottomMm - cx.get(thickestSlabPass, key) - 1;
      for (const { level, shiftMm } of levels)
        for (const run of cx.get(at, keyOf(building, level))) {
          if (run.passes) continue;
          const low = quantiseMm(run.bottomMm + shiftMm);
          if (low >= topMm || quantiseMm(run.reachMm + shiftMm) <= bottomMm) continue;
          const high = quantiseMm(run.topMm + shiftMm);
          const bottom = Math.max(low, Math.min(lowestMm, high));
          found.push({ wall: run.wall, type: run.type, bottomMm: bottom, topMm: high });
        }
      const before = first ? cx.get(first.band, key) : found;
      return areAlike(before, found) ? before : found;
    },
  });
}
