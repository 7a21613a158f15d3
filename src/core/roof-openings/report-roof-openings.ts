import { z } from 'zod';
import { ringArea } from '../geometry/polygon';
import { recordOf } from '../model/framework';
import { defineRows, mm, row, rounded } from '../report/rows';
import { assembliesOf } from '../slants/assembly';
import { ROOF_OPENINGS } from './roof-opening';
import { glassMm2 } from './solve-roof-opening';

/** Its rows in the report. */
export const roofOpeningRows = defineRows({
  key: 'roofOpenings',
  row: z.strictObject({
    ...row,
    name: z.string(),
    roof: z.string(),
    is: z.enum(ROOF_OPENINGS),
    level: z.string(),
    frontMm: mm.describe('Height of the roof’s top at its front'),
    topMm: mm.describe('Of its own highest place'),
    openM2: z.number().describe('What it takes out of the roof, in plan'),
    glassM2: z.number(),
  }),
  rows: ({ assemblies }, { framework, level }) =>
    assembliesOf(assemblies, 'roofOpening').map(({ thing, building, name, level: at, topMm, info }) => ({
      id: thing,
      building,
      name,
      roof: recordOf(framework, 'pitchedRoof', info.roof)?.name ?? '',
      is: info.is,
      level: level(at),
      frontMm: info.frontMm,
      topMm,
      openM2: rounded(Math.abs(ringArea(info.hole)) / 1e6, 6),
      glassM2: rounded(glassMm2(info) / 1e6, 6),
    })),
});

declare module '../report/rows' {
  interface RowsOfKinds {
    roofOpenings: typeof roofOpeningRows;
  }
}
