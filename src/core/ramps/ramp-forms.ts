import { LENGTH, lengthOf, levelOf, placeOf, wordOf } from '../entry/entry-context';
import type { Form } from '../kinds/form';
import { RAMP_FORMS } from './ramp';

/** Typed lines for ramps. */
export const RAMP_FORMS_TYPED: readonly Form[] = [
  {
    pattern: 'ramp POINT [FORM] WIDTH wide towards DEGREES from LEVEL to LEVEL',
    example: 'ramp A-1 straight 1500 wide towards 90 from 00 to 01',
    title: 'A ramp from the middle of its foot, as long as it must be',
    words: 'ramp',
    matches: new RegExp(
      `^ramp\\s+(?<place>.+?)(?:\\s+(?<form>${RAMP_FORMS.join('|')}))?\\s+(?<w>${LENGTH})\\s+wide\\s+towards\\s+(?<deg>-?[\\d.]+)\\s+from\\s+(?<from>\\S+)\\s+to\\s+(?<to>\\S+)$`,
      'i',
    ),
    read: ({ place, form, w, deg, from, to }, context) => ({
      command: 'ramps.add',
      input: {
        building: context.building,
        place: placeOf(place!, context),
        widthMm: lengthOf(w!, context),
        towardsDeg: Number(deg),
        ...(form ? { form: wordOf(form, RAMP_FORMS) } : {}),
        startsAt: { level: levelOf(from!, context) },
        stopsAt: { level: levelOf(to!, context) },
      },
    }),
  },
];
