import { Unread, lengthOf, lengthsOf, levelOf, lineOf, linesOf, pointOf, wordOf } from '../entry/entry-context';
import { RANGE, angleOf, fromTo, modeOf, pointOrZero } from '../entry/entry-parts';
import { parseAngles } from '../units/parse-angles';
import { HEADS } from './grid';
import type { Form } from '../kinds/form';

/** Typed lines for grids and their lines. */
export const GRID_FORMS: readonly Form[] = [
  {
    pattern: 'radial ANGLES radii RADII [at POINT] [turned ANGLE] [from LEVEL] [to LEVEL]',
    example: 'radial 6@15 radii 8m 2@6m at 60m,10m',
    title: 'Add a grid of rays and rings',
    words: 'radial',
    matches: new RegExp(
      `^radial\\s+(?<angles>.+?)\\s+radii\\s+(?<radii>.+?)(?:\\s+at\\s+(?<at>.+?))?(?:\\s+turned\\s+(?<turn>\\S+))?${RANGE}`,
      'i',
    ),
    read: ({ angles, radii, at: point, turn, from, to }, context) => {
      const between = parseAngles(angles!);
      if (!between.ok) throw new Unread(between.refusal.message);
      const { x, y } = pointOrZero(point, context);
      return {
        command: 'grids.addRadial',
        input: {
          building: context.building,
          angles: between.value,
          radii: lengthsOf(radii!, context),
          xMm: x,
          yMm: y,
          turnDeg: angleOf(turn),
          ...fromTo(from, to, context),
        },
      };
    },
  },
  {
    pattern: 'free line POINT to POINT [as LABEL]',
    example: 'free line A-1 + 0,3m to D-6 as 21',
    title: 'Add a free grid line',
    words: 'free line',
    matches: /^free\s+line\s+(?<a>.+?)\s+to\s+(?<b>.+?)(?:\s+as\s+(?<label>\S+))?$/i,
    read: ({ a, b, label }, context) => {
      const [p, q] = [pointOf(a!, context), pointOf(b!, context)];
      const path = { x0Mm: p.x, y0Mm: p.y, x1Mm: q.x, y1Mm: q.y };
      return {
        command: 'grids.addFree',
        input: { building: context.building, lines: [{ path, ...(label ? { label } : {}) }] },
      };
    },
  },
  {
    pattern: 'free arc POINT radius LENGTH from ANGLE through ANGLE [as LABEL]',
    example: 'free arc A-1 radius 9m from 0 through 90 as 22',
    title: 'Add a free arc, counter-clockwise',
    words: 'free arc',
    matches:
      /^free\s+arc\s+(?<centre>.+?)\s+radius\s+(?<radius>.+?)\s+from\s+(?<from>\S+)\s+through\s+(?<sweep>\S+)(?:\s+as\s+(?<label>\S+))?$/i,
    read: ({ centre, radius, from, sweep, label }, context) => {
      const { x, y } = pointOf(centre!, context);
      const path = {
        xMm: x,
        yMm: y,
        radiusMm: lengthOf(radius!, context),
        fromDeg: angleOf(from),
        sweepDeg: angleOf(sweep),
      };
      return {
        command: 'grids.addFree',
        input: { building: context.building, lines: [{ path, ...(label ? { label } : {}) }] },
      };
    },
  },
  {
    pattern: 'turn ray LINE by ANGLE [only]',
    example: 'turn ray 2 by 5',
    title: 'Turn a ray; the rays after it are pushed',
    words: 'turn ray',
    matches: /^turn\s+ray\s+(?<line>\S+)\s+by\s+(?<by>\S+)(?<only>\s+only)?$/i,
    read: ({ line, by, only }, context) => ({
      command: 'grids.moveLine',
      input: { line: lineOf(line!, context), byDeg: angleOf(by), mode: only ? 'only' : 'push' },
    }),
  },
  {
    pattern: 'joint LINE GAP [only]',
    example: 'joint 3 50',
    title: 'Make a grid line a movement joint',
    words: 'joint',
    matches: /^joint\s+(?<line>\S+)\s+(?<gap>.+?)(?<only>\s+only)?$/i,
    read: ({ line, gap, only }, context) => ({
      command: 'grids.addJoint',
      input: { line: lineOf(line!, context), gapMm: lengthOf(gap!, context), mode: only ? 'only' : 'push' },
    }),
  },
  {
    pattern: 'heads LINES first|last|both|none',
    example: 'heads 1-6 both',
    title: 'Say at which ends grid lines have their heads',
    words: 'heads',
    matches: /^heads\s+(?<lines>.+?)\s+(?<heads>first|last|both|none)$/i,
    read: ({ lines, heads }, context) => ({
      command: 'grids.changeLines',
      input: { lines: linesOf(lines!, context), heads: wordOf(heads!, HEADS) },
    }),
  },
  {
    pattern: 'lines LINES from LEVEL to LEVEL',
    example: 'lines 2,3 from B2 to 02',
    title: 'Say on which levels grid lines are',
    words: 'lines',
    matches: /^lines\s+(?<lines>.+?)\s+from\s+(?<from>\S+)\s+to\s+(?<to>\S+)$/i,
    read: ({ lines, from, to }, context) => ({
      command: 'grids.changeLines',
      input: { lines: linesOf(lines!, context), ...fromTo(from, to, context) },
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
];
