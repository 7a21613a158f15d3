import { z } from 'zod';
import { leftDistance } from '../geometry/curve';
import { plus, times, type Point } from '../geometry/point';
import type { AxisLine } from '../grids/axis-lines';
import { buildingCrossings, type Crossing } from '../grids/crossings';
import { endInputSchema } from '../levels/end-input';
import { angleSchema } from '../model/fields';
import { recordsOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import type { Given } from '../commands/command-inputs';
import { LengthReader, lengthInputSchema, type LengthInput } from '../commands/length-input';
import { refSchema } from '../commands/refer';
import { heldReferred } from '../setting-out/held-referred';
import { MATERIALS, type ColumnStack, type Hold, type Section, SECTION_SIZE, SECTION_PLATE } from './column';

export const sectionInputSchema = z.discriminatedUnion('shape', [
  z.strictObject({ shape: z.literal('rectangle'), widthMm: lengthInputSchema, depthMm: lengthInputSchema }),
  z.strictObject({ shape: z.literal('circle'), diameterMm: lengthInputSchema }),
  z.strictObject({
    shape: z.literal('I'),
    widthMm: lengthInputSchema,
    depthMm: lengthInputSchema,
    webMm: lengthInputSchema,
    flangeMm: lengthInputSchema,
  }),
]);

export type SectionInput = Given<z.input<typeof sectionInputSchema>>;

export const FACES = ['interior', 'exterior', 'centre', 'left', 'right'] as const;

/**
 * A face of the column flush with a line. `interior`: the face towards the building's middle lies on the line, so the
 * column stands on its outer side. `left` and `right`: the column stands on that side of the line.
 */
export const flushInputSchema = z.strictObject({
  line: refSchema,
  face: z.enum(FACES).default('interior'),
  offsetMm: lengthInputSchema.default(0),
});
export type FlushInput = z.infer<typeof flushInputSchema>;

export const columnFields = {
  section: sectionInputSchema,
  material: z.enum(MATERIALS).default('concrete'),
  turnDeg: angleSchema.default(0),
  startsAt: endInputSchema.optional(),
  stopsAt: endInputSchema.optional(),
  flush: z.array(flushInputSchema).max(40).default([]),
};

export function readSection(framework: Framework, input: z.infer<typeof sectionInputSchema>): Section {
  const reader = new LengthReader(framework);
  const size = (value: LengthInput, field: string) => reader.read(value, field, SECTION_SIZE);
  if (input.shape === 'circle') return { shape: 'circle', diameterMm: size(input.diameterMm, 'diameterMm').stored };
  const [width, depth] = [size(input.widthMm, 'widthMm'), size(input.depthMm, 'depthMm')];
  const box = { widthMm: width.stored, depthMm: depth.stored };
  if (input.shape === 'rectangle') return { shape: 'rectangle', ...box };
  const web = reader.read(input.webMm, 'webMm', { ...SECTION_PLATE, atMostMm: width.mm });
  const flange = reader.read(input.flangeMm, 'flangeMm', { ...SECTION_PLATE, atMostMm: depth.mm / 2 });
  return { shape: 'I', ...box, webMm: web.stored, flangeMm: flange.stored };
}

/** Middle of a building's crossings: what its interior is on a side of. */
export function middleOfBuilding(framework: Framework, building: Id): Point {
  const places = buildingCrossings(framework, building).map(({ at }) => at);
  return times(places.reduce(plus, { x: 0, y: 0 }), 1 / Math.max(1, places.length));
}

/** How a column is held so that the face asked for lies on the line. */
export function readHold(
  framework: Framework,
  building: Id,
  { line, face, offsetMm }: FlushInput,
): Hold & { axis: AxisLine } {
  const axis = heldReferred(framework, line, building);
  const stored = new LengthReader(framework).read(offsetMm, 'flush offset', { atLeastMm: -1e5, atMostMm: 1e5 }).stored;
  const interior = leftDistance(axis.curve, middleOfBuilding(framework, building)) >= 0 ? 'left' : 'right';
  const other = interior === 'left' ? 'right' : 'left';
  const body = face === 'interior' ? other : face === 'exterior' ? interior : face;
  return { line: axis.id, body, offsetMm: stored, axis };
}

/**
 * Holds for one column whose two lines are known: those of the flush lines that come from either of them, and those set
 * out from an edge, which belong to no grid line.
 */
export function holdsOn(flush: readonly (Hold & { axis: AxisLine })[], lines: readonly Id[]): Hold[] {
  return flush
    .filter(({ axis }) => belongsTo(axis, lines))
    .slice(0, 2)
    .map(({ axis: _, ...hold }) => hold);
}

/** True if a line is one of these, comes from one of them, or comes from an edge. */
export const belongsTo = (axis: AxisLine, lines: readonly Id[]): boolean =>
  lines.includes(axis.root) || lines.includes(axis.id) || axis.isEdge === true;

/** X1, X2 …: marks of columns that stand off the grid. */
export function freeMarks(framework: Framework): () => string {
  const taken = new Set(recordsOf(framework, 'columnStack').map(({ name }) => name));
  let n = 0;
  return () => {
    do n += 1;
    while (taken.has(`X${n}`));
    return `X${n}`;
  };
}

/** Stacks that stand on a crossing, by its lines. */
export const occupiedCrossings = (framework: Framework): Set<string> =>
  new Set(
    recordsOf(framework, 'columnStack').flatMap(({ place }) =>
      place.lines ? [crossingKey(place.lines, place.nth)] : [],
    ),
  );

export const crossingKey = (lines: readonly Id[], nth: ColumnStack['place']['nth'] | 1): string =>
  `${[...lines].sort().join()}${nth === 2 ? ' 2' : ''}`;

/** A place on a crossing. */
export const placeOf = ({ lines, nth }: Pick<Crossing, 'lines' | 'nth'>): ColumnStack['place'] => ({
  lines,
  ...(nth === 2 ? { nth } : {}),
  xMm: 0,
  yMm: 0,
});
