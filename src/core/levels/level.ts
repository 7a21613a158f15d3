import { z } from 'zod';
import { recordKind } from '../kinds/record-kind';
import { ref, type Bounds } from '../kinds/marks';
import { budgetSchema } from './budget';
import { lengthSchema, lengthWithin, textSchema } from '../model/fields';
import { idSchema } from '../model/ids';
import { outlineSchema } from '../outlines/outline';
import { LEVEL_KINDS } from './level-kinds';
import { levelOrder } from './level-order';

export const BUILD_UP: Bounds = { atLeastMm: 0, atMostMm: 2000 };

/**
 * A level. Its height is held from another level, so one edit moves everything that hangs on it: upper levels
 * from the one below, basements from the one above; one level per building is held from the building's zero.
 */
const levelSchema = z.object({
  kind: z.literal('level'),
  id: idSchema,
  building: ref('refuse'),
  /** The short name on the height strip: `B2`, `00`, `RF`. Unique in its building. */
  name: textSchema(16),
  /** What it is, in words: `Gallery`. */
  title: z.string().max(80),
  levelKind: z.enum(LEVEL_KINDS),
  /** The level its height is held from; null: the building's zero. */
  from: ref('refuse').nullable(),
  /** FFL above that level's FFL, negative below it. */
  heightMm: lengthSchema,
  /** SSL = FFL − build-up. */
  buildUpMm: lengthWithin(BUILD_UP),
  locked: z.boolean(),
  /** Zones of its height budget that differ from the building's typical ones. */
  budget: budgetSchema.nullable(),
  /** A mezzanine's part of the plan; elsewhere things run past it. */
  extent: outlineSchema.nullable(),
  /** It has a way out of the building; null: where it is the nearest to the building's zero. */
  wayOut: z.boolean().nullable(),
});
export type Level = z.infer<typeof levelSchema>;

declare module '../model/kinds' {
  interface Kinds {
    level: Level;
  }
}

export const levelRecords = recordKind({
  kind: 'level',
  named: 'in its building',
  words: { one: 'level', many: 'levels' },
  letters: null,
  schema: levelSchema,
  limits: { inBuilding: levelOrder },
  migrations: [
    { to: 2, record: (record) => ({ budget: null, ...record }) },
    { to: 3, record: (record) => ({ extent: null, ...record }) },
    { to: 11, record: (record) => ({ wayOut: null, ...record }) },
  ],
});
