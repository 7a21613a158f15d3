import { LENGTH, lengthOf, levelOf, placeOf, wordOf } from '../entry/entry-context';
import { RULE_SETS } from './rule-sets';
import type { Form } from '../kinds/form';

/** Typed lines for stairs. */
export const STAIR_FORMS: readonly Form[] = [
  {
    pattern: 'stair POINT SIZE [RULES] [from LEVEL] [to LEVEL]',
    example: 'stair B-2 + 600,600 2600x5600 private from 00 to 03',
    title: 'A half-turn stair in a well, from its lower left corner',
    words: 'stair',
    matches: new RegExp(
      `^stair\\s+(?<place>.+?)\\s+(?<w>${LENGTH})\\s*[x×]\\s*(?<d>${LENGTH})(?:\\s+(?<rules>${RULE_SETS.join('|')}))?(?:\\s+from\\s+(?<from>\\S+))?(?:\\s+to\\s+(?<to>\\S+))?$`,
      'i',
    ),
    read: ({ place, w, d, rules, from, to }, context) => ({
      command: 'stairs.add',
      input: {
        building: context.building,
        well: {
          type: 'rectangle',
          place: placeOf(place!, context),
          widthMm: lengthOf(w!, context),
          depthMm: lengthOf(d!, context),
        },
        ...(rules ? { rules: wordOf(rules, RULE_SETS) } : {}),
        ...(from ? { startsAt: { level: levelOf(from, context) } } : {}),
        ...(to ? { stopsAt: { level: levelOf(to, context) } } : {}),
      },
    }),
  },
];
