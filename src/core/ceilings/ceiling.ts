import { z } from 'zod';
import { recordKind } from '../kinds/record-kind';
import { marked, ref, type Bounds } from '../kinds/marks';
import { extentSchema } from '../levels/extent';
import { lengthWithin, textSchema } from '../model/fields';
import { idSchema } from '../model/ids';
import { outlineSchema } from '../outlines/outline';

export const CEILING_HEIGHT: Bounds = { atLeastMm: 1000, atMostMm: 50_000 };
export const CEILING_THICKNESS: Bounds = { atLeastMm: 1, atMostMm: 2000 };

/** What differs at one level of a ceiling, or from there up. */
const ceilingExceptionSchema = z.object({
  level: ref('detach'),
  upwards: z.boolean(),
  leftOut: z.boolean(),
  /** Null: as below. */
  heightMm: lengthWithin(CEILING_HEIGHT).nullable(),
});
export type CeilingException = z.infer<typeof ceilingExceptionSchema>;

/**
 * A ceiling: a plane hung within the walls of some rooms, or of all, or within an outline of its own, at the levels it
 * serves. Over the topmost level it hangs only along a roof.
 */
const ceilingSchema = z.object({
  kind: z.literal('ceiling'),
  id: idSchema,
  building: ref('refuse'),
  name: textSchema(24),
  /** The rooms it hangs in; none: every room that walls close and that has no other ceiling. */
  rooms: marked(z.array(ref('detach')).max(2000), { is: 'needed' }),
  /** Drawn instead, where it does not follow rooms. */
  outline: outlineSchema.nullable(),
  /** Its underside above FFL: the clear height under it. */
  heightMm: lengthWithin(CEILING_HEIGHT),
  thicknessMm: lengthWithin(CEILING_THICKNESS),
  /** Where a pitched roof comes down into its rooms it goes on along that, in an attic too; else it ends there. */
  alongRoof: z.boolean(),
  levels: extentSchema,
  exceptions: marked(z.array(ceilingExceptionSchema).max(400), { is: 'exceptions' }),
});
export type Ceiling = z.infer<typeof ceilingSchema>;

declare module '../model/kinds' {
  interface Kinds {
    ceiling: Ceiling;
  }
}

export const ceilingRecords = recordKind({
  kind: 'ceiling',
  named: 'in the project',
  words: { one: 'ceiling', many: 'ceilings' },
  letters: 'CE',
  schema: ceilingSchema,
  migrations: [{ to: 12, record: (record) => ({ alongRoof: false, ...record }) }],
});
