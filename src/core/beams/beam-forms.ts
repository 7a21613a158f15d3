import { LENGTH, lengthOf, levelOf, lineOf, placeOf, wordOf } from '../entry/entry-context';
import type { Form } from '../kinds/form';
import { BEAM_FORMS } from './beam';

/** `beam from PLACE to PLACE` and `beam along LINE between LINE and LINE`, each with its size. */
const SIZE = `(?:\\s+(?<w>${LENGTH})\\s+wide)?(?:\\s+(?<d>${LENGTH})\\s+deep)?(?:\\s+at\\s+(?<level>\\S+))?`;

export const BEAM_FORMS_TYPED: readonly Form[] = [
  {
    pattern: 'beam|downstand along LINE between LINE and LINE [LENGTH wide] [LENGTH deep] [at LEVEL]',
    example: 'beam along B between 1 and 2 300mm wide 450mm deep',
    title: 'A beam or downstand along a line, between two others',
    words: 'beam',
    matches: new RegExp(
      `^(?<form>beam|downstand)\\s+along\\s+(?<line>\\S+)\\s+between\\s+(?<a>\\S+)\\s+and\\s+(?<b>\\S+)${SIZE}$`,
      'i',
    ),
    read: ({ form, line, a, b, w, d, level }, context) => ({
      command: 'beams.add',
      input: {
        form: wordOf(form!, BEAM_FORMS),
        line: lineOf(line!, context),
        between: [lineOf(a!, context), lineOf(b!, context)],
        ...sizes(w, d, level, context),
      },
    }),
  },
  {
    pattern: 'beam|downstand from PLACE to PLACE [LENGTH wide] [LENGTH deep] [at LEVEL]',
    example: 'beam from A-1 to A-2 300mm wide 450mm deep',
    title: 'A beam or downstand between two places',
    words: 'beam',
    matches: new RegExp(
      `^(?<form>beam|downstand)\\s+from\\s+(?<from>.+?)\\s+to\\s+(?<to>\\S+(?:\\s*\\+\\s*\\S+)?)${SIZE}$`,
      'i',
    ),
    read: ({ form, from, to, w, d, level }, context) => ({
      command: 'beams.add',
      input: {
        form: wordOf(form!, BEAM_FORMS),
        from: placeOf(from!, context),
        to: placeOf(to!, context),
        ...sizes(w, d, level, context),
      },
    }),
  },
];

type Context = Parameters<Form['read']>[1];

function sizes(w: string | undefined, d: string | undefined, level: string | undefined, context: Context) {
  return {
    ...(w ? { widthMm: lengthOf(w, context) } : {}),
    ...(d ? { depthMm: lengthOf(d, context) } : {}),
    ...(level ? { levels: { at: [levelOf(level, context)] } } : {}),
  };
}
