import type { Finding } from '../checks/finding';
import { PlateSet, resolvePlate } from '../floors/plates';
import { storeyLevels } from '../levels/resolve-levels';
import { recordsOf, type Framework } from '../model/framework';
import { PlanFacts } from '../passes/plan-facts';
import { solveStair } from './solve-stair';
import type { SolvedStair } from './solved-stair';
import type { Stair } from './stair';

/** One stair's storeys without solving anything else: for showing while it is placed. Headroom is not known yet. */
export function previewStair(framework: Framework, stair: Stair): { solved: SolvedStair | null; findings: Finding[] } {
  const storeys = storeyLevels(framework, stair.building);
  const facts = new PlanFacts();
  const plates = recordsOf(framework, 'floorPlate')
    .filter(({ building }) => building === stair.building)
    .flatMap((plate) => resolvePlate(framework, plate, storeys, storeys, facts));
  return solveStair(framework, stair, { storeys, floored: storeys }, new PlateSet(plates), facts);
}
