import { standing, type Cells, type OnBoard } from '../kinds/on-board';
import type { Id } from '../model/ids';
import { assembliesOf } from '../slants/assembly';

/** Pitched roofs on the carry board: at the level of their eaves, and at those that lie under them. */
export const pitchedRoofsOnBoard: OnBoard<'pitchedRoof'> = {
  heading: 'Pitched roofs',
  order: 9,
  shape: 'bar',
  colour: 'roofs',
  cells: ({ solved, levels }) =>
    new Map(
      assembliesOf(solved.assemblies, 'pitchedRoof').map(({ thing, building, level, topMm }): [Id, Cells] => {
        const eaves = levels.find(({ id }) => id === level);
        const within = levels.filter(
          (each) => each.building === building && eaves && each.fflMm >= eaves.fflMm && each.fflMm < topMm,
        );
        return [thing, new Map([level, ...within.map(({ id }) => id)].map((id) => [id, standing()]))];
      }),
    ),
  actions: () => [],
};
