import { cellsOf, leaveOutWords, type OnBoard } from '../kinds/on-board';
import { recordsOf } from '../model/framework';

export const floorsOnBoard: OnBoard<'floorPlate'> = {
  heading: 'Floors',
  order: 5,
  shape: 'slab',
  colour: 'floors',
  cells: ({ framework, solved, levels }) =>
    cellsOf(
      solved.floors.map(({ plate, level }) => ({ id: plate, level })),
      recordsOf(framework, 'floorPlate'),
      levels,
    ),
  actions: ({ id }, level, cell) => [
    {
      words: leaveOutWords(cell),
      sent: { command: 'floors.except', input: { floor: id, level, leftOut: cell.state !== 'leftOut' } },
    },
  ],
};
