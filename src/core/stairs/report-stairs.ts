import { z } from 'zod';
import { defineRows, mm, row } from '../report/rows';

/** Its rows in the report. */
export const stairRows = defineRows({
  key: 'stairs',
  row: z.strictObject({
    ...row,
    name: z.string(),
    level: z.string().describe('Level the storey starts at'),
    heightMm: mm,
    risers: z.number().nullable().describe('Step risers; null where the storey cannot be climbed'),
    flights: z.array(z.number()).describe('Step risers of each flight'),
    riserMm: mm.nullable(),
    goingMm: mm.nullable(),
    firstStructuralMm: mm.nullable().describe('First step riser from structure to structure'),
    lastStructuralMm: mm.nullable(),
    headroomMm: mm.nullable().describe('Least headroom; null where nothing is above'),
  }),
  rows: (solved, { level }) =>
    solved.stairs.flatMap(({ stair, building, name, storeys }) =>
      storeys.map(({ level: at, heightMm, steps, firstStructuralMm, lastStructuralMm, headroom }) => ({
        id: stair,
        building,
        name,
        level: level(at),
        heightMm,
        risers: steps?.count ?? null,
        flights: [...(steps?.flights ?? [])],
        riserMm: steps?.riserMm ?? null,
        goingMm: steps?.goingMm ?? null,
        firstStructuralMm,
        lastStructuralMm,
        headroomMm: headroom?.mm ?? null,
      })),
    ),
});

declare module '../report/rows' {
  interface RowsOfKinds {
    stairs: typeof stairRows;
  }
}
