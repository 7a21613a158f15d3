import { z } from 'zod';
import { defineRows, row, rounded } from '../report/rows';
import { assembliesOf } from '../slants/assembly';

/** Its rows in the report. */
export const slopedFloorRows = defineRows({
  key: 'slopedFloors',
  row: z.strictObject({
    ...row,
    name: z.string(),
    level: z.string(),
    faces: z.array(
      z.strictObject({
        slopeRatio: z.number().nullable().describe('Run per rise where it is steepest; null where it lies level'),
        fallDeg: z.number().nullable().describe('The way it falls, counter-clockwise from x; null where it lies level'),
        areaM2: z.number().describe('Of the face itself'),
      }),
    ),
    steepest: z.number().nullable().describe('Run per rise of the steepest face; null where all lie level'),
    along: z.number().nullable().describe('The same along the way one goes; null where none is said'),
    across: z.number().nullable().describe('The same across it'),
  }),
  rows: ({ assemblies }, { level }) =>
    assembliesOf(assemblies, 'slopedFloor').map(({ thing, building, name, level: at, info }) => ({
      id: thing,
      building,
      name,
      level: level(at),
      faces: info.faces.map(({ slopeRatio, fallDeg, areaM2 }) => ({
        slopeRatio,
        fallDeg,
        areaM2: rounded(areaM2, 6),
      })),
      steepest: info.steepest,
      along: info.along,
      across: info.across,
    })),
});

declare module '../report/rows' {
  interface RowsOfKinds {
    slopedFloors: typeof slopedFloorRows;
  }
}
