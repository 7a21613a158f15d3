import type { Solved } from '../solving/solved';
import type { WallPiece } from './solved-wall';

/** At which levels an opening is, where its wall stands in several storeys; null where it stands in one. */
export function storeysOfOpening(solved: Solved, wall: string, opening: string): string | null {
  const pieces = solved.walls.filter((piece) => piece.wall === wall);
  const at = new Set(
    pieces.flatMap(({ openings }) => openings.filter(({ id }) => id === opening).map(({ level }) => level)),
  );
  // Past the slabs a wall is one piece through all its storeys.
  const spans = pieces.length > 1 || pieces.some((piece) => spansLevels(solved, piece));
  if (!spans || at.size === 0) return null;
  const names = solved.levels.filter(({ id }) => at.has(id)).map(({ name }) => name);
  if (names.length === 1) return `level ${names[0]}`;
  return names.length > 3 ? `${names.length} levels, ${names[0]} to ${names.at(-1)}` : `levels ${names.join(', ')}`;
}

const spansLevels = (solved: Solved, piece: WallPiece): boolean => levelsWithin(solved, piece).length > 1;

/** Storeys whose floor lies within a piece of a wall. */
const levelsWithin = ({ levels }: Solved, { building, bottomMm, topMm }: WallPiece): string[] =>
  levels
    .filter(
      (level) => level.building === building && level.bounding && level.fflMm > bottomMm - 1 && level.fflMm < topMm - 1,
    )
    .map(({ id }) => id);

/** True where a wall stands in several storeys, so that an opening may be in some of them. */
export const isOfSeveral = (solved: Solved, wall: string): boolean =>
  new Set(
    solved.walls
      .filter((piece) => piece.wall === wall)
      .flatMap((piece) => [piece.level, ...levelsWithin(solved, piece)]),
  ).size > 1;
