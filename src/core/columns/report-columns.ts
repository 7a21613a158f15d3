import { z } from 'zod';
import { sectionWords } from './section-shape';
import { defineRows, mm, rounded, row, withinOneTurn } from '../report/rows';

/** Its rows in the report. */
export const columnRows = defineRows({
  key: 'columns',
  row: z.strictObject({
    ...row,
    stack: z.string().describe('Mark of the stack'),
    level: z.string(),
    xMm: mm,
    yMm: mm,
    turnDeg: z.number().describe('Within one turn'),
    section: z.string(),
    bottomMm: mm,
    topMm: mm,
    volumeM3: z.number().describe('What of the space is its own: no other piece has it'),
    grossVolumeM3: z.number().describe('Openings, holes and what others take counted'),
  }),
  rows: (solved, { level }) =>
    solved.columns.map((piece) => ({
      id: piece.stack,
      building: piece.building,
      stack: piece.mark,
      level: level(piece.level),
      xMm: piece.at.x,
      yMm: piece.at.y,
      turnDeg: withinOneTurn(piece.turnDeg),
      section: sectionWords(piece.section),
      bottomMm: piece.bottomMm,
      topMm: piece.topMm,
      volumeM3: rounded(piece.volumeMm3 / 1e9, 6),
      grossVolumeM3: rounded(piece.grossMm3 / 1e9, 6),
    })),
});

/** Heads and thickenings in the report. */
export const blockRows = defineRows({
  key: 'heads',
  row: z.strictObject({
    ...row,
    stack: z.string().describe('Mark of the stack'),
    level: z.string().describe('The level whose slab it carries'),
    kind: z.enum(['head', 'thickening']),
    xMm: mm,
    yMm: mm,
    widthMm: mm,
    depthMm: mm,
    bottomMm: mm,
    topMm: mm,
    volumeM3: z.number().describe('What of the space is its own: no other piece has it'),
    grossVolumeM3: z.number().describe('Openings, holes and what others take counted'),
  }),
  rows: (solved, { level }) =>
    solved.blocks.map((piece) => ({
      id: piece.stack,
      building: piece.building,
      stack: piece.mark,
      level: level(piece.level),
      kind: piece.block,
      xMm: piece.at.x,
      yMm: piece.at.y,
      widthMm: piece.widthMm,
      depthMm: piece.depthMm,
      bottomMm: piece.bottomMm,
      topMm: piece.topMm,
      volumeM3: rounded(piece.volumeMm3 / 1e9, 6),
      grossVolumeM3: rounded(piece.grossMm3 / 1e9, 6),
    })),
});

declare module '../report/rows' {
  interface RowsOfKinds {
    columns: typeof columnRows;
    heads: typeof blockRows;
  }
}
