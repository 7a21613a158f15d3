import { wordOf } from '../entry/entry-context';
import type { Form } from '../kinds/form';
import { recordsOf } from '../model/framework';
import { GUARD_SIDES } from './guard';

/** Typed lines for guards. */
export const GUARD_FORMS: readonly Form[] = [
  {
    pattern: 'guard open edges',
    example: 'guard open edges',
    title: 'A guard along all open edges of the building',
    words: 'guard open edges',
    matches: /^guard\s+(?:all\s+)?open\s+edges$/i,
    read: (_, { building }) => ({ command: 'guards.add', input: { building, along: { of: 'edges' } } }),
  },
  {
    pattern: 'guard opening of SHAFT|STAIR|RAMP',
    example: 'guard opening of ST1',
    title: 'A guard round the opening of one thing, at all its levels',
    words: 'guard opening void well',
    matches: /^guard\s+(?:the\s+)?opening\s+of\s+(?<by>\S+)$/i,
    read: ({ by }, { building }) => ({
      command: 'guards.add',
      input: { building, along: { of: 'edges', edges: 'openings', by: by! } },
    }),
  },
  {
    pattern: 'guard|handrail STAIR [SIDE]',
    example: 'handrail ST1 both',
    title: 'A guard or handrail along the sides of a stair or ramp',
    words: 'guard handrail stair ramp',
    matches: new RegExp(
      `^(?<is>guard|handrail)\\s+(?!open)(?<thing>\\S+)(?:\\s+(?<side>${GUARD_SIDES.join('|')}))?$`,
      'i',
    ),
    read: ({ is, thing, side }, { building, framework }) => {
      const isRamp = recordsOf(framework, 'ramp').some(({ name }) => name === thing);
      const sides = side ? { side: wordOf(side, GUARD_SIDES) } : {};
      return {
        command: 'guards.add',
        input: {
          building,
          is: wordOf(is!, ['guard', 'handrail'] as const),
          along: isRamp ? { of: 'ramp', ramp: thing!, ...sides } : { of: 'stair', stair: thing!, ...sides },
        },
      };
    },
  },
];
