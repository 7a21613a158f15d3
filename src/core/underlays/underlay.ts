import { z } from 'zod';
import { recordKind } from '../kinds/record-kind';
import { ref } from '../kinds/marks';
import { angleSchema, textSchema } from '../model/fields';
import { idSchema } from '../model/ids';

const size = z.number().positive().max(1e9);
const place = z.number().min(-1e9).max(1e9);

/**
 * A picture, a page or somebody's drawing laid under a level's plan, or upright under an elevation: scaled, turned and
 * placed by one of its own points. Its own units are pixels with v down for a picture, the drawing's units with v up
 * for a drawing.
 */
export const underlaySchema = z.object({
  kind: z.literal('underlay'),
  id: idSchema,
  building: ref('refuse'),
  name: textSchema(120),
  /** `plan`, or `elevation south` and the like for an upright one. */
  view: textSchema(40),
  /** The level it lies under; null: every level. */
  level: ref('follow').nullable(),
  /** Its file, by contents. */
  sha256: z.string().regex(/^[0-9a-f]{64}$/, 'Not a file that was brought here'),
  content: z.enum(['picture', 'drawing']),
  /** Smallest box around it in its own units. */
  u0: place,
  v0: place,
  width: size,
  height: size,
  /** Millimetres of the model per own unit. */
  mmPerUnit: z.number().positive().max(1e6),
  turnDeg: angleSchema,
  /** Where its own point (u, v) lies. */
  u: place,
  v: place,
  xMm: place,
  yMm: place,
  /** 0: not seen; 1: as strong as it is. */
  opacity: z.number().min(0).max(1),
  shown: z.boolean(),
  locked: z.boolean(),
});
export type Underlay = z.infer<typeof underlaySchema>;

declare module '../model/kinds' {
  interface Kinds {
    underlay: Underlay;
  }
}

export const underlayRecords = recordKind({
  kind: 'underlay',
  words: { one: 'underlay', many: 'underlays' },
  letters: null,
  schema: underlaySchema,
  migrations: [{ to: 8, renamed: { strength: 'opacity' } }],
});
