import { buildingCrossings, type Crossing } from '../grids/crossings';
import { lineById } from '../grids/resolve-grids';
import { recordsOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { crossingKey, occupiedCrossings } from './column-input';

/** Which crossings get a column, and which are refused with the reason. */
export interface CrossingChoice {
  taken: Crossing[];
  refused: { label: string; reason: string }[];
}

/** All crossings of the chosen lines; one where a column stands already is refused. Used for the live count too. */
export function chooseCrossings(framework: Framework, lines: readonly Id[]): CrossingChoice {
  const chosen = new Set(lines);
  const buildings = new Set(lines.flatMap((id) => lineById(framework, id)?.[0].record.building ?? []));
  const all = recordsOf(framework, 'building').filter(({ id }) => buildings.has(id));
  return amongFree(
    framework,
    all
      .flatMap(({ id }) => buildingCrossings(framework, id))
      .filter(({ lines: [a, b] }) => chosen.has(a) && chosen.has(b)),
  );
}

/** Those of some crossings where no column stands yet. */
export function amongFree(framework: Framework, crossings: readonly Crossing[]): CrossingChoice {
  const occupied = occupiedCrossings(framework);
  const choice: CrossingChoice = { taken: [], refused: [] };
  for (const crossing of crossings) {
    if (occupied.has(crossingKey(crossing.lines, crossing.nth))) {
      choice.refused.push({
        label: crossing.label ?? 'a crossing without a label',
        reason: 'a column stands there already',
      });
    } else choice.taken.push(crossing);
  }
  return choice;
}
