import { PlateSet, resolvePlate } from '../floors/plates';
import { storeyLevels } from '../levels/resolve-levels';
import { recordsOf, type Framework } from '../model/framework';
import { PlanFacts } from '../passes/plan-facts';
import type { SolvedShaft } from '../solving/solved';
import type { Shaft } from './shaft';
import { solveShaft } from './solve-shafts';

/** What one shaft cuts and misses, without solving anything else: for showing while it is placed. */
export function previewShaft(framework: Framework, shaft: Shaft): SolvedShaft | null {
  const storeys = storeyLevels(framework, shaft.building);
  const facts = new PlanFacts();
  const plates = recordsOf(framework, 'floorPlate')
    .filter(({ building }) => building === shaft.building)
    .flatMap((plate) => resolvePlate(framework, plate, storeys, storeys, facts));
  return solveShaft(framework, shaft, storeys, new PlateSet(plates), facts).solved;
}
