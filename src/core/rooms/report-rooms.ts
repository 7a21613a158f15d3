import { z } from 'zod';
import { defineRows, mm, rounded, row } from '../report/rows';
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
    clearMm: mm.nullable().describe('Least height from FFL to a ceiling, beam or slab over it; null where nothing is'),
  }),
  rows: (solved, { level }) => {
    const clear = clearOver(solved);
    return solved.rooms.map((region) => ({
      id: region.room ?? '',
      building: region.building,
      number: region.number,
      name: region.name,
      use: region.use,
      level: level(region.level),
      areaM2: rounded(region.netMm2 / 1e6, 6),
      perimeterM: rounded(region.perimeterMm / 1e3, 6),
      clearMm: clear(region),
    }));
  },
});

declare module '../report/rows' {
  interface RowsOfKinds {
    rooms: typeof roomRows;
  }
}
