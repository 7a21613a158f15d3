import { z } from 'zod';
import { recordKind } from '../kinds/record-kind';
import { marked, ref, type Bounds } from '../kinds/marks';
import { MATERIALS } from '../columns/column';
import { endSchema, lengthWithin, textSchema } from '../model/fields';
import { idSchema } from '../model/ids';
import { outlineSchema } from '../outlines/outline';

export const FOUNDATION_FORMS = ['raft', 'pads', 'strips'] as const;
export type FoundationForm = (typeof FOUNDATION_FORMS)[number];

export const FOUNDATION_THICKNESS: Bounds = { atLeastMm: 50, atMostMm: 20_000 };
export const FOUNDATION_ACROSS: Bounds = { atLeastMm: 100, atMostMm: 100_000 };

/**
 * What a building stands on: a raft of one outline, a pad under each of some columns, or a strip under each of some walls.
 * It is never carried up.
 */
const foundationSchema = z.object({
  kind: z.literal('foundation'),
  id: idSchema,
  building: ref('refuse'),
  name: textSchema(24),
  form: z.enum(FOUNDATION_FORMS),
  /** A raft's own; null: that of the floors over it, and for pads and strips. */
  outline: outlineSchema.nullable(),
  /** Column stacks that stand on pads, or walls that stand on strips; none for a raft. */
  under: marked(z.array(ref('detach')).max(2000), { is: 'needed' }),
  thicknessMm: lengthWithin(FOUNDATION_THICKNESS),
  /** Across a strip; of a pad along the column's own x. */
  widthMm: lengthWithin(FOUNDATION_ACROSS),
  /** Of a pad along the column's own y. */
  depthMm: lengthWithin(FOUNDATION_ACROSS),
  /** Where its top lies: by default the underside of the lowest slab. */
  top: marked(endSchema, { is: 'end', side: 'top' }),
  material: z.enum(MATERIALS),
  /** Of the ground under it, kN/m³; null: not known yet. */
  subgradeKnM3: z.number().min(0).max(1e7).nullable(),
  /** Directions in which the ground holds it, for the engineer's model. */
  restrained: z.object({ x: z.boolean(), y: z.boolean(), z: z.boolean() }),
});
export type Foundation = z.infer<typeof foundationSchema>;

declare module '../model/kinds' {
  interface Kinds {
    foundation: Foundation;
  }
}

export const foundationRecords = recordKind({
  kind: 'foundation',
  named: 'in the project',
  words: { one: 'foundation', many: 'foundations' },
  letters: 'F',
  schema: foundationSchema,
  migrations: [],
});
