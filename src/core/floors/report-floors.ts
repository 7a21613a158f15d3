import { z } from 'zod';
import { ringArea } from '../geometry/polygon';
import { defineRows, mm, rounded, row } from '../report/rows';

/** Its rows in the report. */
export const floorRows = defineRows({
  key: 'floors',
  row: z.strictObject({
    ...row,
    name: z.string(),
    level: z.string(),
    zone: z.string().nullable().describe('The zone of the plate it is; null: the plate outside its zones'),
    topMm: mm,
    thicknessMm: mm,
    areaM2: z.number().describe('Without its holes'),
    grossAreaM2: z.number(),
    perimeterM: z.number(),
    volumeM3: z.number().describe('What of the space is its own: no other piece has it'),
    grossVolumeM3: z.number().describe('Openings, holes and what others take counted'),
    holes: z.number().int(),
  }),
  rows: (solved, { level }) =>
    solved.floors.map((piece) => {
      const profile = solved.profiles[piece.profile]!;
      return {
        id: piece.plate,
        building: piece.building,
        name: piece.name,
        level: level(piece.level),
        zone: piece.zone?.name ?? null,
        topMm: piece.topMm,
        thicknessMm: piece.thicknessMm,
        areaM2: rounded(profile.areaMm2 / 1e6, 6),
        grossAreaM2: rounded(Math.abs(ringArea(piece.outline)) / 1e6, 6),
        perimeterM: rounded(profile.perimeterMm / 1e3, 6),
        volumeM3: rounded(piece.volumeMm3 / 1e9, 6),
        grossVolumeM3: rounded(piece.grossMm3 / 1e9, 6),
        holes: profile.holeCount,
      };
    }),
});

declare module '../report/rows' {
  interface RowsOfKinds {
    floors: typeof floorRows;
  }
}
