import { storeyLevels, type ResolvedLevel } from '../levels/resolve-levels';
import type { Edit } from '../model/edit';
import { recordsOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { openingCarriedAs, wallCarriedAs } from '../walls/carried-as';
import type { Wall, WallOpening } from '../walls/wall';

/** What goes into a storey that is inserted only where that is asked for. */
export const EXTEND_KINDS = [
  'exteriorWalls',
  'interiorWalls',
  'entranceDoors',
  'doors',
  'windows',
  'plainOpenings',
] as const;
export type ExtendKind = (typeof EXTEND_KINDS)[number];

/** A level put between two others. */
interface Inserted {
  building: Id;
  added: Id;
  lower: ResolvedLevel;
  upper: ResolvedLevel;
  /** Which way the levels beyond went to make room for the new storey; null: a storey was divided. */
  pushed: 'up' | 'down' | null;
}

/**
 * Keeps walls and their openings in the storeys they stood in. A wall that ended where the new storey is ends at the new level,
 * unless its kind is to be extended; one that stands on both sides stands in the new storey as well. Openings stay at the levels
 * they were at, and come into the new storey where that is asked for.
 */
export function keepStoreys(edit: Edit, before: Framework, inserted: Inserted, extend: ReadonlySet<ExtendKind>): void {
  const { building, added, lower, upper, pushed } = inserted;
  const were = storeyLevels(before, building);
  const are = storeyLevels(edit.framework, building);
  for (const wall of recordsOf(before, 'wall')) {
    if (wall.building !== building) continue;
    const kind = wallCarriedAs(wall);
    const isAsked = kind === 'coreWalls' || extend.has(kind);
    const part: Partial<Wall> = {};
    if (!isAsked && pushed === 'up' && wall.stopsAt.level === upper.id && wall.startsAt.level !== upper.id)
      part.stopsAt = { ...wall.stopsAt, level: added };
    if (!isAsked && pushed === 'down' && wall.startsAt.level === lower.id && wall.stopsAt.level !== lower.id)
      part.startsAt = { ...wall.startsAt, level: added };
    if (wall.openings.length > 0) {
      const stood = storeysIn(wall, were);
      const stands = storeysIn({ ...wall, ...part }, are);
      const openings = wall.openings.map((opening) => {
        const at = levelsOfOpening(
          opening,
          stood,
          stands.length > stood.length,
          inserted,
          extend.has(openingCarriedAs(wall, opening)),
        );
        return at === opening.at ? opening : { ...opening, at };
      });
      if (openings.some((opening, i) => opening !== wall.openings[i])) part.openings = openings;
    }
    if (Object.keys(part).length > 0) edit.set('wall', wall.id, part);
  }
}

/** The levels an opening is at, once its wall stands in one storey more or not. */
function levelsOfOpening(
  { at }: WallOpening,
  stood: readonly Id[],
  isMore: boolean,
  { added, lower, pushed }: Inserted,
  goesOn: boolean,
): WallOpening['at'] {
  // Pushed down, the lower level has the new storey, and the new level that which was the lower one's.
  const isDown = pushed === 'down';
  const asNow = (levels: readonly Id[]) => levels.map((id) => (isDown && id === lower.id ? added : id));
  if (at === 'all') return isMore && !goesOn ? asNow(stood) : at;
  const now = isDown && at.includes(lower.id) ? asNow(at) : at;
  const comes = isMore && goesOn && at.includes(lower.id);
  return comes ? [...now, isDown ? lower.id : added] : now;
}

/** The storeys a wall stands in, by their lower levels. */
function storeysIn({ startsAt, stopsAt }: Pick<Wall, 'startsAt' | 'stopsAt'>, storeys: readonly ResolvedLevel[]): Id[] {
  const rank = (id: Id) => storeys.findIndex((level) => level.id === id);
  const [low, high] = [rank(startsAt.level), rank(stopsAt.level)];
  return storeys.slice(Math.max(0, low), Math.max(low, high - 1) + 1).map(({ id }) => id);
}
