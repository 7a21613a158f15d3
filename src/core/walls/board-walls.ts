import { standing, storeysIn, type Cells, type OnBoard } from '../kinds/on-board';
import type { Id } from '../model/ids';

export const wallsOnBoard: OnBoard<'wall'> = {
  heading: 'Walls',
  order: 3,
  shape: 'narrow',
  colour: 'walls',
  cells: ({ solved, levels }) => {
    const walls = new Map<Id, Cells>();
    for (const piece of solved.walls) {
      const cells: Cells = walls.get(piece.wall) ?? new Map();
      walls.set(piece.wall, cells);
      for (const level of storeysIn(levels, piece.bottomMm, piece.topMm)) cells.set(level, standing());
      cells.set(piece.level, standing());
    }
    return walls;
  },
  actions: () => [],
};
