import { z } from 'zod';
import { lengthSchema, textSchema, type Reference } from '../model/fields';
import { idSchema } from '../model/ids';
import { dimensionsUsed, type Length } from '../units/parse-length';

/** A named dimension: a length of the project that may stand anywhere a length may. */
export const dimensionSchema = z.object({
  kind: z.literal('dimension'),
  id: idSchema,
  name: z
    .string()
    .regex(/^[\p{L}_][\p{L}\d_]*$/u, 'A name has letters, digits and _ and starts with a letter')
    .max(40),
  value: lengthSchema,
  note: textSchema(200).nullable(),
});
export type Dimension = z.infer<typeof dimensionSchema>;

/** References to named dimensions anywhere in a record's lengths. */
export function dimensionReferences(value: unknown, path = ''): Reference[] {
  if (value === null || typeof value !== 'object') return [];
  if ('expr' in value && typeof value.expr === 'string') {
    return dimensionsUsed(value as Length).map((id) => ({ id, path, whenGone: 'refuse' }));
  }
  return Object.entries(value).flatMap(([key, field]) => dimensionReferences(field, path ? `${path}.${key}` : key));
}
