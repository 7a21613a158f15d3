import { markOf } from '../commands/refer';
import { leaveOutWords, leftOut, standing, type BoardCell, type Cells, type OnBoard } from '../kinds/on-board';
import { recordsOf } from '../model/framework';
import type { Id } from '../model/ids';
import type { SolvedLevel } from '../solving/solved';
import { sectionSize } from './section-shape';

/** Columns, each cell as wide as its section against the largest of the stack. */
export const columnsOnBoard: OnBoard<'columnStack'> = {
  heading: 'Columns',
  order: 4,
  shape: 'bar',
  colour: 'columns',
  name: markOf,
  cells: ({ framework, solved, levels }) => {
    const stacks = new Map<Id, Cells>();
    const largest = new Map<Id, number>();
    const sizes = new Map<BoardCell, number>();
    for (const piece of solved.columns) {
      const cells: Cells = stacks.get(piece.stack) ?? new Map();
      stacks.set(piece.stack, cells);
      const size = Math.max(...sectionSize(piece.section));
      const cell = standing();
      sizes.set(cell, size);
      cells.set(piece.level, cell);
      largest.set(piece.stack, Math.max(size, largest.get(piece.stack) ?? 0));
    }
    for (const [stack, cells] of stacks)
      for (const cell of cells.values()) cell.weight = sizes.get(cell)! / largest.get(stack)!;
    for (const { id, exceptions } of recordsOf(framework, 'columnStack'))
      if (exceptions.some((each) => each.leftOut)) leaveGaps(stacks.get(id), levels);
    return stacks;
  },
  actions: ({ id }, level, cell) => [
    {
      words: leaveOutWords(cell),
      sent: {
        command: 'columns.except',
        input: { columns: [id], level, upwards: false, leftOut: cell.state !== 'leftOut' },
      },
    },
  ],
};

/** Levels between the ends of a thing that it is not at. */
function leaveGaps(cells: Cells | undefined, levels: readonly SolvedLevel[]): void {
  if (!cells) return;
  const ranks = levels.flatMap(({ id }, i) => (cells.has(id) ? [i] : []));
  for (let i = Math.min(...ranks); i < Math.max(...ranks); i += 1) {
    const { id } = levels[i]!;
    if (!cells.has(id)) cells.set(id, leftOut());
  }
}
