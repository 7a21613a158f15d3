import type { Wall, WallOpening } from './wall';

/** What a wall is carried as. */
export const wallCarriedAs = ({ use }: Pick<Wall, 'use'>): 'coreWalls' | 'interiorWalls' | 'exteriorWalls' =>
  use === 'core' ? 'coreWalls' : use === 'interior' ? 'interiorWalls' : 'exteriorWalls';

/** What an opening is carried as: a door in a wall to the outside is an entrance, which is rarely wanted in other storeys. */
export function openingCarriedAs(
  { use }: Pick<Wall, 'use'>,
  { opening }: Pick<WallOpening, 'opening'>,
): 'doors' | 'entranceDoors' | 'windows' | 'plainOpenings' {
  if (opening === 'window') return 'windows';
  if (opening === 'plain') return 'plainOpenings';
  return wallCarriedAs({ use }) === 'exteriorWalls' ? 'entranceDoors' : 'doors';
}
