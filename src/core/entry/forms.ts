import { SHAFT_PURPOSES } from '../shafts/shaft';
import {
  axisOf,
  LENGTH,
  lengthOf,
  lengthsOf,
  levelOf,
  lineOf,
  linesOf,
  placeOf,
  pointOf,
  SECTION,
  sectionOf,
  wordOf,
} from './entry-context';
import { CARRYING_FORMS } from './carrying-forms';
import { everyFacet } from '../kinds/registry';
import type { Form, EntryContext } from '../kinds/form';
import { STRUCTURE_FORMS } from './structure-forms';
import { angleOf, SETTING_OUT_FORMS } from './setting-out-forms';

const modeOf = (only: string | undefined): 'push' | 'only' => (only ? 'only' : 'push');
const ends = (from: string | undefined, to: string | undefined, context: EntryContext) => ({
  ...(from ? { startsAt: { level: levelOf(from, context) } } : {}),
  ...(to ? { stopsAt: { level: levelOf(to, context) } } : {}),
});

/** Every form there is. The first that matches a line reads it. */
export const FORMS: readonly Form[] = [
  ...SETTING_OUT_FORMS,
  ...CARRYING_FORMS,
  ...everyFacet('forms').flatMap(({ all }) => all),
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
  {
    pattern:
      'grid BAYS by BAYS [opposite BAYS by BAYS] [labels FIRST [down] by FIRST [down]] [skip SIGNS] [at POINT] [turned ANGLE] [from LEVEL] [to LEVEL]',
    example: 'grid 2@7200 3600 3@7200 by 6600 2@7800 6600 at 60m,0 turned 5.7',
    title: 'Add a rectangular grid, its opposite sides alike or not',
    words: 'grid by',
    matches:
      /^grid\s+(?<across>.+?)\s+by\s+(?<up>.+?)(?:\s+opposite\s+(?<farAcross>.+?)\s+by\s+(?<farUp>.+?))?(?:\s+labels\s+(?<a>\w+)(?<aDown>\s+down)?\s+by\s+(?<b>\w+)(?<bDown>\s+down)?)?(?:\s+skip\s+(?<skip>\w+))?(?:\s+at\s+(?<at>.+?))?(?:\s+turned\s+(?<turn>\S+))?(?:\s+from\s+(?<from>\S+))?(?:\s+to\s+(?<to>\S+))?$/i,
    read: (parts, context) => {
      const rule = (first: string, down: string | undefined, skip: string) => ({
        first: first.toUpperCase(),
        skip,
        prefix: '',
        suffix: '',
        descending: down !== undefined,
      });
      const { x, y } = parts.at ? pointOf(parts.at, context) : { x: 0, y: 0 };
      const skip = (parts.skip ?? 'IO').toUpperCase();
      return {
        command: 'grids.add',
        input: {
          building: context.building,
          baysA: lengthsOf(parts.across!, context),
          baysB: lengthsOf(parts.up!, context),
          ...(parts.farAcross
            ? { farBaysA: lengthsOf(parts.farAcross, context), farBaysB: lengthsOf(parts.farUp!, context) }
            : {}),
          labelsA: rule(parts.a ?? '1', parts.aDown, skip),
          labelsB: rule(parts.b ?? 'A', parts.bDown, skip),
          xMm: x,
          yMm: y,
          turnDeg: angleOf(parts.turn),
          ...(parts.from ? { fromLevel: levelOf(parts.from, context) } : {}),
          ...(parts.to ? { toLevel: levelOf(parts.to, context) } : {}),
        },
      };
    },
  },
  {
    pattern: 'bays across|up BAYS',
    example: 'bays across 5@8100',
    title: 'Type the bays of one direction anew',
    words: 'bays',
    matches: /^bays\s+(?<way>across|up)\s+(?<bays>.+)$/i,
    read: ({ way, bays }, context) => ({
      command: 'grids.setBays',
      input: { direction: way!.toLowerCase() === 'across' ? 'a' : 'b', bays: lengthsOf(bays!, context) },
    }),
  },
  {
    pattern: 'line LINE by DISTANCE [only]',
    example: 'line 3 by 600',
    title: 'Move a grid line; the lines beyond are pushed',
    words: 'line by',
    matches: /^line\s+(?<line>\S+)\s+by\s+(?<by>.+?)(?<only>\s+only)?$/i,
    read: ({ line, by, only }, context) => ({
      command: 'grids.moveLine',
      input: { line: lineOf(line!, context), byMm: lengthOf(by!, context), mode: modeOf(only) },
    }),
  },
  {
    pattern: 'split bay LINE [at DISTANCE] [as SUFFIX]',
    example: 'split bay B at 2.6m as .1',
    title: 'Split the bay before a grid line',
    words: 'split bay',
    matches: /^split\s+bay\s+(?<line>\S+)(?:\s+at\s+(?<at>.+?))?(?:\s+as\s+(?<suffix>\S+))?$/i,
    read: ({ line, at, suffix }, context) => ({
      command: 'grids.splitBay',
      input: {
        line: lineOf(line!, context),
        ...(at ? { atMm: lengthOf(at, context) } : {}),
        ...(suffix ? { suffix } : {}),
      },
    }),
  },
  {
    pattern: 'label LINE as LABEL',
    example: 'label 3 as 11',
    title: 'Relabel a grid line; the lines after it continue',
    words: 'label',
    matches: /^label\s+(?<line>\S+)\s+as\s+(?<label>\S+)$/i,
    read: ({ line, label }, context) => ({
      command: 'grids.relabel',
      input: { line: lineOf(line!, context), label: label! },
    }),
  },
  {
    pattern: 'columns at LINES x LINES SECTION [interior|exterior|centre on LINE,LINE] [from LEVEL] [to LEVEL]',
    example: 'columns at A-D x 1-6 500x500',
    title: 'Columns at the crossings of grid lines',
    words: 'columns at',
    matches: new RegExp(
      `^columns?\\s+at\\s+(?<some>[^x]+?)\\s+x\\s+(?<others>[\\p{L}\\d.,\\s–-]+?)\\s+${SECTION}(?:\\s+(?<face>interior|exterior|centre)\\s+on\\s+(?<on>.+?))?(?:\\s+from\\s+(?<from>\\S+))?(?:\\s+to\\s+(?<to>\\S+))?$`,
      'iu',
    ),
    read: ({ some, others, section, face, on, from, to }, context) => ({
      command: 'columns.placeAtCrossings',
      input: {
        building: context.building,
        lines: [...linesOf(some!, context), ...linesOf(others!, context)],
        section: sectionOf(section!, context),
        ...(on
          ? {
              flush: on.split(',').map((line) => ({
                line: axisOf(line, context),
                face: wordOf(face!, ['interior', 'exterior', 'centre']),
              })),
            }
          : {}),
        ...ends(from, to, context),
      },
    }),
  },
  {
    pattern: 'column POINT SECTION [from LEVEL] [to LEVEL]',
    example: 'column C-4 + 1200,300 round 550',
    title: 'One column at a point',
    words: 'column',
    matches: new RegExp(
      `^column\\s+(?!heads\\b)(?<place>.+?)\\s+${SECTION}(?:\\s+from\\s+(?<from>\\S+))?(?:\\s+to\\s+(?<to>\\S+))?$`,
      'iu',
    ),
    read: ({ place, section, from, to }, context) => ({
      command: 'columns.place',
      input: {
        building: context.building,
        place: placeOf(place!, context),
        section: sectionOf(section!, context),
        ...ends(from, to, context),
      },
    }),
  },
  {
    pattern: 'shaft POINT SIZE [PURPOSE] [named NAME] [from LEVEL] [to LEVEL]',
    example: 'shaft B-3 + 600,1200 2400x2700 lift',
    title: 'A shaft from its lower left corner',
    words: 'shaft',
    matches: new RegExp(
      `^shaft\\s+(?<place>.+?)\\s+(?<size>${LENGTH}\\s*[x×]\\s*${LENGTH})(?:\\s+(?<purpose>${SHAFT_PURPOSES.join('|')}))?(?:\\s+named\\s+(?<name>\\S+))?(?:\\s+from\\s+(?<from>\\S+))?(?:\\s+to\\s+(?<to>\\S+))?$`,
      'iu',
    ),
    read: ({ place, size, purpose, name, from, to }, context) => {
      const [wide, deep] = size!.split(/\s*[x×]\s*/i);
      const [widthMm, depthMm] = [lengthOf(wide!, context), lengthOf(deep!, context)];
      return {
        command: 'shafts.add',
        input: {
          building: context.building,
          outline: { type: 'rectangle', place: placeOf(place!, context), widthMm, depthMm },
          ...(purpose ? { purpose: wordOf(purpose, SHAFT_PURPOSES) } : {}),
          ...(name ? { name } : {}),
          ...ends(from, to, context),
        },
      };
    },
  },
  {
    pattern: 'floor grid + OFFSET [THICKNESS thick] [from LEVEL to LEVEL]',
    example: 'floor grid + 300 250 thick',
    title: 'A floor plate from the grid with an offset',
    words: 'floor grid',
    matches: new RegExp(
      `^floor\\s+grid\\s*(?<sign>[+-])\\s*(?<offset>${LENGTH})(?:\\s+(?<thick>${LENGTH})\\s+thick)?(?:\\s+from\\s+(?<from>\\S+)\\s+to\\s+(?<to>\\S+))?$`,
      'i',
    ),
    read: ({ sign, offset, thick, from, to }, context) => ({
      command: 'floors.add',
      input: {
        building: context.building,
        outline: { type: 'gridOffset', offsetMm: lengthOf(`${sign === '-' ? '-' : ''}${offset}`, context) },
        ...(thick ? { thicknessMm: lengthOf(thick, context) } : {}),
        ...(from ? { levels: { range: [levelOf(from, context), levelOf(to!, context)] } } : {}),
      },
    }),
  },
  {
    pattern: 'dimension NAME = LENGTH',
    example: 'dimension typical = 3.3m',
    title: 'Define a named dimension',
    words: 'dimension',
    matches: /^dimension\s+(?<name>\S+)\s*=\s*(?<value>.+)$/i,
    read: ({ name, value }, context) => ({
      command: 'dimensions.define',
      input: { name: name!, value: lengthOf(value!, context) },
    }),
  },
  ...STRUCTURE_FORMS,
];
