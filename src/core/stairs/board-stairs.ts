import { standing, type OnBoard } from '../kinds/on-board';

export const stairsOnBoard: OnBoard<'stair'> = {
  heading: 'Stairs',
  order: 1,
  shape: 'bar',
  colour: 'stairs',
  cells: ({ solved }) =>
    new Map(
      solved.stairs.map(({ stair, storeys }) => [stair, new Map(storeys.map(({ level }) => [level, standing()]))]),
    ),
  actions: () => [],
};
