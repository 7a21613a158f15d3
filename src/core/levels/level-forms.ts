import { lengthOf, lengthsOf, levelOf, wordOf } from '../entry/entry-context';
import { modeOf } from '../entry/entry-parts';
import type { Form } from '../kinds/form';

/** Typed lines for levels and storeys. */
export const LEVEL_FORMS: readonly Form[] = [
  {
    pattern: 'set up again HEIGHTS [basements HEIGHTS]',
    example: 'set up again 6m 2@4.8m 3@3.3m basements 3.9m',
    title: 'Set the levels up again; those that are there change',
    words: 'set up',
    matches: /^set\s+up\s+again\s+(?<above>.+?)(?:\s+basements\s+(?<below>.+))?$/i,
    read: ({ above, below }, context) => ({
      command: 'levels.setUp',
      input: {
        building: context.building,
        above: lengthsOf(above!, context),
        below: below ? lengthsOf(below, context) : [],
        again: true,
      },
    }),
  },
  {
    pattern: 'levels HEIGHTS above|below LEVEL',
    example: 'levels 9 @ 3.3m above 02',
    title: 'Insert storeys; what lies beyond is pushed',
    words: 'levels',
    matches: /^levels?\s+(?<heights>.+?)\s+(?<side>above|below)\s+(?<level>\S+)$/i,
    read: ({ heights, side, level }, context) => ({
      command: 'levels.insertMany',
      input: {
        level: levelOf(level!, context),
        side: wordOf(side!, ['above', 'below']),
        heights: lengthsOf(heights!, context),
      },
    }),
  },
  {
    pattern: 'level LEVEL to ELEVATION [only]',
    example: 'level 02 to 10.35m',
    title: 'Set the elevation of a level',
    words: 'level to',
    matches: /^level\s+(?<level>\S+)\s+to\s+(?<at>.+?)(?<only>\s+only)?$/i,
    read: ({ level, at, only }, context) => ({
      command: 'levels.setElevation',
      input: { level: levelOf(level!, context), fflMm: lengthOf(at!, context), mode: modeOf(only) },
    }),
  },
  {
    pattern: 'storey LEVEL HEIGHT [only]',
    example: 'storey 00 5.55m',
    title: 'Set the floor-to-floor height of a storey',
    words: 'storey',
    matches: /^storey\s+(?<level>\S+)\s+(?<height>.+?)(?<only>\s+only)?$/i,
    read: ({ level, height, only }, context) => ({
      command: 'levels.setHeight',
      input: { level: levelOf(level!, context), heightMm: lengthOf(height!, context), mode: modeOf(only) },
    }),
  },
  {
    pattern: 'split storey LEVEL in N',
    example: 'split storey 00 in 2',
    title: 'Split a storey into equal parts',
    words: 'split storey',
    matches: /^split\s+storey\s+(?<level>\S+)\s+in\s+(?<parts>\d+)$/i,
    read: ({ level, parts }, context) => ({
      command: 'levels.split',
      input: { level: levelOf(level!, context), parts: Number(parts) },
    }),
  },
  {
    pattern: 'name level LEVEL NAME',
    example: 'name level 02 Gallery',
    title: 'Rename a level',
    words: 'name level',
    matches: /^name\s+level\s+(?<level>\S+)\s+(?<name>\S+)$/i,
    read: ({ level, name }, context) => ({
      command: 'levels.rename',
      input: { level: levelOf(level!, context), name: name! },
    }),
  },
];
