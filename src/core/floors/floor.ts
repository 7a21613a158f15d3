import { z } from 'zod';
import { MATERIALS } from '../columns/column';
import { lengthSchema, textSchema } from '../model/fields';
import { idSchema } from '../model/ids';
import { outlineSchema } from '../outlines/outline';

/** The levels something serves: all from one to another, new ones between included, or just those named. */
const extentSchema = z.union([
  z.object({ range: z.tuple([idSchema, idSchema]) }),
  z.object({ at: z.array(idSchema).min(1, 'Choose a level at least') }),
]);
export type Extent = z.infer<typeof extentSchema>;

/** A floor plate: one outline and thickness for all the levels it serves. The slab hangs down from SSL. */
export const floorPlateSchema = z.object({
  kind: z.literal('floorPlate'),
  id: idSchema,
  building: idSchema,
  name: textSchema(40),
  outline: outlineSchema,
  thicknessMm: lengthSchema,
  material: z.enum(MATERIALS),
  levels: extentSchema,
});
export type FloorPlate = z.infer<typeof floorPlateSchema>;
