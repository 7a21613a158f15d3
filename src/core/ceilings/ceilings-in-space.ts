import { defineSpacePart, type InSpace } from '../kinds/in-space';
import { ceilingsPass } from './at-roof-passes';
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
    }),
  ],
};
