import { defineSpacePart, type InSpace } from '../kinds/in-space';
import { partsOf } from '../passes/pass';
import { roofSlantsPass } from '../pitched-roofs/pitched-roof-passes';
import { ceilingsPass } from './at-roof-passes';
import { ceilingsFromFloorPass } from './ceiling-passes';
import { ceilingAt } from './solve-ceilings';
import type { CeilingPiece } from './solved-ceiling';

export const ceilingsInSpace: InSpace = {
  parts: [
    defineSpacePart<CeilingPiece>({
      pass: ceilingsPass,
      solids: (piece, shapes) => [
        {
          thing: piece.ceiling,
          name: piece.name,
          level: piece.level,
          rank: 'ceiling',
          shape: shapes.ofProfile(piece.profile),
          bottomMm: piece.bottomMm,
          topMm: piece.topMm,
        },
      ],
      // Where a roof may come down into rooms they are worked out in place.
      fromFloors: {
        inStorey: (cx, key) =>
          cx.get(roofSlantsPass, partsOf(key)[0]).length > 0 ? [] : cx.get(ceilingsFromFloorPass, key),
        placed: ceilingAt,
        others: (cx, building) => (cx.get(roofSlantsPass, building).length > 0 ? cx.get(ceilingsPass, building) : []),
      },
    }),
  ],
};
