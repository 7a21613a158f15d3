import { contains } from '../geometry/polygon';
import type { FloorPiece, Solved } from '../solving/solved';

/** Holes in a plate at a level, one for those that touch: all of the plate that no zone fills, and those of its zones. */
export function holeCount(pieces: readonly FloorPiece[], profiles: Solved['profiles']): number {
  const zones = pieces.filter(({ zone }) => zone !== null);
  return pieces.reduce((sum, { zone, profile }) => {
    const holes = profiles[profile]!.regions.flatMap((region) => region.holes);
    const open = zone ? holes : holes.filter(([corner]) => !zones.some(({ outline }) => contains(outline, corner!)));
    return sum + open.length;
  }, 0);
}
