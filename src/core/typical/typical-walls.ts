import { levelById } from '../levels/resolve-levels';
import type { End } from '../model/fields';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import type { Wall } from '../walls/wall';

/** True for a wall that stands in one storey only, the one over this level. */
export function isWallOf(framework: Framework, wall: Wall, level: Id): boolean {
  if (wall.startsAt.level !== level || wall.passesClearMm !== null) return false;
  return wall.stopsAt.level === level || wall.stopsAt.level === levelById(framework, level)?.above;
}

/** An end as it is at a level that follows: at its own, or at the one above it. */
export function endAt(framework: Framework, end: End, master: Id, level: Id): End {
  if (end.level === master) return { ...end, level };
  const above = levelById(framework, level)?.above;
  return above ? { ...end, level: above } : { level, face: 'FFL', offsetMm: 1100 };
}
