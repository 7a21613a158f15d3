import type { ColumnPiece } from '../solving/solved';
import type { Ring } from '../geometry/polygon';
import { sectionArea, sectionHull } from './section-shape';

/** Pieces of a column that go no higher than the underside of pitched roofs where that is lowest over them. Above a roof nothing is left. */
export function underRoofs<S extends { pieces: readonly ColumnPiece[] }>(
  solved: S,
  roofOver: (ring: Ring) => number | null,
): S {
  const pieces = solved.pieces.flatMap((piece): ColumnPiece[] => {
    const overMm = roofOver(sectionHull(piece.section, piece.at, piece.turnDeg));
    if (overMm === null || piece.topMm <= overMm) return [piece];
    if (overMm - piece.bottomMm < 1) return [];
    const mm3 = sectionArea(piece.section) * (overMm - piece.bottomMm);
    return [{ ...piece, topMm: overMm, grossMm3: mm3, volumeMm3: mm3 }];
  });
  return { ...solved, pieces };
}
