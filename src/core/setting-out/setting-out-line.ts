import { z } from 'zod';
import { lengthSchema, textSchema } from '../model/fields';
import { idSchema } from '../model/ids';

/** A line that other things are held to: at a distance from a grid line or another setting-out line, which it follows. */
export const settingOutLineSchema = z.object({
  kind: z.literal('settingOutLine'),
  id: idSchema,
  building: idSchema,
  name: textSchema(40),
  /** The line it is offset from; or, with `edge`, the slab or shaft whose edge it is. */
  source: idSchema,
  /** Which edge of its source, counted counter-clockwise from 0; null: the source is a line. */
  edge: z.number().int().min(0).max(2000).nullable(),
  /** Positive the way the lines of its source count: away from the first line, outwards of a ring or an edge, left of a free line. */
  offsetMm: lengthSchema,
  /** Lowest and highest level it is there on; null: those of its source. */
  fromLevel: idSchema.nullable(),
  toLevel: idSchema.nullable(),
  locked: z.boolean(),
});
export type SettingOutLine = z.infer<typeof settingOutLineSchema>;
