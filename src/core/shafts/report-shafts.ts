import { z } from 'zod';
import type { Id } from '../model/ids';
import { defineRows, mm, row } from '../report/rows';

/** Its rows in the report. */
export const shaftRows = defineRows({
  key: 'shafts',
  row: z.strictObject({
    ...row,
    name: z.string(),
    purpose: z.string(),
    bottomMm: mm,
    topMm: mm,
    cuts: z.array(z.strictObject({ floor: z.string(), level: z.string() })),
    misses: z.array(z.strictObject({ floor: z.string(), level: z.string(), byMm: mm })),
  }),
  rows: (solved, { level }) => {
    const plateName = new Map<Id, string>(solved.floors.map(({ plate, name }) => [plate, name]));
    return solved.shafts.map((shaft) => ({
      id: shaft.shaft,
      building: shaft.building,
      name: shaft.name,
      purpose: shaft.purpose,
      bottomMm: shaft.bottomMm,
      topMm: shaft.topMm,
      cuts: shaft.cuts.map((cut) => ({ floor: plateName.get(cut.plate) ?? '', level: level(cut.level) })),
      misses: shaft.misses.map((miss) => ({
        floor: plateName.get(miss.plate) ?? '',
        level: level(miss.level),
        byMm: miss.byMm,
      })),
    }));
  },
});

declare module '../report/rows' {
  interface RowsOfKinds {
    shafts: typeof shaftRows;
  }
}
