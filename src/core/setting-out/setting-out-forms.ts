import { lengthOf, linesOf, wordOf } from '../entry/entry-context';
import type { Form } from '../kinds/form';

const SIDES = { inside: 'interior', outside: 'exterior', both: 'both' } as const;

/** Typed lines for setting-out lines. */
export const SETTING_OUT_FORMS: readonly Form[] = [
  {
    pattern: 'set out DISTANCE inside|outside|both LINES [named NAME]',
    example: 'set out 210 inside A,D named Face',
    title: 'Set out lines at a distance from grid lines',
    words: 'set out',
    matches: /^set\s+out\s+(?<offset>.+?)\s+(?<side>inside|outside|both)\s+(?<lines>.+?)(?:\s+named\s+(?<name>.+))?$/i,
    read: ({ offset, side, lines, name }, context) => ({
      command: 'settingOut.add',
      input: {
        building: context.building,
        offsetMm: lengthOf(offset!, context),
        side: SIDES[wordOf(side!, ['inside', 'outside', 'both'])],
        lines: linesOf(lines!, context),
        ...(name ? { name } : {}),
      },
    }),
  },
];
