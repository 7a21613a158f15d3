import { z } from 'zod';
import { defineRows, mm, rounded, row } from '../report/rows';

/** Its rows in the report. */
export const wallRows = defineRows({
  key: 'walls',
  row: z.strictObject({
    ...row,
    name: z.string(),
    use: z.string(),
    level: z.string(),
    bottomMm: mm,
    topMm: mm,
    thicknessMm: mm,
    volumeM3: z.number(),
    openings: z.array(z.strictObject({ name: z.string(), kind: z.string(), level: z.string(), widthMm: mm })),
  }),
  rows: (solved, { level }) =>
    solved.walls.map((piece) => ({
      id: piece.wall,
      building: piece.building,
      name: piece.name,
      use: piece.use,
      level: level(piece.level),
      bottomMm: piece.bottomMm,
      topMm: piece.topMm,
      thicknessMm: piece.thicknessMm,
      volumeM3: rounded(piece.volumeMm3 / 1e9, 6),
      openings: piece.openings.map(({ name, opening, level: at, widthMm }) => ({
        name,
        kind: opening,
        level: level(at),
        widthMm,
      })),
    })),
});

declare module '../report/rows' {
  interface RowsOfKinds {
    walls: typeof wallRows;
  }
}
