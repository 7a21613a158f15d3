import { z } from 'zod';
import { lineById, type Crossing, crossingOf } from '../grids/resolve-grids';
import { endInputSchema, readEnd, readSpan } from '../levels/end-input';
import { defineCommand, type Command } from '../model/command';
import { angleSchema, textSchema } from '../model/fields';
import { recordOf, recordsOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { LengthReader, lengthInputSchema, refuseNow, refusing, type LengthInput } from '../model/length-input';
import { buildingReferred, lineReferred, markOf, refSchema, thingReferred } from '../model/refer';
import { placeInputSchema, readPlace } from '../outlines/outline-input';
import { MATERIALS, type Section } from './column';
import { nearestCrossing } from './nearest-crossing';

const sectionInputSchema = z.discriminatedUnion('shape', [
  z.strictObject({ shape: z.literal('rectangle'), widthMm: lengthInputSchema, depthMm: lengthInputSchema }),
  z.strictObject({ shape: z.literal('circle'), diameterMm: lengthInputSchema }),
]);

const common = {
  section: sectionInputSchema,
  material: z.enum(MATERIALS).default('concrete'),
  turnDeg: angleSchema.default(0),
  startsAt: endInputSchema.optional(),
  stopsAt: endInputSchema.optional(),
};

function readSection(framework: Framework, input: z.infer<typeof sectionInputSchema>): Section {
  const reader = new LengthReader(framework);
  const size = (value: LengthInput, field: string) =>
    reader.read(value, field, { atLeastMm: 50, atMostMm: 20000 }).stored;
  return input.shape === 'circle'
    ? { shape: 'circle', diameterMm: size(input.diameterMm, 'diameterMm') }
    : { shape: 'rectangle', widthMm: size(input.widthMm, 'widthMm'), depthMm: size(input.depthMm, 'depthMm') };
}

/** Which crossings of chosen lines get a column, and which are refused with the reason. */
export interface CrossingChoice {
  taken: Crossing[];
  refused: { label: string; reason: string }[];
}

/** All crossings of the chosen lines; one where a column stands already is refused. Used for the live count too. */
export function chooseCrossings(framework: Framework, lines: readonly Id[]): CrossingChoice {
  const occupied = new Set(
    recordsOf(framework, 'columnStack').map(({ place }) => [...(place.lines ?? [])].sort().join()),
  );
  const chosen = lines.flatMap((id) => lineById(framework, id)?.[1] ?? []);
  const choice: CrossingChoice = { taken: [], refused: [] };
  for (const a of chosen.filter(({ direction }) => direction === 'a')) {
    for (const b of chosen.filter(({ direction }) => direction === 'b')) {
      const crossing = crossingOf(framework, [a.id, b.id]);
      if (!crossing) continue;
      if (occupied.has([a.id, b.id].sort().join())) {
        choice.refused.push({
          label: crossing.label ?? 'a crossing without a label',
          reason: 'a column stands there already',
        });
      } else choice.taken.push(crossing);
    }
  }
  return choice;
}

const placeAtCrossings = defineCommand({
  name: 'columns.placeAtCrossings',
  title: 'Place columns at all crossings of chosen grid lines',
  input: z.strictObject({
    building: refSchema.optional(),
    /** Lines of both directions; `all` for every labelled line. */
    lines: z.union([z.literal('all'), z.array(refSchema).min(2, 'Choose a line of each direction at least').max(1000)]),
    ...common,
  }),
  plan: (edit, input) =>
    refusing(() => {
      const building = buildingReferred(edit.before, input.building);
      const lines =
        input.lines === 'all'
          ? labelledLines(edit.before, building)
          : input.lines.map((ref) => lineReferred(edit.before, ref, building)[1].id);
      const { taken, refused } = chooseCrossings(edit.before, lines);
      if (taken.length === 0) {
        refuseNow(
          refused.length > 0
            ? 'A column stands at every one of these crossings already'
            : 'These lines have no crossing. Choose lines of both directions',
          ['lines'],
        );
      }
      const span = readSpan(edit.before, building, input.startsAt, input.stopsAt, ['SSL', 'soffit']);
      const section = readSection(edit.before, input.section);
      for (const crossing of taken) {
        edit.add<'columnStack'>({
          kind: 'columnStack',
          building,
          name: null,
          place: { lines: crossing.lines, xMm: 0, yMm: 0 },
          turnDeg: input.turnDeg,
          section,
          material: input.material,
          ...span,
        });
      }
    }),
  sentence: (before, _, after) =>
    `${recordsOf(after, 'columnStack').length - recordsOf(before, 'columnStack').length} columns placed at crossings`,
});

const labelledLines = (framework: Framework, building: Id): Id[] =>
  recordsOf(framework, 'gridLine')
    .filter((line) => recordOf(framework, 'gridSystem', line.system)?.building === building && !line.minor)
    .map(({ id }) => id);

const place = defineCommand({
  name: 'columns.place',
  title: 'Place a column at a point',
  input: z.strictObject({
    building: refSchema.optional(),
    place: placeInputSchema,
    name: textSchema(24).nullable().default(null),
    ...common,
  }),
  plan: (edit, input) =>
    refusing(() => {
      const building = buildingReferred(edit.before, input.building);
      const stands = readPlace(edit.before, building, input.place);
      edit.add<'columnStack'>({
        kind: 'columnStack',
        building,
        name: input.name ?? (stands.lines ? null : freeMark(edit.before)),
        place: stands,
        turnDeg: input.turnDeg,
        section: readSection(edit.before, input.section),
        material: input.material,
        ...readSpan(edit.before, building, input.startsAt, input.stopsAt, ['SSL', 'soffit']),
      });
    }),
  sentence: (before, _, after) => {
    const known = new Set(recordsOf(before, 'columnStack').map(({ id }) => id));
    const added = recordsOf(after, 'columnStack').find(({ id }) => !known.has(id));
    return `Column ${added ? markOf(after, added) : ''} placed`;
  },
});

/** X1, X2 …: marks of columns that stand off the grid. */
function freeMark(framework: Framework): string {
  const taken = new Set(recordsOf(framework, 'columnStack').map(({ name }) => name));
  let n = 1;
  while (taken.has(`X${n}`)) n += 1;
  return `X${n}`;
}

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
  }),
  plan: (edit, input) =>
    refusing(() => {
      const building = buildingReferred(edit.before, input.building);
      const span = readSpan(edit.before, building, input.startsAt, input.stopsAt, ['SSL', 'soffit']);
      const takenMarks = new Set(recordsOf(edit.before, 'columnStack').map(({ name }) => name));
      let n = 1;
      for (const column of input.columns) {
        const near = nearestCrossing(edit.before, building, column, input.withinMm);
        if (!near) while (takenMarks.has(`X${n}`)) n += 1;
        const name = near ? null : `X${n}`;
        takenMarks.add(name);
        edit.add<'columnStack'>({
          kind: 'columnStack',
          building,
          name,
          place: near
            ? { lines: near.lines, xMm: near.shift.x, yMm: near.shift.y }
            : { lines: null, xMm: column.xMm, yMm: column.yMm },
          turnDeg: column.turnDeg - (near?.turnDeg ?? 0),
          section: readSection(edit.before, column.section),
          material: input.material,
          ...span,
        });
      }
    }),
  sentence: (_, input) => `${input.columns.length} columns taken from a drawing`,
});

const change = defineCommand({
  name: 'columns.change',
  title: 'Change a column stack',
  input: z.strictObject({
    column: refSchema,
    name: textSchema(24).nullable().optional(),
    section: sectionInputSchema.optional(),
    material: z.enum(MATERIALS).optional(),
    turnDeg: angleSchema.optional(),
    place: placeInputSchema.optional(),
    startsAt: endInputSchema.optional(),
    stopsAt: endInputSchema.optional(),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const stack = thingReferred(edit.before, 'columnStack', input.column);
      edit.set('columnStack', stack.id, {
        name: input.name,
        material: input.material,
        turnDeg: input.turnDeg,
        section: input.section && readSection(edit.before, input.section),
        place: input.place === undefined ? undefined : readPlace(edit.before, stack.building, input.place),
        startsAt:
          input.startsAt && readEnd(edit.before, stack.building, input.startsAt, stack.startsAt.face, 'Starts at'),
        stopsAt: input.stopsAt && readEnd(edit.before, stack.building, input.stopsAt, stack.stopsAt.face, 'Stops at'),
      });
    }),
  sentence: (before, input) => {
    const parts = [
      input.section && 'section',
      input.material && 'material',
      (input.place !== undefined || input.turnDeg !== undefined) && 'place',
      (input.startsAt || input.stopsAt) && 'span',
      input.name !== undefined && 'mark',
    ].filter(Boolean);
    return `Column stack ${markOf(before, thingReferred(before, 'columnStack', input.column))}: ${parts.join(', ')} changed`;
  },
});

export const COLUMN_COMMANDS: Command[] = [placeAtCrossings, place, takeFromDrawing, change];
