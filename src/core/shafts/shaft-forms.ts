import { LENGTH, placeOf, wordOf } from '../entry/entry-context';
import { ends, outlineOf, sizeOf } from '../entry/entry-parts';
import { SHAFT_PURPOSES } from './shaft';
import type { Form } from '../kinds/form';

/** Typed lines for shafts. */
export const SHAFT_FORMS: readonly Form[] = [
  {
    pattern: 'shaft POINT SIZE [PURPOSE] [named NAME] [from LEVEL] [to LEVEL]',
    example: 'shaft B-3 + 600,1200 2400x2700 lift',
    title: 'A shaft from its lower left corner',
    words: 'shaft',
    matches: new RegExp(
      `^shaft\\s+(?<place>.+?)\\s+(?<size>${LENGTH}\\s*[x×]\\s*${LENGTH})(?:\\s+(?<purpose>${SHAFT_PURPOSES.join('|')}))?(?:\\s+named\\s+(?<name>\\S+))?(?:\\s+from\\s+(?<from>\\S+))?(?:\\s+to\\s+(?<to>\\S+))?$`,
      'iu',
    ),
    read: ({ place, size, purpose, name, from, to }, context) => {
      return {
        command: 'shafts.add',
        input: {
          building: context.building,
          outline: { type: 'rectangle', place: placeOf(place!, context), ...sizeOf(size!, context) },
          ...(purpose ? { purpose: wordOf(purpose, SHAFT_PURPOSES) } : {}),
          ...(name ? { name } : {}),
          ...ends(from, to, context),
        },
      };
    },
  },
  {
    pattern: 'shaft along PATH [as PURPOSE]',
    example: 'shaft along A-1 + 9m,9m; 3m e; 2m n; 3m w as stair',
    title: 'A shaft of any outline, corner by corner',
    words: 'shaft along',
    matches: new RegExp(`^shaft\\s+along\\s+(?<path>.+?)(?:\\s+as\\s+(?<purpose>${SHAFT_PURPOSES.join('|')}))?$`, 'i'),
    read: ({ path, purpose }, context) => ({
      command: 'shafts.add',
      input: {
        building: context.building,
        outline: outlineOf(path!, context),
        ...(purpose ? { purpose: wordOf(purpose, SHAFT_PURPOSES) } : {}),
      },
    }),
  },
];
