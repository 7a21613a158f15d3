import { parseAngle } from '../units/parse-angle';
import { parseAngles } from '../units/parse-angles';
import {
  axisOf,
  columnsOf,
  lengthOf,
  lengthsOf,
  levelOf,
  lineOf,
  linesOf,
  mmOfText,
  pointOf,
  SECTION,
  sectionOf,
  Unread,
  wordOf,
} from './entry-context';
import type { Form, EntryContext } from '../kinds/form';
import { HEADS } from '../grids/grid';

export const angleOf = (text: string | undefined): number => {
  const angle = parseAngle(text ?? '0');
  if (!angle.ok) throw new Unread(`"${text}": ${angle.refusal.message}`);
  return angle.value;
};
const at = (point: string | undefined, context: EntryContext) => (point ? pointOf(point, context) : { x: 0, y: 0 });
const levels = (from: string | undefined, to: string | undefined, context: EntryContext) => ({
  ...(from ? { fromLevel: levelOf(from, context) } : {}),
  ...(to ? { toLevel: levelOf(to, context) } : {}),
});
const range = '(?:\\s+from\\s+(?<from>\\S+))?(?:\\s+to\\s+(?<to>\\S+))?$';

const SIDES = { inside: 'interior', outside: 'exterior', both: 'both' } as const;

/** Forms for grids of other shapes, setting-out lines, and columns that are held or differ. */
export const SETTING_OUT_FORMS: readonly Form[] = [
  {
    pattern: 'radial ANGLES radii RADII [at POINT] [turned ANGLE] [from LEVEL] [to LEVEL]',
    example: 'radial 6@15 radii 8m 2@6m at 60m,10m',
    title: 'Add a grid of rays and rings',
    words: 'radial',
    matches: new RegExp(
      `^radial\\s+(?<angles>.+?)\\s+radii\\s+(?<radii>.+?)(?:\\s+at\\s+(?<at>.+?))?(?:\\s+turned\\s+(?<turn>\\S+))?${range}`,
      'i',
    ),
    read: ({ angles, radii, at: point, turn, from, to }, context) => {
      const between = parseAngles(angles!);
      if (!between.ok) throw new Unread(between.refusal.message);
      const { x, y } = at(point, context);
      return {
        command: 'grids.addRadial',
        input: {
          building: context.building,
          angles: between.value,
          radii: lengthsOf(radii!, context),
          xMm: x,
          yMm: y,
          turnDeg: angleOf(turn),
          ...levels(from, to, context),
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
      input: { lines: linesOf(lines!, context), ...levels(from, to, context) },
    }),
  },
  {
    pattern: 'set out DISTANCE inside|outside|both LINES [named NAME]',
    example: 'set out 210 inside A,D named Face',
    title: 'Set out lines at a distance from grid lines',
    words: 'set out',
    matches: /^set\s+out\s+(?<offset>.+?)\s+(?<side>inside|outside|both)\s+(?<lines>.+?)(?:\s+named\s+(?<name>.+))?$/i,
    read: ({ offset, side, lines, name }, context) => ({
      command: 'settingOut.add',
      input: {
        building: context.building,
        offsetMm: lengthOf(offset!, context),
        side: SIDES[wordOf(side!, ['inside', 'outside', 'both'])],
        lines: linesOf(lines!, context),
        ...(name ? { name } : {}),
      },
    }),
  },
  {
    pattern: 'columns along LINE every SPACING SECTION',
    example: 'columns along A every 4.5m round 400',
    title: 'Columns along a line at a spacing',
    words: 'columns along',
    matches: new RegExp(`^columns?\\s+along\\s+(?<line>.+?)\\s+every\\s+(?<spacing>\\S+)\\s+${SECTION}$`, 'iu'),
    read: ({ line, spacing, section }, context) => ({
      command: 'columns.placeAlong',
      input: {
        building: context.building,
        line: axisOf(line!, context),
        spacingMm: lengthOf(spacing!, context),
        section: sectionOf(section!, context),
      },
    }),
  },
  {
    pattern: 'size COLUMNS SECTION from LEVEL up | at LEVEL',
    example: 'size A-1,B-2 400x400 from 02 up',
    title: 'Another section from a level up, or at one level',
    words: 'size',
    matches: new RegExp(
      `^size\\s+(?<columns>\\S+)\\s+${SECTION}\\s+(?:from\\s+(?<from>\\S+)\\s+up|at\\s+(?<at>\\S+))$`,
      'iu',
    ),
    read: ({ columns, section, from, at: level }, context) => ({
      command: 'columns.except',
      input: {
        columns: columnsOf(columns!, context),
        section: sectionOf(section!, context),
        level: levelOf((from ?? level)!, context),
        upwards: from !== undefined,
      },
    }),
  },
  {
    pattern: 'leave out COLUMNS at LEVEL',
    example: 'leave out B-2 at 00',
    title: 'Leave columns out at a level',
    words: 'leave out',
    matches: /^leave\s+out\s+(?<columns>\S+)\s+at\s+(?<level>\S+)$/i,
    read: ({ columns, level }, context) => ({
      command: 'columns.except',
      input: { columns: columnsOf(columns!, context), level: levelOf(level!, context), leftOut: true },
    }),
  },
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
    pattern: 'survey EASTING NORTHING [height LENGTH] [north ANGLE]',
    example: 'survey 412345.6m 98765.4m height 12.3m north 6.1',
    title: 'Say where the site stands in the survey',
    words: 'survey',
    matches: /^survey\s+(?<e>\S+)\s+(?<n>\S+)(?:\s+height\s+(?<h>\S+))?(?:\s+north\s+(?<turn>\S+))?$/i,
    read: ({ e, n, h, turn }, context) => ({
      command: 'project.setSurvey',
      input: {
        eastingMm: mmOfText(e!, context),
        northingMm: mmOfText(n!, context),
        heightMm: h ? mmOfText(h, context) : 0,
        trueNorthDeg: angleOf(turn),
      },
    }),
  },
];
