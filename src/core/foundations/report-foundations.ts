import { z } from 'zod';
import { recordOf } from '../model/framework';
import { defineRows, mm, rounded, row } from '../report/rows';

/** Its rows in the report. */
export const foundationRows = defineRows({
  key: 'foundations',
  row: z.strictObject({
    ...row,
    name: z.string(),
    form: z.string(),
    bottomMm: mm,
    topMm: mm,
    volumeM3: z.number().describe('What of the space is its own: no other piece has it'),
    grossVolumeM3: z.number().describe('Openings, holes and what others take counted'),
    subgradeKnM3: z.number().nullable().describe('Subgrade modulus; null where it is not known'),
    restrained: z.array(z.enum(['x', 'y', 'z'])).describe('Directions in which the ground holds it'),
  }),
  rows: (solved, { framework }) =>
    solved.foundations.map((piece) => {
      const record = recordOf(framework, 'foundation', piece.foundation)!;
      return {
        id: piece.foundation,
        building: piece.building,
        name: piece.name,
        form: piece.form,
        bottomMm: piece.bottomMm,
        topMm: piece.topMm,
        volumeM3: rounded(piece.volumeMm3 / 1e9, 6),
        grossVolumeM3: rounded(piece.grossMm3 / 1e9, 6),
        subgradeKnM3: record.subgradeKnM3,
        restrained: (['x', 'y', 'z'] as const).filter((way) => record.restrained[way]),
      };
    }),
});

declare module '../report/rows' {
  interface RowsOfKinds {
    foundations: typeof foundationRows;
  }
}
