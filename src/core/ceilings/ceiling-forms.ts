import { LENGTH, lengthOf } from '../entry/entry-context';
import type { Form } from '../kinds/form';

/** Typed lines for ceilings. */
export const CEILING_FORMS: readonly Form[] = [
  {
    pattern: 'ceiling LENGTH clear [in ROOMS] [LENGTH thick]',
    example: 'ceiling 2.6m clear',
    title: 'A ceiling in all rooms, or in those of some numbers',
    words: 'ceiling',
    matches: new RegExp(
      `^ceiling\\s+(?<clear>${LENGTH})\\s+clear(?:\\s+in\\s+(?<rooms>\\S+(?:\\s*,\\s*\\S+)*?))?(?:\\s+(?<t>${LENGTH})\\s+thick)?$`,
      'i',
    ),
    read: ({ clear, rooms, t }, context) => ({
      command: 'ceilings.add',
      input: {
        building: context.building,
        heightMm: lengthOf(clear!, context),
        ...(rooms ? { rooms: rooms.split(',').map((number) => number.trim()) } : {}),
        ...(t ? { thicknessMm: lengthOf(t, context) } : {}),
      },
    }),
  },
];
