import { thingReferred } from '../commands/refer';
import { recordsOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';

/** The walls a roof stands on: those named, else the exterior and party walls that reach its level. */
export function carryingWalls(
  framework: Framework,
  building: Id,
  level: Id,
  refs: readonly string[] | undefined,
): Id[] {
  if (refs) return [...new Set(refs.map((ref) => thingReferred(framework, 'wall', ref).id))];
  return recordsOf(framework, 'wall')
    .filter(
      (wall) =>
        (wall.building === building || wall.sharedWith === building) &&
        (wall.use === 'exterior' || wall.use === 'party') &&
        (wall.stopsAt.level === level || wall.sharedWith === building) &&
        wall.startsAt.level !== level,
    )
    .map(({ id }) => id);
}
