import { checkStoreysReached } from '../checks/check-stairs';
import type { Finding } from '../checks/finding';
import { platesPass } from '../floors/floor-passes';
import { called } from '../kinds/records';
import { recordOf, recordsOf } from '../model/framework';
import { definePass } from '../passes/pass';
import { flooredPass, ownRecords, storeysOf } from '../solving/building-passes';
import { solveStair } from './solve-stair';
import type { SolvedStair } from './solved-stair';

interface StairResult {
  solved: SolvedStair | null;
  findings: readonly Finding[];
}
const NOTHING: StairResult = { solved: null, findings: [] };

/** A stair through its storeys, before its headroom is known. */
export const stairPass = definePass<StairResult>({
  name: 'stair',
  scope: 'thing',
  run: (cx, id) => {
    const stair = recordOf(cx.framework, 'stair', id);
    if (!stair) return NOTHING;
    const { building } = stair;
    const levels = { storeys: storeysOf(cx, building), floored: cx.get(flooredPass, building) };
    return solveStair(cx.framework, stair, levels, cx.get(platesPass, building), cx.facts, (text, work) =>
      cx.remembered.of(text, work),
    );
  },
  failing: ({ framework }, id) => {
    const stair = recordOf(framework, 'stair', id);
    return { what: stair ? called(stair) : 'A stair', building: stair?.building ?? '', about: [id], value: NOTHING };
  },
});

export const stairsPass = definePass({
  name: 'stairs',
  scope: 'building',
  gathers: true,
  run: (cx, building): readonly SolvedStair[] =>
    ownRecords(recordsOf(cx.framework, 'stair'), building).flatMap(({ id }) => cx.get(stairPass, id).solved ?? []),
});

export const stairFindingsPass = definePass({
  name: 'findings of stairs',
  scope: 'building',
  run: (cx, building): readonly Finding[] => [
    ...ownRecords(recordsOf(cx.framework, 'stair'), building).flatMap(({ id }) => cx.get(stairPass, id).findings),
    ...checkStoreysReached(cx.get(stairsPass, building), storeysOf(cx, building)),
  ],
});
