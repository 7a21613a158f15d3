import { z } from 'zod';
import { curveLength, pointAlong } from '../geometry/curve';
import { distance } from '../geometry/point';
import { buildingCrossings, crossingOf, type Crossing } from '../grids/crossings';
import { endInputSchema, readSpan } from '../levels/end-input';
import { defineCommand } from '../commands/command';
import { angleSchema, textSchema } from '../model/fields';
import { recordOf, recordsOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { LengthReader, lengthInputSchema, refuseNow, refusing } from '../commands/length-input';
import { axisReferred, buildingReferred, lineReferred, markOf, refSchema } from '../commands/refer';
import { placeInputSchema, readPlace } from '../outlines/outline-input';
import { resolvePlace } from '../outlines/resolve-place';
import { quantiseMm } from '../units/length-units';
import { amongFree, chooseCrossings } from './choose-crossings';
import { MATERIALS, PLAIN_STACK, type ColumnStack } from './column';
import {
  belongsTo,
  columnFields,
  freeMarks,
  holdsOn,
  placeOf,
  readHold,
  readSection,
  sectionInputSchema,
} from './column-input';
import { copyStack } from './copy-stack';
import { compareColumns, comparedWords } from './compare-columns';
import { nearestCrossing } from './nearest-crossing';

type NewStack = Omit<ColumnStack, 'id'>;
const plain = (): Pick<NewStack, keyof typeof PLAIN_STACK> => ({
  ...PLAIN_STACK,
  holds: [],
  exceptions: [],
  carriedBy: [],
});

const placeAtCrossings = defineCommand({
  name: 'columns.placeAtCrossings',
  title: 'Place columns at crossings of grid lines',
  input: z.strictObject({
    building: refSchema.optional(),
    /** Lines whose crossings all get a column; `all` for every labelled line. */
    lines: z
      .union([z.literal('all'), z.array(refSchema).min(2, 'Choose a line of each direction at least').max(1000)])
      .optional(),
    /** Or crossings one by one, each by its two lines. */
    crossings: z
      .array(z.tuple([refSchema, refSchema]))
      .min(1)
      .max(5000)
      .optional(),
    ...columnFields,
  }),
  plan: (edit, input) =>
    refusing(() => {
      const building = buildingReferred(edit.before, input.building);
      const { taken, refused } = input.crossings
        ? amongFree(edit.before, chosenOnes(edit.before, building, input.crossings))
        : chooseCrossings(edit.before, linesAsked(edit.before, building, input.lines));
      if (taken.length === 0) {
        refuseNow(
          refused.length > 0
            ? 'A column stands at every one of these crossings already'
            : 'These lines have no crossing. Choose lines of both directions',
          ['lines'],
        );
      }
      const span = readSpan(edit.before, building, input.startsAt, input.stopsAt, ['SSL', 'soffit'], {
        mayStopAtRoof: true,
      });
      const section = readSection(edit.before, input.section);
      const flush = input.flush.map((each) => readHold(edit.before, building, each));
      const idle = flush.find(({ axis }) => !taken.some(({ lines }) => belongsTo(axis, lines)));
      if (idle) refuseNow(`None of these crossings is on the line ${idle.axis.label ?? ''} is set out from`, ['flush']);
      for (const crossing of taken) {
        edit.add<'columnStack'>({
          kind: 'columnStack',
          building,
          name: null,
          place: placeOf(crossing),
          turnDeg: input.turnDeg,
          section,
          material: input.material,
          ...span,
          ...plain(),
          holds: holdsOn(flush, crossing.lines),
        });
      }
    }),
  sentence: (before, _, after) =>
    `${recordsOf(after, 'columnStack').length - recordsOf(before, 'columnStack').length} columns placed at crossings`,
});

function chosenOnes(framework: Framework, building: Id, pairs: readonly [string, string][]): Crossing[] {
  const known = buildingCrossings(framework, building);
  return pairs.map(([p, q]) => {
    const ids = [axisReferred(framework, p, building).id, axisReferred(framework, q, building).id] as [Id, Id];
    const found = known.find(({ lines }) => lines.includes(ids[0]) && lines.includes(ids[1]) && ids[0] !== ids[1]);
    return found ?? crossingOf(framework, ids) ?? refuseNow(`Lines ${p} and ${q} do not cross`, ['crossings']);
  });
}

function linesAsked(framework: Framework, building: Id, lines: 'all' | string[] | undefined): Id[] {
  if (lines === undefined) refuseNow('Choose grid lines or crossings first', ['lines']);
  if (lines !== 'all') return lines.map((ref) => lineReferred(framework, ref, building)[1].id);
  return recordsOf(framework, 'gridLine')
    .filter((line) => recordOf(framework, 'gridSystem', line.system)?.building === building && !line.minor)
    .map(({ id }) => id);
}

const place = defineCommand({
  name: 'columns.place',
  title: 'Place a column at a point',
  input: z.strictObject({
    building: refSchema.optional(),
    place: placeInputSchema,
    name: textSchema(24).nullable().default(null),
    ...columnFields,
  }),
  plan: (edit, input) =>
    refusing(() => {
      const building = buildingReferred(edit.before, input.building);
      const stands = readPlace(edit.before, building, input.place);
      edit.add<'columnStack'>({
        kind: 'columnStack',
        building,
        name: input.name ?? (stands.lines ? null : freeMarks(edit.before)()),
        place: stands,
        turnDeg: input.turnDeg,
        section: readSection(edit.before, input.section),
        material: input.material,
        ...readSpan(edit.before, building, input.startsAt, input.stopsAt, ['SSL', 'soffit'], { mayStopAtRoof: true }),
        ...plain(),
        holds: input.flush.slice(0, 2).map((each) => {
          const { axis: _, ...hold } = readHold(edit.before, building, each);
          return hold;
        }),
      });
    }),
  sentence: (before, _, after) => {
    const known = new Set(recordsOf(before, 'columnStack').map(({ id }) => id));
    const added = recordsOf(after, 'columnStack').find(({ id }) => !known.has(id));
    return `Column ${added ? markOf(after, added) : ''} placed`;
  },
});

/** Columns nearer than this to another are not placed; mm. */
const TAKEN_MM = 50;

const placeAlong = defineCommand({
  name: 'columns.placeAlong',
  title: 'Place columns along a line at a spacing',
  input: z.strictObject({
    building: refSchema.optional(),
    line: refSchema,
    spacingMm: lengthInputSchema,
    /** From where the line begins; to its end, or to a distance, or a number of columns. */
    fromMm: lengthInputSchema.default(0),
    toMm: lengthInputSchema.optional(),
    count: z.number().int().min(1).max(2000).optional(),
    ...columnFields,
  }),
  plan: (edit, input) =>
    refusing(() => {
      const building = buildingReferred(edit.before, input.building);
      const axis = axisReferred(edit.before, input.line, building);
      const reader = new LengthReader(edit.before);
      const spacing = reader.read(input.spacingMm, 'spacingMm', { atLeastMm: 100, atMostMm: 1e6 }).mm;
      const from = reader.read(input.fromMm, 'fromMm').mm;
      // What runs past the line's last crossing is as long as what runs before its first.
      const end = quantiseMm(curveLength(axis.curve) - 2 * axis.datumMm);
      const to = input.toMm === undefined ? end : reader.read(input.toMm, 'toMm').mm;
      const most = Math.floor((to - from) / spacing + 1e-9) + 1;
      const count = input.count ?? most;
      if (count < 1 || most < 1) refuseNow('No column fits between these distances', ['toMm']);
      if (count > 2000) refuseNow('At most 2000 columns at once. Type a larger spacing', ['spacingMm']);
      const stand = recordsOf(edit.before, 'columnStack')
        .filter((stack) => stack.building === building)
        .map((stack) => resolvePlace(edit.before, stack.place).at);
      const mark = freeMarks(edit.before);
      const span = readSpan(edit.before, building, input.startsAt, input.stopsAt, ['SSL', 'soffit'], {
        mayStopAtRoof: true,
      });
      const section = readSection(edit.before, input.section);
      const flush = input.flush.map((each) => readHold(edit.before, building, each));
      let placed = 0;
      for (let i = 0; i < count; i += 1) {
        const xMm = quantiseMm(from + i * spacing);
        const { at } = pointAlong(axis.curve, axis.datumMm + xMm);
        if (stand.some((other) => distance(other, at) < TAKEN_MM)) continue;
        placed += 1;
        edit.add<'columnStack'>({
          kind: 'columnStack',
          building,
          name: mark(),
          place: { lines: null, line: axis.id, xMm, yMm: 0 },
          turnDeg: input.turnDeg,
          section,
          material: input.material,
          ...span,
          ...plain(),
          holds: holdsOn(flush, [axis.id, axis.root]),
        });
      }
      if (placed === 0) refuseNow('A column stands at every one of these places already');
    }),
  sentence: (before, input, after) =>
    `${recordsOf(after, 'columnStack').length - recordsOf(before, 'columnStack').length} columns placed along ${axisReferred(before, input.line).label ?? 'a line'}`,
});

const takeFromDrawing = defineCommand({
  name: 'columns.take',
  title: 'Take columns read from a drawing',
  input: z.strictObject({
    building: refSchema.optional(),
    columns: z
      .array(
        z.strictObject({
          xMm: z.number(),
          yMm: z.number(),
          turnDeg: angleSchema.default(0),
          section: sectionInputSchema,
        }),
      )
      .min(1, 'The drawing holds no column')
      .max(5000),
    startsAt: endInputSchema.optional(),
    stopsAt: endInputSchema.optional(),
    material: z.enum(MATERIALS).default('concrete'),
    /** A column this near to a crossing is held to it, with the rest as an offset. */
    withinMm: z.number().min(0).max(5000).default(300),
    /** What becomes of columns that stand there with another section, or near by: asked for where there are some. */
    existing: z.enum(['ask', 'keep', 'change']).default('ask'),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const building = buildingReferred(edit.before, input.building);
      const span = readSpan(edit.before, building, input.startsAt, input.stopsAt, ['SSL', 'soffit'], {
        mayStopAtRoof: true,
      });
      const mark = freeMarks(edit.before);
      const compared = compareColumns(edit.before, building, input.columns);
      const differing = [...compared.moved, ...compared.resized];
      if (differing.length > 0 && input.existing === 'ask')
        refuseNow(
          `Of ${input.columns.length} columns ${comparedWords(compared)}. Say what becomes of those that differ: keep them, or change them to the drawing`,
          ['existing'],
        );
      const changing = input.existing === 'change' ? differing : [];
      if (compared.missing.length + changing.length === 0)
        refuseNow(
          differing.length > 0
            ? `Of ${input.columns.length} columns ${comparedWords(compared)}: nothing is left to be taken`
            : `All ${input.columns.length} columns stand there already`,
          ['columns'],
        );
      const standing = (column: (typeof input.columns)[number]) => {
        const near = nearestCrossing(edit.before, building, column, input.withinMm);
        return {
          name: near ? null : mark(),
          place: near
            ? { ...placeOf(near), xMm: near.shift.x, yMm: near.shift.y }
            : { lines: null, xMm: column.xMm, yMm: column.yMm },
          turnDeg: column.turnDeg - (near?.turnDeg ?? 0),
          section: readSection(edit.before, column.section),
        };
      };
      for (const column of compared.missing)
        edit.add<'columnStack'>({
          kind: 'columnStack',
          building,
          ...standing(column),
          material: input.material,
          ...span,
          ...plain(),
        });
      for (const { drawn, stack } of changing) {
        const { name: _, ...fields } = standing(drawn);
        edit.set('columnStack', stack.id, { ...fields, holds: [] });
      }
    }),
  sentence: (before, input, after) => {
    const building = buildingReferred(before, input.building);
    const { moved, resized } = compareColumns(before, building, input.columns);
    const added = recordsOf(after, 'columnStack').length - recordsOf(before, 'columnStack').length;
    const changed = input.existing === 'change' ? moved.length + resized.length : 0;
    const left = input.columns.length - added - changed;
    return [
      `${added} columns taken from a drawing`,
      changed > 0 ? `${changed} changed to it` : '',
      left > 0 ? `${left} left as they stand` : '',
    ]
      .filter(Boolean)
      .join(', ');
  },
});

const copy = defineCommand({
  name: 'columns.copy',
  title: 'Copy column stacks by a distance, once or several times',
  input: z.strictObject({
    columns: z.array(refSchema).min(1, 'Choose a column first').max(2000),
    xMm: lengthInputSchema,
    yMm: lengthInputSchema,
    count: z.number().int().min(1).max(200).default(1),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const reader = new LengthReader(edit.before);
      const by = { x: reader.read(input.xMm, 'xMm').mm, y: reader.read(input.yMm, 'yMm').mm };
      if (by.x === 0 && by.y === 0) refuseNow('A copy at no distance would stand in the same place. Type one', ['xMm']);
      const mark = freeMarks(edit.before);
      const shifts = Array.from({ length: input.count }, (_, i) => ({ x: by.x * (i + 1), y: by.y * (i + 1) }));
      for (const ref of input.columns) {
        const stack =
          recordsOf(edit.before, 'columnStack').find(({ id }) => id === ref) ??
          refuseNow('A column chosen is not there any more. Choose again');
        copyStack(edit, stack, shifts, mark);
      }
    }),
  sentence: (_, input) => `${input.columns.length} columns copied`,
});

export const COLUMN_PLACE_COMMANDS = [placeAtCrossings, place, placeAlong, takeFromDrawing, copy] as const;
