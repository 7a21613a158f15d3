import { wallsGoingOn } from '@/core/walls/walls-going-on';
import type { Wall } from '@/core/walls/wall';
import { byHand } from '../../acts/by-hand';
import type { OwnActs } from '../kind-ui';

/** What is done with walls by hand. */
export const wallActs = {
  of: (walls: readonly Wall[]): OwnActs => {
    const ids = walls.map(({ id }) => id);
    const [a, b] = walls;
    const isTwo = a !== undefined && b !== undefined && walls.length === 2;
    return {
      few: isTwo
        ? [
            {
              words: 'Meet',
              title: 'Bring the two to meet',
              act: ({ run }) => run('walls.meet', { walls: [a.id, b.id] }),
            },
            { words: 'Join', title: 'Join into one', act: ({ run }) => run('walls.join', { walls: [a.id, b.id] }) },
          ]
        : walls.length === 1 && a
          ? [byHand('Split', 'split', 'Split it where it is pressed')]
          : [],
      more: [
        {
          words: 'Doors and windows as on the level below',
          act: ({ run, level }) => (level ? run('walls.openingsAsBelow', { walls: ids, level }) : null),
        },
        { words: 'Turn its outside to its other side', act: ({ run }) => run('walls.flip', { walls: ids }) },
        {
          words: 'Choose the walls that go on from it',
          isLooking: true,
          act: ({ select, framework }) => {
            select([...new Set(ids.flatMap((id) => wallsGoingOn(framework, id)))]);
            return null;
          },
        },
      ],
    };
  },
};
