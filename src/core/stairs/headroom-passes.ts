import { bodiesPass } from '../bodies/body-passes';
import { checkStair } from '../checks/check-stairs';
import type { Finding } from '../checks/finding';
import { floorsPass } from '../floors/cut-floor-passes';
import { platesPass } from '../floors/floor-passes';
import { recordOf } from '../model/framework';
import { definePass } from '../passes/pass';
import { roofsOverPass } from '../pitched-roofs/pitched-roof-passes';
import { goesOut } from '../pitched-roofs/stairs-out';
import { levelNamesPass } from '../solving/building-passes';
import { withHeadroom, type SharedPlan } from './headroom';
import type { SolvedStair } from './solved-stair';
import { stairPass, stairsPass } from './stair-passes';

/** A stair with the headroom of each of its storeys, under slabs and under itself. */
const headroomPass = definePass<{ stair: SolvedStair | null; findings: readonly Finding[] }>({
  name: 'headroom of a stair',
  scope: 'thing',
  run: (cx, id) => {
    const { solved } = cx.get(stairPass, id);
    if (!solved) return { stair: null, findings: [] };
    const { building } = solved;
    const names = cx.get(levelNamesPass, building);
    const shared: SharedPlan = (key, ring) => cx.profiles.shared(key, ring);
    // A roof it goes out over is open over its well.
    const roofs = cx
      .get(roofsOverPass, building)
      .flatMap(({ isOwn, slants }) => (isOwn && goesOut(solved, slants) ? [] : slants));
    const over = { bodies: cx.get(bodiesPass, building), roofs };
    return withHeadroom(solved, cx.get(floorsPass, building), over, shared, names, (text, work) =>
      cx.remembered.of(text, work),
    );
  },
  failing: (cx, id) => {
    const { solved } = cx.get(stairPass, id);
    const building = recordOf(cx.framework, 'stair', id)?.building ?? '';
    const value = { stair: solved, findings: [] };
    return { what: `The headroom of stair ${solved?.name ?? ''}`, building, about: [id], value };
  },
});

/** Stairs with their headroom. */
export const finishedStairsPass = definePass({
  name: 'stairs with headroom',
  scope: 'building',
  gathers: true,
  run: (cx, building): readonly SolvedStair[] =>
    cx.get(stairsPass, building).flatMap(({ stair }) => cx.get(headroomPass, stair).stair ?? []),
});

export const headroomFindingsPass = definePass({
  name: 'findings of headroom',
  scope: 'building',
  run: (cx, building): readonly Finding[] => {
    const [plates, names] = [cx.get(platesPass, building), cx.get(levelNamesPass, building)];
    return cx
      .get(finishedStairsPass, building)
      .flatMap((stair) => [...cx.get(headroomPass, stair.stair).findings, ...checkStair(stair, plates, names)]);
  },
});
