import { cellsOf, leaveOutWords, type OnBoard } from '../kinds/on-board';
import { recordsOf } from '../model/framework';

/** Ceilings at the levels whose rooms they hang in. */
export const ceilingsOnBoard: OnBoard<'ceiling'> = {
  heading: 'Ceilings',
  order: 6,
  shape: 'slab',
  colour: 'roofs',
  cells: ({ framework, solved, levels }) =>
    cellsOf(
      solved.ceilings.map(({ ceiling, level }) => ({ id: ceiling, level })),
      recordsOf(framework, 'ceiling'),
      levels,
    ),
  actions: ({ id }, level, cell) => [
    {
      words: leaveOutWords(cell),
      sent: { command: 'ceilings.except', input: { ceiling: id, level, leftOut: cell.state !== 'leftOut' } },
    },
  ],
};
