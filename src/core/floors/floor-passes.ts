import { called } from '../kinds/records';
import { recordOf, recordsOf } from '../model/framework';
import { definePass, keyOf, partsOf } from '../passes/pass';
import { roofSlab } from '../roofs/roof-parts';
import { flooredPass, ownRecords, storeysOf } from '../solving/building-passes';
import type { FloorPlate } from './floor';
import { PlateSet, resolvePlate, type Plate } from './plates';

/** Slabs of floors and roofs, by building. */
export const slabsPass = definePass({
  name: 'slabs',
  scope: 'building',
  run: ({ framework }, building): readonly FloorPlate[] => [
    ...ownRecords(recordsOf(framework, 'floorPlate'), building),
    ...ownRecords(recordsOf(framework, 'roof'), building).map((roof) => roofSlab(framework, roof)),
  ],
});

/** A slab before its holes, in as many parts as it differs by level; by its id. */
export const slabPass = definePass<Plate[]>({
  name: 'slab before its holes',
  scope: 'thing',
  run: (cx, key) => {
    const [building, id] = partsOf(key);
    const { framework, facts } = cx;
    const roof = recordOf(framework, 'roof', id);
    const record = roof ? roofSlab(framework, roof) : recordOf(framework, 'floorPlate', id);
    if (!record) return [];
    return resolvePlate(framework, record, storeysOf(cx, building), cx.get(flooredPass, building), facts);
  },
  failing: ({ framework }, key) => {
    const [building, id] = partsOf(key);
    const record = framework.records.get(id);
    return { what: record ? called(record) : 'A floor', building, about: [id], value: [] };
  },
});

/** The slabs of a building before their holes. */
export const platesPass = definePass({
  name: 'slabs before their holes',
  scope: 'building',
  run: (cx, building): PlateSet =>
    new PlateSet(cx.get(slabsPass, building).flatMap(({ id }) => cx.get(slabPass, keyOf(building, id)))),
});
