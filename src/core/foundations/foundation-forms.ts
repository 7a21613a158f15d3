import { LENGTH, lengthOf } from '../entry/entry-context';
import type { Form } from '../kinds/form';

/** Typed lines for foundations. */
export const FOUNDATION_FORMS: readonly Form[] = [
  {
    pattern: 'raft [LENGTH thick]',
    example: 'raft 800 thick',
    title: 'A raft under the lowest floor',
    words: 'raft',
    matches: new RegExp(`^raft(?:\\s+(?<t>${LENGTH})\\s+thick)?$`, 'i'),
    read: ({ t }, context) => ({
      command: 'foundations.add',
      input: { building: context.building, form: 'raft', ...(t ? { thicknessMm: lengthOf(t, context) } : {}) },
    }),
  },
];
