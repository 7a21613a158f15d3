import { z } from 'zod';
import { assembliesOf } from '../slants/assembly';
import { quantiseMm } from '../units/length-units';
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
    volumeM3: z.number().describe('What of the space is its own: no other piece has it'),
    grossVolumeM3: z.number().describe('Openings, holes and what others take counted'),
    openings: z.array(
      z.strictObject({
        name: z.string(),
        kind: z.string(),
        level: z.string(),
        xMm: mm.describe('Its middle, in the axes of the building'),
        yMm: mm,
        widthMm: mm,
        heightMm: mm,
        sillMm: mm.describe('Over the FFL of its level'),
        leaves: z.number(),
        hand: z.string(),
        opens: z.string(),
      }),
    ),
  }),
  rows: (solved, { level }) => {
    const fflOf = new Map(solved.levels.map(({ id, fflMm }) => [id, fflMm]));
    const tops = assembliesOf(solved.assemblies, 'wallTop').map(
      ({ thing, building, name, level: at, bottomMm, topMm, info }) => ({
        id: thing,
        building,
        name,
        use: info.use as string,
        level: level(at),
        bottomMm,
        topMm,
        thicknessMm: info.thicknessMm,
        volumeM3: rounded(info.volumeMm3 / 1e9, 6),
        grossVolumeM3: rounded(info.volumeMm3 / 1e9, 6),
        openings: [],
      }),
    );
    const pieces = solved.walls.map((piece) => ({
      id: piece.wall,
      building: piece.building,
      name: piece.name,
      use: piece.use,
      level: level(piece.level),
      bottomMm: piece.bottomMm,
      topMm: piece.topMm,
      thicknessMm: piece.thicknessMm,
      volumeM3: rounded(piece.volumeMm3 / 1e9, 6),
      grossVolumeM3: rounded(piece.grossMm3 / 1e9, 6),
      openings: piece.openings.map((each) => ({
        name: each.name,
        kind: each.opening,
        level: level(each.level),
        xMm: quantiseMm((each.ends[0].x + each.ends[1].x) / 2),
        yMm: quantiseMm((each.ends[0].y + each.ends[1].y) / 2),
        widthMm: each.widthMm,
        heightMm: quantiseMm(each.topMm - each.bottomMm),
        sillMm: quantiseMm(each.bottomMm - (fflOf.get(each.level) ?? 0)),
        leaves: each.leaves,
        hand: each.hand,
        opens: each.opens,
      })),
    }));
    // What of a wall goes up to a roof is a piece of its own, over the level ones.
    return [...pieces, ...tops];
  },
});

declare module '../report/rows' {
  interface RowsOfKinds {
    walls: typeof wallRows;
  }
}
