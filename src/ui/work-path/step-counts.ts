import { recordsOf, type Framework } from '@/core/model/framework';
import type { Step } from '@/core/kinds/steps';
import type { Id } from '@/core/model/ids';
import type { Solved } from '@/core/solving/solved';

/** How many of its things a step has in a building: of its own kind, as people count them. */
export function stepCounts(
  framework: Framework,
  solved: Solved,
  building: Id | null,
): Record<Step | 'roofs' | 'ramps', number> {
  const own = <T extends { building: string }>(things: readonly T[]) =>
    things.filter((thing) => thing.building === building);
  return {
    levels: own(solved.levels).length,
    grids: own(solved.lines).length,
    columns: own(recordsOf(framework, 'columnStack')).length,
    shafts: own(solved.shafts).length,
    stairs: own(solved.stairs).length,
    ramps: own(recordsOf(framework, 'ramp')).length,
    floors: new Set(
      own(solved.floors)
        .map(({ plate }) => plate)
        .filter((plate) => framework.records.get(plate)?.kind !== 'roof'),
    ).size,
    roofs: own(recordsOf(framework, 'roof')).length + own(recordsOf(framework, 'pitchedRoof')).length,
    walls: own(recordsOf(framework, 'wall')).length,
  };
}
