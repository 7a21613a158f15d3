import { standing, type Cells, type OnBoard } from '../kinds/on-board';
import { recordsOf } from '../model/framework';
import type { Id } from '../model/ids';

/** Flat roofs on the carry board: at the level each lies at. */
export const roofsOnBoard: OnBoard<'roof'> = {
  heading: 'Flat roofs',
  order: 8,
  shape: 'slab',
  colour: 'roofs',
  cells: ({ framework }) =>
    new Map(recordsOf(framework, 'roof').map(({ id, level }): [Id, Cells] => [id, new Map([[level, standing()]])])),
  actions: () => [],
};
