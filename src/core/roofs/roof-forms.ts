import { LENGTH, lengthOf, levelOf } from '../entry/entry-context';
import { buildingOf } from '../entry/entry-parts';
import type { Form } from '../kinds/form';

/** Typed lines for roofs. */
export const ROOF_FORMS: readonly Form[] = [
  {
    pattern: 'flat roof [at LEVEL] [LENGTH thick] [parapet LENGTH] [in BUILDING]',
    example: 'flat roof at RF 300 thick parapet 900',
    title: 'A flat roof with a parapet on the exterior walls that reach a level',
    words: 'flat roof',
    matches: new RegExp(
      `^flat\\s+roof(?:\\s+at\\s+(?<level>\\S+))?(?:\\s+(?<t>${LENGTH})\\s+thick)?(?:\\s+parapet\\s+(?<h>${LENGTH}))?(?:\\s+in\\s+(?<building>.+))?$`,
      'i',
    ),
    read: ({ level, t, h, building }, context) => ({
      command: 'roofs.addFlat',
      input: {
        building: building ? buildingOf(building, context) : context.building,
        ...(level ? { level: levelOf(level, context) } : {}),
        ...(t ? { thicknessMm: lengthOf(t, context) } : {}),
        ...(h ? { parapet: { heightMm: lengthOf(h, context) } } : {}),
      },
    }),
  },
];
