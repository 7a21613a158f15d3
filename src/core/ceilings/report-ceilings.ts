import { z } from 'zod';
import { defineRows, mm, rounded, row } from '../report/rows';

/** Its rows in the report. */
export const ceilingRows = defineRows({
  key: 'ceilings',
  row: z.strictObject({
    ...row,
    name: z.string(),
    level: z.string(),
    room: z.string().nullable().describe('Number of the room it hangs in; null where it has none'),
    clearMm: mm.describe('From FFL to its underside'),
    overMm: mm.nullable().describe('From its top to the lowest soffit over it; null where no slab is over it'),
    areaM2: z.number(),
    volumeM3: z.number().describe('What of the space is its own: no other piece has it'),
    grossVolumeM3: z.number().describe('Openings, holes and what others take counted'),
  }),
  rows: (solved, { level }) =>
    solved.ceilings.map((piece) => ({
      id: piece.ceiling,
      building: piece.building,
      name: piece.name,
      level: level(piece.level),
      room: solved.rooms.find((each) => each.room === piece.room && each.level === piece.level)?.number ?? null,
      clearMm: piece.clearMm,
      overMm: piece.overMm,
      areaM2: rounded(solved.profiles[piece.profile]!.areaMm2 / 1e6, 6),
      volumeM3: rounded(piece.volumeMm3 / 1e9, 6),
      grossVolumeM3: rounded(piece.grossMm3 / 1e9, 6),
    })),
});

declare module '../report/rows' {
  interface RowsOfKinds {
    ceilings: typeof ceilingRows;
  }
}
