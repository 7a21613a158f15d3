import { defineSpacePart, type InSpace } from '../kinds/in-space';
import type { FoundationPiece } from '../solving/solved';
import { foundationsPass } from './foundation-passes';

const RANKS = { raft: 'raft', pads: 'pad', strips: 'strip' } as const;

export const foundationsInSpace: InSpace = {
  parts: [
    defineSpacePart<FoundationPiece>({
      pass: foundationsPass,
      solids: (piece, shapes) => [
        {
          thing: piece.foundation,
          name: piece.name,
          level: piece.level,
          rank: RANKS[piece.form],
          shape: shapes.ofProfile(piece.profile),
          bottomMm: piece.bottomMm,
          topMm: piece.topMm,
        },
      ],
    }),
  ],
};
