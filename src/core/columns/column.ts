import { z } from 'zod';
import { angleSchema, endSchema, lengthSchema, placeSchema, textSchema } from '../model/fields';
import { idSchema } from '../model/ids';

const sectionSchema = z.discriminatedUnion('shape', [
  z.object({ shape: z.literal('rectangle'), widthMm: lengthSchema, depthMm: lengthSchema }),
  z.object({ shape: z.literal('circle'), diameterMm: lengthSchema }),
]);
export type Section = z.infer<typeof sectionSchema>;

export const MATERIALS = ['concrete', 'steel', 'timber', 'masonry'] as const;

/** A column carried through storeys as one thing. */
export const columnStackSchema = z.object({
  kind: z.literal('columnStack'),
  id: idSchema,
  building: idSchema,
  /** Its mark when typed; null: taken from the crossing it stands on. */
  name: textSchema(24).nullable(),
  place: placeSchema,
  /** Against the axes of its place. */
  turnDeg: angleSchema,
  section: sectionSchema,
  material: z.enum(MATERIALS),
  startsAt: endSchema,
  stopsAt: endSchema,
});
export type ColumnStack = z.infer<typeof columnStackSchema>;
