import { recordsOf, type Framework } from '@/core/model/framework';
import type { Id } from '@/core/model/ids';
import type { Solved } from '@/core/solving/solved';
import { BadInput } from './outputs';

/** The building meant: the one named, or the only one there is; which of several is asked, never guessed. */
export function buildingOf(framework: Framework, named: string | undefined): Id {
  const buildings = recordsOf(framework, 'building');
  const all = buildings
    .map(({ name }) => name)
    .sort()
    .join(', ');
  if (named === undefined) {
    if (buildings.length === 1) return buildings[0]!.id;
    throw new BadInput(
      buildings.length === 0 ? 'There is no building yet' : `Say which building is meant, --building NAME: ${all}`,
    );
  }
  const found = buildings.find(({ id, name }) => id === named || name === named);
  if (found) return found.id;
  throw new BadInput(`There is no building named ${named}${all && `. There are: ${all}`}`);
}

/** The level meant, by name or id; where buildings have levels of one name, which building is asked. */
export function levelOf(framework: Framework, solved: Solved, named: string, building: string | undefined) {
  const within = building === undefined ? null : buildingOf(framework, building);
  const found = solved.levels.filter(
    (level) => (level.id === named || level.name === named) && (within === null || level.building === within),
  );
  if (found.length === 1) return found[0]!;
  if (found.length === 0) throw new BadInput(`There is no level named ${named}`);
  const names = found.map(({ building: of }) => solved.buildings.find(({ id }) => id === of)!.name).sort();
  throw new BadInput(`There are ${found.length} levels named ${named}: in ${names.join(', ')}. Say --building NAME`);
}
