import { z } from 'zod';
import { endSchema, textSchema } from '../model/fields';
import { idSchema } from '../model/ids';
import { outlineSchema } from '../outlines/outline';

export const SHAFT_PURPOSES = ['lift', 'stair', 'supply', 'extract', 'electrical', 'wet', 'refuse', 'void'] as const;

/** What becomes of the slab at a level a shaft passes. */
export const SLAB_STATES = ['open', 'closed', 'sleeves'] as const;
export type SlabState = (typeof SLAB_STATES)[number];

/** What differs at one level of a shaft, or from there up. */
const shaftExceptionSchema = z.object({
  level: idSchema,
  upwards: z.boolean(),
  /** Another outline: a setback. Null: as below. */
  outline: outlineSchema.nullable(),
  /** The slab left closed, or closed but for sleeves. Null: as below. */
  slab: z.enum(SLAB_STATES).nullable(),
});
export type ShaftException = z.infer<typeof shaftExceptionSchema>;

/** A shaft: one outline that cuts every floor it passes. */
export const shaftSchema = z.object({
  kind: z.literal('shaft'),
  id: idSchema,
  building: idSchema,
  name: textSchema(24),
  purpose: z.enum(SHAFT_PURPOSES),
  outline: outlineSchema,
  startsAt: endSchema,
  stopsAt: endSchema,
  /** Opens the slab at its foot. */
  opensFoot: z.boolean(),
  /** Goes out through the slab at its head: at the top, through the roof. */
  opensHead: z.boolean(),
  exceptions: z.array(shaftExceptionSchema).max(400),
});
export type Shaft = z.infer<typeof shaftSchema>;
