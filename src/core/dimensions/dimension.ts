import { z } from 'zod';
import { recordKind } from '../kinds/record-kind';
import { lengthSchema, textSchema } from '../model/fields';
import { idSchema } from '../model/ids';

/** A named dimension: a length of the project that may stand anywhere a length may. */
const dimensionSchema = z.object({
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

declare module '../model/kinds' {
  interface Kinds {
    dimension: Dimension;
  }
}

export const dimensionRecords = recordKind({
  kind: 'dimension',
  named: 'in the project',
  words: { one: 'named dimension', many: 'named dimensions' },
  letters: null,
  schema: dimensionSchema,
  migrations: [],
});
