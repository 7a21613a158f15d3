import { lengthOf, mmOfText } from '../entry/entry-context';
import { angleOf } from '../entry/entry-parts';
import type { Form } from '../kinds/form';

/** Typed lines for buildings and the survey. */
export const BUILDING_FORMS: readonly Form[] = [
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
  {
    pattern: 'building NAME [at EAST,NORTH] [zero LENGTH]',
    example: 'building East at 12m,0 zero 600',
    title: 'Another building, with its place and the height of its zero',
    words: 'building',
    matches: /^building\s+(?<name>.+?)(?:\s+at\s+(?<x>[^,]+),(?<y>\S+))?(?:\s+zero\s+(?<zero>.+))?$/i,
    read: ({ name, x, y, zero }, context) => ({
      command: 'buildings.add',
      input: {
        name: name!.trim(),
        ...(x ? { xMm: lengthOf(x, context), yMm: lengthOf(y!, context) } : {}),
        ...(zero ? { zeroMm: lengthOf(zero, context) } : {}),
      },
    }),
  },
];
