import {
  LENGTH,
  SECTION,
  axisOf,
  columnsOf,
  lengthOf,
  levelOf,
  linesOf,
  placeOf,
  sectionOf,
  wordOf,
} from '../entry/entry-context';
import { ends, thingsOf } from '../entry/entry-parts';
import { recordsOf } from '../model/framework';
import type { Form } from '../kinds/form';

/** Typed lines for columns, what differs up them and their heads. */
export const COLUMN_FORMS: readonly Form[] = [
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
    pattern: 'column heads SIZE LENGTH deep [on THINGS]',
    example: 'column heads 1200x1200 400 deep',
    title: 'Heads on columns, under the slabs of all levels but the top',
    words: 'column heads',
    matches: new RegExp(
      `^column\\s+heads\\s+(?<w>${LENGTH})\\s*[x×]\\s*(?<d>${LENGTH})\\s+(?<h>${LENGTH})\\s+deep(?:\\s+on\\s+(?<things>.+))?$`,
      'i',
    ),
    read: ({ w, d, h, things }, context) => ({
      command: 'columns.setBlocks',
      input: {
        columns: things
          ? thingsOf(things, context)
          : recordsOf(context.framework, 'columnStack')
              .filter(({ building }) => building === context.building)
              .map(({ id }) => id),
        head: { widthMm: lengthOf(w!, context), depthMm: lengthOf(d!, context), heightMm: lengthOf(h!, context) },
        at: 'allButTop',
      },
    }),
  },
];
