import { z } from 'zod';
import { angleSchema, lengthSchema, textSchema } from '../model/fields';
import { idSchema } from '../model/ids';

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

/**
 * A rectangular grid system. Lines of direction a follow one another along its x axis, lines of direction b
 * along its y axis, counted from the corner at the origin.
 */
export const gridSystemSchema = z.object({
  kind: z.literal('gridSystem'),
  id: idSchema,
  building: idSchema,
  name: textSchema(60),
  /** Crossing of the two first lines, in building axes. */
  xMm: lengthSchema,
  yMm: lengthSchema,
  turnDeg: angleSchema,
  /** 1: counted along the axis; −1: against it. */
  waysOf: z.object({ a: z.union([z.literal(1), z.literal(-1)]), b: z.union([z.literal(1), z.literal(-1)]) }),
  labels: z.object({ a: labelRuleSchema, b: labelRuleSchema }),
  /** How far the lines run past the outermost ones. */
  extensionMm: lengthSchema,
  bubble: z.enum(['circle', 'hexagon', 'square']),
});
export type GridSystem = z.infer<typeof gridSystemSchema>;

/** How a line gets its label. */
export const lineLabelSchema = z.discriminatedUnion('mode', [
  z.object({ mode: z.literal('auto') }),
  z.object({ mode: z.literal('typed'), text: textSchema(12) }),
  z.object({ mode: z.literal('secondary'), suffix: textSchema(6) }),
  z.object({ mode: z.literal('none') }),
]);
export type LineLabel = z.infer<typeof lineLabelSchema>;

/** A grid line: it stands one bay from the line before it in its direction. Its id outlives relabelling and new bays. */
export const gridLineSchema = z.object({
  kind: z.literal('gridLine'),
  id: idSchema,
  system: idSchema,
  direction: z.enum(DIRECTIONS),
  /** The line before it; null for the first. */
  from: idSchema.nullable(),
  /** Bay to the line before it; 0 for the first line. */
  bayMm: lengthSchema,
  label: lineLabelSchema,
  /** A minor line: thinner, and left out of the run of labels. */
  minor: z.boolean(),
});
export type GridLine = z.infer<typeof gridLineSchema>;
