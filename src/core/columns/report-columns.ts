import { z } from 'zod';
import { sectionWords } from './section-shape';
import { defineRows, mm, rounded, row } from '../report/rows';

/** Its rows in the report. */
export const columnRows = defineRows({
  key: 'columns',
  row: z.strictObject({
    ...row,
    stack: z.string().describe('Mark of the stack'),
    level: z.string(),
    xMm: mm,
    yMm: mm,
    turnDeg: z.number(),
    section: z.string(),
    bottomMm: mm,
    topMm: mm,
    volumeM3: z.number(),
  }),
  rows: (solved, { level }) =>
    solved.columns.map((piece) => ({
      id: piece.stack,
      building: piece.building,
      stack: piece.mark,
      level: level(piece.level),
      xMm: piece.at.x,
      yMm: piece.at.y,
      turnDeg: piece.turnDeg,
      section: sectionWords(piece.section),
      bottomMm: piece.bottomMm,
      topMm: piece.topMm,
      volumeM3: rounded(piece.volumeMm3 / 1e9, 6),
    })),
});

declare module '../report/rows' {
  interface RowsOfKinds {
    columns: typeof columnRows;
  }
}
