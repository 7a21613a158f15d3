import type { FloorPiece, Solved } from '../solving/solved';

/** Pieces of the same plate at the same level, the plate itself first. */
const together = (piece: FloorPiece, solved: Solved): FloorPiece[] =>
  solved.floors.filter(({ plate, level }) => plate === piece.plate && level === piece.level);

/** What tells a slab from all others: plate and level, for a zone which, and of several parts which of them. */
export function slabKey(piece: FloorPiece, solved: Solved): string[] {
  const { plate, level, zone } = piece;
  const parts = together(piece, solved).filter((each) => each.zone?.id === zone?.id);
  const part = parts.indexOf(piece);
  if (zone) return [plate, level, zone.id, String(part)];
  return part > 0 ? [plate, level, String(part)] : [plate, level];
}

/** The zones that are taken out of a slab: all out of the plate, out of a zone those before it. */
export function partsTakenFrom(piece: FloorPiece, solved: Solved): FloorPiece[] {
  const all = together(piece, solved);
  const zones = piece.zone ? all.slice(0, all.indexOf(piece)) : all;
  return zones.filter(({ zone }) => zone !== null && zone.id !== piece.zone?.id);
}
