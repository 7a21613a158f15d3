import { walls } from '../ceilings/ceiling-passes';
import { defineSpacePart, type InSpace, type SpaceRank } from '../kinds/in-space';
import { keyOf } from '../passes/pass';
import type { WallPiece } from './solved-wall';
import { placed } from './wall-pieces';
import { passingIdsPass } from './walls-standing';

const RANKS: Record<WallPiece['use'], SpaceRank> = {
  core: 'core wall',
  exterior: 'exterior wall',
  party: 'party wall',
  glazed: 'glazed wall',
  interior: 'interior wall',
};

/** Walls in slices between the heights of their openings. */
export const wallsInSpace: InSpace = {
  parts: [
    defineSpacePart<WallPiece>({
      pass: walls.pieces,
      solids: (piece, shapes) =>
        piece.slices.map(({ profile, bottomMm, topMm }) => ({
          thing: piece.wall,
          name: piece.name,
          level: piece.level,
          rank: RANKS[piece.use],
          shape: shapes.ofProfile(profile),
          bottomMm,
          topMm,
        })),
      fromFloors: {
        inStorey: (cx, key) => cx.get(walls.inPlan, key).pieces,
        placed,
        others: (cx, building) =>
          cx.get(passingIdsPass, building).flatMap((id) => cx.get(walls.passing, keyOf(building, id)).pieces),
      },
    }),
  ],
};
