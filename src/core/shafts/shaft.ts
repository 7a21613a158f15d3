import { z } from 'zod';
import { endSchema, textSchema } from '../model/fields';
import { idSchema } from '../model/ids';
import { outlineSchema } from '../outlines/outline';

export const SHAFT_PURPOSES = ['lift', 'stair', 'supply', 'extract', 'electrical', 'wet', 'refuse', 'void'] as const;

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
});
export type Shaft = z.infer<typeof shaftSchema>;
