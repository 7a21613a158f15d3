import { contains } from '../geometry/polygon';
import { storeyLevels } from '../levels/resolve-levels';
import { recordsOf, type Framework } from '../model/framework';
import { wallPath } from '../walls/wall-path';
import type { Wall } from '../walls/wall';
import type { PitchedRoof } from './pitched-roof';
import type { PitchedRoofInfo } from './solve-pitched-roof';

/** Walls that lie under a roof in plan and stop at the level of its eaves or higher. */
export function wallsUnder(framework: Framework, roof: PitchedRoof, { edge }: Pick<PitchedRoofInfo, 'edge'>): Wall[] {
  const ranks = storeyLevels(framework, roof.building).map(({ id }) => id);
  const rank = ranks.indexOf(roof.eavesAt.level);
  return recordsOf(framework, 'wall').filter((wall) => {
    if (wall.building !== roof.building || wall.passesClearMm !== null) return false;
    if (ranks.indexOf(wall.stopsAt.level) < rank) return false;
    const path = wallPath(framework, wall);
    return path !== null && path.points.every((point) => contains(edge[0]!, point));
  });
}
