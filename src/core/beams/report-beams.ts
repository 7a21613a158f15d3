import { z } from 'zod';
import { defineRows, rounded, row } from '../report/rows';

/** Its rows in the report. */
export const beamRows = defineRows({
  key: 'beams',
  row: z.strictObject({
    ...row,
    name: z.string(),
    level: z.string().describe('The level whose slab it hangs under'),
    bottomMm: z.number(),
    topMm: z.number(),
    depthMm: z.number(),
    volumeM3: z.number().describe('What of the space is its own: no other piece has it'),
    grossVolumeM3: z.number().describe('Openings, holes and what others take counted'),
    material: z.string(),
  }),
  rows: ({ bodies }, { level }) =>
    bodies
      .filter(({ kind }) => kind === 'beam')
      .map((body) => ({
        id: body.thing,
        building: body.building,
        name: body.name,
        level: level(body.level),
        bottomMm: body.bottomMm,
        topMm: body.topMm,
        depthMm: body.topMm - body.bottomMm,
        volumeM3: rounded(body.volumeMm3 / 1e9, 6),
        grossVolumeM3: rounded(body.grossMm3 / 1e9, 6),
        material: body.material,
      })),
});

declare module '../report/rows' {
  interface RowsOfKinds {
    beams: typeof beamRows;
  }
}
