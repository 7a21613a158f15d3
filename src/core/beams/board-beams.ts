import { cellsOf, leaveOutWords, type OnBoard } from '../kinds/on-board';
import { recordsOf } from '../model/framework';

export const beamsOnBoard: OnBoard<'beam'> = {
  heading: 'Beams',
  order: 7,
  shape: 'bar',
  colour: 'columns',
  cells: ({ framework, solved, levels }) =>
    cellsOf(
      solved.bodies.filter(({ kind }) => kind === 'beam').map(({ thing, level }) => ({ id: thing, level })),
      recordsOf(framework, 'beam'),
      levels,
    ),
  actions: ({ id }, level, cell) => [
    {
      words: leaveOutWords(cell),
      sent: { command: 'beams.except', input: { beam: id, level, leftOut: cell.state !== 'leftOut' } },
    },
  ],
};
