import { z } from 'zod';
import { angleSchema, type Place } from '../model/fields';
import { recordsOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { LengthReader, lengthInputSchema, refuseNow } from '../commands/length-input';
import { axisReferred, crossingReferred, gridReferred, lineReferred, refSchema } from '../commands/refer';
import { crossingOf } from '../grids/crossings';
import { WALL_FACES } from '../walls/wall-faces';
import { parsePoint } from '../units/parse-point';
import { OUTLINE_OFFSET, OUTLINE_SIZE, type Outline } from './outline';
import { heldReferred } from '../setting-out/held-referred';
import { resolveOutline } from '../setting-out/resolve-outline';
import type { Given } from '../commands/command-inputs';

/** A place: a point as typed (`7200,6600`, `C-4 + 1200,300`), or two crossing grid lines (null: the building's zero) and a shift. */
export const placeInputSchema = z.union([
  z.string().max(200),
  z.strictObject({
    lines: z.tuple([refSchema, refSchema]).nullable().default(null),
    xMm: lengthInputSchema.default(0),
    /** Where the two lines meet twice: the second place. */
    nth: z.literal(2).optional(),
    /** In place of a crossing, a line to stand along: `xMm` from where it begins, `yMm` to its left. */
    line: refSchema.optional(),
    yMm: lengthInputSchema.default(0),
  }),
]);
export type PlaceInput = z.infer<typeof placeInputSchema>;

export const outlineInputSchema = z.discriminatedUnion('type', [
  z.strictObject({
    type: z.literal('polygon'),
    place: placeInputSchema.default({ lines: null, xMm: 0, yMm: 0 }),
    points: z
      .array(z.strictObject({ xMm: lengthInputSchema, yMm: lengthInputSchema }))
      .min(3, 'An outline has three corners or more')
      .max(2000),
  }),
  z.strictObject({
    type: z.literal('rectangle'),
    place: placeInputSchema.default({ lines: null, xMm: 0, yMm: 0 }),
    widthMm: lengthInputSchema,
    depthMm: lengthInputSchema,
    turnDeg: angleSchema.default(0),
  }),
  z.strictObject({
    type: z.literal('circle'),
    place: placeInputSchema.default({ lines: null, xMm: 0, yMm: 0 }),
    diameterMm: lengthInputSchema,
  }),
  z.strictObject({
    type: z.literal('gridOffset'),
    system: refSchema.optional(),
    lines: z
      .strictObject({ a: z.tuple([refSchema, refSchema]), b: z.tuple([refSchema, refSchema]) })
      .nullable()
      .default(null),
    offsetMm: lengthInputSchema.default(0),
  }),
  z.strictObject({
    type: z.literal('lines'),
    edges: z
      .array(z.strictObject({ line: refSchema, offsetMm: lengthInputSchema.default(0) }))
      .min(3, 'An outline has three edges or more')
      .max(200),
  }),
  z.strictObject({
    type: z.literal('walls'),
    walls: z.array(refSchema).min(1, 'Choose a wall').max(200),
    face: z.enum(WALL_FACES).default('coreOutside'),
    offsetMm: lengthInputSchema.default(0),
  }),
]);

/** An outline, or a place, as they may be given. */
export type OutlineInput = Given<z.input<typeof outlineInputSchema>>;
export type PlaceGiven = Given<z.input<typeof placeInputSchema>>;

/** Reads a place in a building. */
export function readPlace(framework: Framework, building: Id, place: PlaceInput): Place {
  if (typeof place === 'string') {
    const parsed = parsePoint(place, {});
    if (!parsed.ok) refuseNow(`place: ${parsed.refusal.message}`, ['place']);
    const { crossing, xMm, yMm } = parsed.value;
    if (!crossing) return { lines: null, xMm, yMm };
    const { lines, nth } = crossingReferred(framework, crossing, building);
    return { lines, ...(nth === 2 ? { nth } : {}), xMm, yMm };
  }
  const reader = new LengthReader(framework);
  const lines = place.lines?.map((ref) => axisReferred(framework, ref, building).id) as [Id, Id] | undefined;
  // Lines of one system meet once, whichever meeting is asked for.
  if (lines && crossingOf(framework, lines, place.nth)?.nth !== (place.nth ?? 1))
    refuseNow(
      place.nth === 2 && crossingOf(framework, lines)
        ? 'Those two lines meet once only. Leave `nth` out'
        : 'Those two lines do not cross. Choose one of each direction',
      ['place', 'lines'],
    );
  if (place.line !== undefined && lines)
    refuseNow('A place is at a crossing or along one line. Leave one of them out', ['place', 'line']);
  return {
    lines: lines ?? null,
    ...(lines && place.nth ? { nth: place.nth } : {}),
    ...(place.line === undefined ? {} : { line: axisReferred(framework, place.line, building).id }),
    xMm: reader.read(place.xMm, 'xMm').stored,
    yMm: reader.read(place.yMm, 'yMm').stored,
  };
}

/** Reads an outline's lengths and refuses one that encloses nothing or crosses itself. */
export function readOutline(framework: Framework, building: Id, input: z.infer<typeof outlineInputSchema>): Outline {
  const outline = stored(framework, building, input);
  if (!resolveOutline(framework, outline)) {
    refuseNow('The outline crosses itself or encloses nothing. Its corners must go round once', ['outline']);
  }
  return outline;
}

function stored(framework: Framework, building: Id, input: z.infer<typeof outlineInputSchema>): Outline {
  const reader = new LengthReader(framework);
  if (input.type === 'gridOffset') {
    const grid = gridReferred(framework, input.system, building);
    if (grid.record.shape === 'free' || grid.a.length < 2 || grid.b.length < (grid.record.shape === 'radial' ? 1 : 2))
      refuseNow('An outline from a grid needs two lines each way', ['outline', 'system']);
    const ids = (pair: [string, string]) => pair.map((ref) => lineReferred(framework, ref, building)[1].id) as [Id, Id];
    return {
      type: 'gridOffset',
      system: grid.id,
      lines: input.lines ? { a: ids(input.lines.a), b: ids(input.lines.b) } : null,
      offsetMm: reader.read(input.offsetMm, 'offsetMm', OUTLINE_OFFSET).stored,
    };
  }
  if (input.type === 'lines') {
    const edges = input.edges.map(({ line, offsetMm }) => ({
      line: heldReferred(framework, line, building).id,
      offsetMm: reader.read(offsetMm, 'offsetMm', OUTLINE_OFFSET).stored,
    }));
    return { type: 'lines', edges };
  }
  if (input.type === 'walls') {
    const walls = recordsOf(framework, 'wall').filter(
      (wall) => wall.building === building || wall.sharedWith === building,
    );
    const ids = input.walls.map(
      (ref) =>
        walls.find(({ id, name }) => id === ref || name === ref)?.id ??
        refuseNow(`There is no wall named ${ref} in this building`, ['outline', 'walls']),
    );
    const { face } = input;
    const offsetMm = reader.read(input.offsetMm, 'offsetMm', OUTLINE_OFFSET).stored;
    return { type: 'walls', walls: ids, face, offsetMm };
  }
  const place = readPlace(framework, building, input.place);
  if (input.type === 'rectangle') {
    return {
      ...input,
      place,
      widthMm: reader.read(input.widthMm, 'widthMm', OUTLINE_SIZE).stored,
      depthMm: reader.read(input.depthMm, 'depthMm', OUTLINE_SIZE).stored,
    };
  }
  if (input.type === 'circle')
    return {
      ...input,
      place,
      diameterMm: reader.read(input.diameterMm, 'diameterMm', OUTLINE_SIZE).stored,
    };
  return {
    ...input,
    place,
    points: input.points.map(({ xMm, yMm }) => ({
      xMm: reader.read(xMm, 'xMm').stored,
      yMm: reader.read(yMm, 'yMm').stored,
    })),
  };
}
