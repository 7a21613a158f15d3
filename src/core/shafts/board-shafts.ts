import { standing, storeysIn, type OnBoard } from '../kinds/on-board';

export const shaftsOnBoard: OnBoard<'shaft'> = {
  heading: 'Shafts',
  order: 2,
  shape: 'bar',
  colour: 'shafts',
  cells: ({ solved, levels }) =>
    new Map(
      solved.shafts.map(({ shaft, bottomMm, topMm }) => [
        shaft,
        new Map(storeysIn(levels, bottomMm, topMm).map((level) => [level, standing()])),
      ]),
    ),
  actions: ({ id, exceptions }, level) => {
    const isClosed = exceptions.some((each) => each.level === level && each.slab === 'closed');
    return [
      {
        words: isClosed ? 'Open the slab here' : 'Leave the slab closed here',
        sent: { command: 'shafts.except', input: { shaft: id, level, slab: isClosed ? null : 'closed' } },
      },
    ];
  },
};
