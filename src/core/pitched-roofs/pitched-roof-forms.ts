import { LENGTH, lengthOf, levelOf } from '../entry/entry-context';
import { buildingOf } from '../entry/entry-parts';
import type { Form } from '../kinds/form';

/** Typed lines for pitched roofs. */
export const PITCHED_ROOF_FORMS: readonly Form[] = [
  {
    pattern: 'pitched roof [at LEVEL] [slope SLOPE] [overhang LENGTH] [in BUILDING]',
    example: 'pitched roof at RF slope 40° overhang 500',
    title: 'A pitched roof on the exterior walls that reach a level',
    words: 'pitched roof',
    matches: new RegExp(
      `^pitched\\s+roof(?:\\s+at\\s+(?<level>\\S+))?(?:\\s+slope\\s+(?<slope>1\\s*:\\s*[\\d.]+|[\\d.]+\\s*(?:°|%|deg)?))?(?:\\s+overhang\\s+(?<over>${LENGTH}))?(?:\\s+in\\s+(?<building>.+))?$`,
      'i',
    ),
    read: ({ level, slope, over, building }, context) => ({
      command: 'pitchedRoofs.add',
      input: {
        building: building ? buildingOf(building, context) : context.building,
        ...(level ? { eavesAt: { level: levelOf(level, context) } } : {}),
        ...(slope ? { slope } : {}),
        ...(over ? { overhangMm: lengthOf(over, context) } : {}),
      },
    }),
  },
];
