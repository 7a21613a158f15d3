import { z } from 'zod';
import { lengthSchema } from '../model/fields';
import { idSchema } from '../model/ids';

/** A clear width that is to be held between two parallel walls: where it does not hold, a finding says so. */
export const clearWidthSchema = z.object({
  kind: z.literal('clearWidth'),
  id: idSchema,
  building: idSchema,
  walls: z.tuple([idSchema, idSchema]),
  widthMm: lengthSchema,
});
