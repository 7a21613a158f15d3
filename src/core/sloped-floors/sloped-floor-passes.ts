import { finding, fixBy, type Finding } from '../checks/finding';
import { platesPass } from '../floors/floor-passes';
import { called } from '../kinds/records';
import { recordOf, recordsOf } from '../model/framework';
import { definePass } from '../passes/pass';
import type { Assembly } from '../slants/assembly';
import { flooredPass, ownRecords } from '../solving/building-passes';
import { checkSlopedFloor } from './check-sloped-floors';
import { UNSOUND } from './sloped-floor-rules';
import { solveSlopedFloor } from './solve-sloped-floor';

const slopedFloorPass = definePass<Assembly<'slopedFloor'> | null>({
  name: 'sloped floor',
  scope: 'thing',
  run: ({ framework }, id) => {
    const floor = recordOf(framework, 'slopedFloor', id);
    return floor ? solveSlopedFloor(framework, floor) : null;
  },
  failing: ({ framework }, id) => {
    const floor = recordOf(framework, 'slopedFloor', id);
    return {
      what: floor ? called(floor) : 'A sloped floor',
      building: floor?.building ?? '',
      about: [id],
      value: null,
    };
  },
});

export const slopedFloorsPass = definePass({
  name: 'sloped floors',
  scope: 'building',
  gathers: true,
  run: (cx, building): readonly Assembly[] =>
    ownRecords(recordsOf(cx.framework, 'slopedFloor'), building).flatMap(({ id }) => cx.get(slopedFloorPass, id) ?? []),
});

export const slopedFloorFindingsPass = definePass({
  name: 'findings of sloped floors',
  scope: 'building',
  run: (cx, building): readonly Finding[] => {
    const plates = cx.get(platesPass, building);
    return ownRecords(recordsOf(cx.framework, 'slopedFloor'), building).flatMap((floor) => {
      const made = cx.get(slopedFloorPass, floor.id);
      const { level } = floor.baseAt;
      if (!made) {
        const words = `The outline of sloped floor ${floor.name} crosses itself or encloses nothing. Draw it again, or delete it`;
        const fix = fixBy('Delete it', 'elements.remove', { ids: [floor.id] });
        return [finding(UNSOUND, building, level, [floor.id], words, [fix])];
      }
      const fflMm = cx.get(flooredPass, building).find(({ id }) => id === level)?.fflMm ?? 0;
      const beside = plates.at(level).flatMap((plate) => (plate.ring ? [{ plate, ring: plate.ring, fflMm }] : []));
      return checkSlopedFloor(floor, made, beside);
    });
  },
});
