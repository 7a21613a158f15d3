import { assembliesOf } from '../slants/assembly';
import type { Slant } from '../slants/slant';
import type { Solved } from '../solving/solved';
import { facePieces } from '../pitched-roofs/solve-pitched-roof';
import { higherThan, underOver } from '../pitched-roofs/under-roof';
import type { RoomRegion } from './solve-rooms';

/** Undersides of pitched roofs over a building, of their dormers too. */
export const roofsOver = ({ assemblies }: Solved, building: string): Slant[] => [
  ...assembliesOf(assemblies, 'pitchedRoof')
    .filter((each) => each.building === building)
    .flatMap(facePieces),
  ...assembliesOf(assemblies, 'roofOpening')
    .filter((each) => each.building === building)
    .flatMap(({ parts }) => parts.filter(({ name }) => name !== 'walls').flatMap(({ slants }) => slants)),
];

/** What of a room under pitched roofs is 1.5 m and 2.3 m high and more, mm²; null where none is over it, or a slab lies between. */
export function heightClasses(
  solved: Solved,
  { building, level, ring, holes }: RoomRegion,
): { over1500Mm2: number; over2300Mm2: number } | null {
  const own = solved.levels.find(({ id }) => id === level);
  if (!own) return null;
  const slants = roofsOver(solved, building);
  const over = slants.length > 0 ? underOver(slants, [ring]) : null;
  const isCovered = solved.floors.some(
    (piece) =>
      piece.building === building &&
      piece.topMm - piece.thicknessMm > own.fflMm &&
      piece.topMm < (over?.highMm ?? 0) &&
      underOver([piece.outline.map(({ x, y }) => ({ x, y, topMm: 0, bottomMm: 0 }))], [ring]) !== null,
  );
  if (!over || isCovered || over.highMm < own.fflMm) return null;
  const high = (mm: number) => higherThan(slants, [ring, ...holes], own.fflMm + mm);
  return { over1500Mm2: high(1500), over2300Mm2: high(2300) };
}
