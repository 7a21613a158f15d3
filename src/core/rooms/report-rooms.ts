import { z } from 'zod';
import { defineRows, mm, rounded, row } from '../report/rows';
import { heightClasses } from './under-slopes';
import { clearOver } from './clear-over';

/** Its rows in the report. */
export const roomRows = defineRows({
  key: 'rooms',
  row: z.strictObject({
    ...row,
    number: z
      .string()
      .describe('Empty, as name and use, where a closed region has no room yet; then the id is empty too'),
    name: z.string(),
    use: z.string(),
    level: z.string(),
    areaM2: z.number().describe('Within its walls, without columns and open shafts'),
    perimeterM: z.number().describe('Along its walls'),
    clearMm: mm
      .nullable()
      .describe('Least height from FFL to a ceiling, beam, slab or pitched roof over it; null where nothing is'),
    over1500M2: z.number().optional().describe('Under a pitched roof only: what of it is 1.5 m high and more'),
    over2300M2: z.number().optional().describe('The same at 2.3 m'),
  }),
  rows: (solved, { level }) => {
    const clear = clearOver(solved);
    return solved.rooms.map((region) => {
      const classes = heightClasses(solved, region);
      return {
        id: region.room ?? '',
        building: region.building,
        number: region.number,
        name: region.name,
        use: region.use,
        level: level(region.level),
        areaM2: rounded(region.netMm2 / 1e6, 6),
        perimeterM: rounded(region.perimeterMm / 1e3, 6),
        clearMm: clear(region),
        ...(classes && {
          over1500M2: rounded(classes.over1500Mm2 / 1e6, 6),
          over2300M2: rounded(classes.over2300Mm2 / 1e6, 6),
        }),
      };
    });
  },
});

declare module '../report/rows' {
  interface RowsOfKinds {
    rooms: typeof roomRows;
  }
}
