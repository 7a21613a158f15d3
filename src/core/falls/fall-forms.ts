import { LENGTH, lengthOf, levelOf } from '../entry/entry-context';
import { buildingOf } from '../entry/entry-parts';
import type { Form } from '../kinds/form';

/** Typed lines for layers of falls. */
export const FALL_FORMS: readonly Form[] = [
  {
    pattern: 'falls [SLOPE] [on ROOF] [at LEVEL] [least LENGTH] to POINT; POINT … [in BUILDING]',
    example: 'falls 2% least 40 to 9000,10500; 9000,31500',
    title: 'A layer of falls on a flat roof, to outlets at some places',
    words: 'falls',
    matches: new RegExp(
      `^falls(?:\\s+(?<slope>1\\s*:\\s*[\\d.]+|[\\d.]+\\s*(?:%|°|deg)?))?(?:\\s+on\\s+(?<on>\\S+))?(?:\\s+at\\s+(?<level>\\S+))?(?:\\s+least\\s+(?<least>${LENGTH}))?\\s+to\\s+(?<points>.+?)(?:\\s+in\\s+(?<building>.+))?$`,
      'i',
    ),
    read: ({ slope, on, level, least, points, building }, context) => ({
      command: 'fallLayers.add',
      input: {
        building: building ? buildingOf(building, context) : context.building,
        ...(slope ? { slope } : {}),
        ...(on ? { on } : {}),
        ...(level ? { level: levelOf(level, context) } : {}),
        ...(least ? { leastMm: lengthOf(least, context) } : {}),
        outlets: points!.split(';').map((point) => point.trim()),
      },
    }),
  },
];
