import { z } from 'zod';
import { recordKind } from '../kinds/record-kind';
import { marked, ref } from '../kinds/marks';
import { startSchema, stopSchema, textSchema } from '../model/fields';
import { idSchema } from '../model/ids';
import { outlineSchema } from '../outlines/outline';

export const SHAFT_PURPOSES = ['lift', 'stair', 'supply', 'extract', 'electrical', 'wet', 'refuse', 'void'] as const;

/** What becomes of the slab at a level a shaft passes. */
export const SLAB_STATES = ['open', 'closed', 'sleeves'] as const;
export type SlabState = (typeof SLAB_STATES)[number];

/** What differs at one level of a shaft, or from there up. */
const shaftExceptionSchema = z.object({
  level: ref('detach'),
  upwards: z.boolean(),
  /** Another outline: a setback. Null: as below. */
  outline: outlineSchema.nullable(),
  /** The slab left closed, or closed but for sleeves. Null: as below. */
  slab: z.enum(SLAB_STATES).nullable(),
});
export type ShaftException = z.infer<typeof shaftExceptionSchema>;

/** A shaft: one outline that cuts every floor it passes. */
const shaftSchema = z.object({
  kind: z.literal('shaft'),
  id: idSchema,
  building: ref('refuse'),
  name: textSchema(24),
  purpose: z.enum(SHAFT_PURPOSES),
  outline: outlineSchema,
  startsAt: startSchema,
  stopsAt: stopSchema,
  /** Opens the slab at its foot. */
  opensFoot: z.boolean(),
  /** Goes out through the slab at its head: at the top, through the roof. */
  opensHead: z.boolean(),
  exceptions: marked(z.array(shaftExceptionSchema).max(400), { is: 'exceptions' }),
});
export type Shaft = z.infer<typeof shaftSchema>;

declare module '../model/kinds' {
  interface Kinds {
    shaft: Shaft;
  }
}

export const shaftRecords = recordKind({
  kind: 'shaft',
  named: 'in the project',
  words: { one: 'shaft', many: 'shafts' },
  letters: 'S',
  schema: shaftSchema,
  migrations: [{ to: 4, record: (record) => ({ exceptions: [], ...record }) }],
});
