import type { Finding } from '../checks/finding';
import { doorsAtPass } from '../escape/escape-passes';
import { platesPass } from '../floors/floor-passes';
import type { Ring } from '../geometry/polygon';
import { called } from '../kinds/records';
import { recordOf, recordsOf } from '../model/framework';
import type { Id } from '../model/ids';
import { definePass, keyOf, type Context } from '../passes/pass';
import { fflPass, ownRecords, storeysOf } from '../solving/building-passes';
import type { SolvedShaft } from '../solving/solved';
import { typedPlanPass } from '../walls/wall-plans';
import { wallsBefore } from '../walls/wall-passes';
import { checkLift, isBeside, type StopAt, type WallAlong } from './check-lifts';
import { shaftRingAt } from './ring-at';
import { shaftPass } from './shaft-passes';

/** Walls are looked for this far over the floor, mm. */
const LOOK_MM = 1000;

function wallsBeside(cx: Context, building: Id, level: Id, ring: Ring): WallAlong[] {
  return cx
    .get(wallsBefore.band, keyOf(building, level))
    .filter(({ bottomMm, topMm }) => bottomMm < LOOK_MM && topMm > LOOK_MM)
    .flatMap(({ wall, type }) => {
      const plan = cx.get(typedPlanPass, keyOf(building, wall, type));
      if (!plan || !isBeside(plan.strips, ring)) return [];
      const { path, strips, record } = plan;
      return [{ wall, name: record.name, strips, points: path.points, closed: path.closed }];
    });
}

const stopsOf = (cx: Context, shaft: SolvedShaft, stops: readonly Id[]): StopAt[] =>
  storeysOf(cx, shaft.building)
    .filter(({ id }) => stops.includes(id))
    .map((level) => {
      const key = keyOf(shaft.building, level.id);
      const ring = shaftRingAt(shaft, cx.get(fflPass, key) + LOOK_MM);
      return {
        level,
        ring,
        slabs: cx
          .get(platesPass, shaft.building)
          .at(level.id)
          .flatMap((plate) => (plate.ring ? [plate.ring] : [])),
        doors: cx.get(doorsAtPass, key),
        walls: wallsBeside(cx, shaft.building, level.id, ring),
      };
    });

const liftPass = definePass<readonly Finding[]>({
  name: 'lift',
  scope: 'thing',
  run: (cx, id) => {
    const { solved } = cx.get(shaftPass, id);
    return solved?.lift ? checkLift(solved, solved.lift, stopsOf(cx, solved, solved.lift.stops)) : [];
  },
  failing: ({ framework }, id) => {
    const shaft = recordOf(framework, 'shaft', id);
    return {
      what: shaft ? `The lift of ${called(shaft)}` : 'A lift',
      building: shaft?.building ?? '',
      about: [id],
      value: [],
    };
  },
});

/** What is wrong with the lifts of a building. */
export const liftFindingsPass = definePass({
  name: 'findings of lifts',
  scope: 'building',
  gathers: true,
  run: (cx, building): readonly Finding[] =>
    ownRecords(recordsOf(cx.framework, 'shaft'), building).flatMap(({ id }) => cx.get(liftPass, id)),
});
