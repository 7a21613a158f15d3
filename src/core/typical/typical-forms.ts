import { levelOf } from '../entry/entry-context';
import type { Form } from '../kinds/form';

/** Typed lines for typical floors. */
export const TYPICAL_FORMS: readonly Form[] = [
  {
    pattern: 'typical LEVEL,LEVEL as LEVEL',
    example: 'typical 02,03 as 01',
    title: 'Let levels follow one master: typical floors',
    words: 'typical',
    matches: /^typical\s+(?<levels>.+?)\s+as\s+(?<master>\S+)$/i,
    read: ({ levels, master }, context) => ({
      command: 'typical.follow',
      input: {
        master: levelOf(master!, context),
        levels: levels!.split(',').map((name) => levelOf(name.trim(), context)),
      },
    }),
  },
];
