import { z } from 'zod';
import { recordKind } from '../kinds/record-kind';
import { marked, ref, type Bounds } from '../kinds/marks';
import { angleSchema, lengthSchema, lengthWithin, textSchema } from '../model/fields';
import { idSchema } from '../model/ids';

export const GRID_EXTENSION: Bounds = { atLeastMm: 0, atMostMm: 1e5 };
export const GRID_RADIUS: Bounds = { moreThanMm: 0, atMostMm: 1e7 };
const GRID_BAY: Bounds = { atLeastMm: 0, atMostMm: 1e6 };
/** How far a line reaches, or runs past the others. */
export const LINE_REACH: Bounds = { atLeastMm: 0, atMostMm: 1e6 };

/** How the lines of one direction are labelled. */
const labelRuleSchema = z.object({
  /** Label of the first line: a number (`1`, `01`) or letters (`A`, `AA`). */
  first: z.string().regex(/^(\d{1,4}|[A-Z]{1,3})$/, 'A first label is a number or capital letters, like 1 or A'),
  /** Letters or digits no label may hold, like `IO`. */
  skip: z.string().max(20),
  prefix: z.string().max(8),
  suffix: z.string().max(8),
  descending: z.boolean(),
});
export type LabelRule = z.infer<typeof labelRuleSchema>;

export const DIRECTIONS = ['a', 'b'] as const;
export type Direction = (typeof DIRECTIONS)[number];

export const BUBBLES = ['circle', 'hexagon', 'square'] as const;
export type Bubble = (typeof BUBBLES)[number];

/** At which ends lines have their heads. */
export const HEADS = ['first', 'last', 'both', 'none'] as const;
export type Heads = (typeof HEADS)[number];

const waySchema = z.union([z.literal(1), z.literal(-1)]);

/**
 * A grid system. Rectangular: lines of direction a follow one another along its x axis, lines of direction b along
 * its y axis, counted from the corner at the origin. Radial: the origin is the centre, lines of direction a are rays
 * that follow one another by angles, lines of direction b are rings that follow one another by radii. Free: each line
 * has a path of its own, from the origin along the system's axes.
 */
const gridSystemSchema = marked(
  z.object({
    kind: z.literal('gridSystem'),
    id: idSchema,
    building: ref('refuse'),
    name: textSchema(60),
    shape: z.enum(['rectangular', 'radial', 'free']),
    /** Crossing of the two first lines, the centre, or the origin of paths; in building axes. */
    xMm: lengthSchema,
    yMm: lengthSchema,
    turnDeg: angleSchema,
    /** 1: counted along the axis (rays: counter-clockwise); −1: against it. */
    waysOf: z.object({ a: waySchema, b: waySchema }),
    labels: z.object({ a: labelRuleSchema, b: labelRuleSchema }),
    /** How far the lines run past the outermost ones. */
    extensionMm: lengthWithin(GRID_EXTENSION),
    bubble: z.enum(BUBBLES),
    headsAt: z.object({ a: z.enum(HEADS), b: z.enum(HEADS) }),
    /** Lowest and highest level it is there on; null: no limit. */
    fromLevel: marked(ref('detach').nullable(), { is: 'limit', side: 'lowest' }),
    toLevel: marked(ref('detach').nullable(), { is: 'limit', side: 'highest' }),
  }),
  { is: 'origin' },
);
export type GridSystem = z.infer<typeof gridSystemSchema>;

/** How a line gets its label. */
export const lineLabelSchema = z.discriminatedUnion('mode', [
  z.object({ mode: z.literal('auto') }),
  z.object({ mode: z.literal('typed'), text: textSchema(12) }),
  z.object({ mode: z.literal('secondary'), suffix: textSchema(6) }),
  z.object({ mode: z.literal('none') }),
]);
export type LineLabel = z.infer<typeof lineLabelSchema>;

/** A path in a free system: a straight stretch, or an arc counter-clockwise from an angle. */
const pathSchema = z.discriminatedUnion('type', [
  z.object({
    type: z.literal('line'),
    x0Mm: lengthSchema,
    y0Mm: lengthSchema,
    x1Mm: lengthSchema,
    y1Mm: lengthSchema,
  }),
  z.object({
    type: z.literal('arc'),
    xMm: lengthSchema,
    yMm: lengthSchema,
    radiusMm: lengthWithin(GRID_RADIUS),
    fromDeg: angleSchema,
    sweepDeg: z.number().gt(0).max(360),
  }),
]);
export type LinePath = z.infer<typeof pathSchema>;

/** Which sides of a rectangular system a line has its place in. */
export const SIDES = ['both', 'near', 'far'] as const;
export type LineSide = (typeof SIDES)[number];

/** A grid line: it stands one bay from the line before it in its direction. Its id outlives relabelling and new bays. */
const gridLineSchema = z.object({
  kind: z.literal('gridLine'),
  id: idSchema,
  system: ref('follow'),
  direction: z.enum(DIRECTIONS),
  /** The line before it; null for the first. */
  from: ref('refuse').nullable(),
  /** Bay to the line before it; 0 for the first line. A first ring: its radius. */
  bayMm: lengthWithin(GRID_BAY),
  /** Rays only: angle to the ray before it, degrees. */
  bayDeg: z.number().min(0).max(360).nullable(),
  /** Free lines only. */
  path: pathSchema.nullable(),
  /** A line of one side stops part way: after `reachMm`, or half way when that is null. */
  side: z.enum(SIDES),
  reachMm: lengthWithin(LINE_REACH).nullable(),
  label: lineLabelSchema,
  /** A minor line: thinner, and left out of the run of labels. */
  minor: z.boolean(),
  /** Its own levels, heads and extensions; null: those of its system. */
  fromLevel: marked(ref('detach').nullable(), { is: 'limit', side: 'lowest' }),
  toLevel: marked(ref('detach').nullable(), { is: 'limit', side: 'highest' }),
  heads: z.enum(HEADS).nullable(),
  extendFirstMm: lengthWithin(LINE_REACH).nullable(),
  extendLastMm: lengthWithin(LINE_REACH).nullable(),
  /** The line it forms a movement joint with; the gap is the bay between them. */
  jointOf: ref('detach').nullable(),
});
export type GridLine = z.infer<typeof gridLineSchema>;

/** Fields of a line that has nothing of its own. */
export const PLAIN_LINE = {
  bayDeg: null,
  path: null,
  side: 'both',
  reachMm: null,
  fromLevel: null,
  toLevel: null,
  heads: null,
  extendFirstMm: null,
  extendLastMm: null,
  jointOf: null,
} as const satisfies Partial<GridLine>;

declare module '../model/kinds' {
  interface Kinds {
    gridLine: GridLine;
    gridSystem: GridSystem;
  }
}

export const gridRecords = recordKind({
  kind: 'gridSystem',
  words: { one: 'grid', many: 'grids' },
  letters: null,
  schema: gridSystemSchema,
  migrations: [
    {
      to: 3,
      record: (record) => ({
        shape: 'rectangular',
        headsAt: { a: 'last', b: 'first' },
        fromLevel: null,
        toLevel: null,
        ...record,
      }),
    },
  ],
});

export const gridLineRecords = recordKind({
  kind: 'gridLine',
  words: { one: 'grid line', many: 'grid lines' },
  letters: null,
  schema: gridLineSchema,
  limits: {
    ofOne: ({ from, bayMm, bayDeg, path }, mm) => {
      if (path?.type === 'line' && mm(path.x0Mm) === mm(path.x1Mm) && mm(path.y0Mm) === mm(path.y1Mm))
        return 'it would have no length';
      return from !== null && bayDeg === null && path === null && mm(bayMm) <= 0
        ? 'its bay must be more than 0 mm'
        : null;
    },
  },
  migrations: [
    {
      to: 3,
      record: (record) => ({
        bayDeg: null,
        path: null,
        side: 'both',
        reachMm: null,
        fromLevel: null,
        toLevel: null,
        heads: null,
        extendFirstMm: null,
        extendLastMm: null,
        jointOf: null,
        ...record,
      }),
    },
  ],
});
