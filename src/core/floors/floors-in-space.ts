import { defineSpacePart, type InSpace } from '../kinds/in-space';
import type { FloorPiece } from '../solving/solved';
import { floorsPass } from './cut-floor-passes';

/** Slabs less their holes, those of roofs among them. */
export const floorsInSpace: InSpace = {
  parts: [
    defineSpacePart<FloorPiece>({
      pass: floorsPass,
      solids: (piece, shapes) => [
        {
          thing: piece.plate,
          name: piece.name,
          level: piece.level,
          rank: 'slab',
          shape: shapes.ofProfile(piece.profile),
          bottomMm: piece.topMm - piece.thicknessMm,
          topMm: piece.topMm,
        },
      ],
    }),
  ],
};
