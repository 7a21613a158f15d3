import { z } from 'zod';
import { MATERIALS } from '../columns/column';
import { recordKind } from '../kinds/record-kind';
import { marked, ref, type Bounds } from '../kinds/marks';
import { extentSchema } from '../levels/extent';
import { lengthWithin, placeSchema, textSchema } from '../model/fields';
import { idSchema } from '../model/ids';

export const BEAM_FORMS = ['beam', 'downstand'] as const;

export const BEAM_WIDTH: Bounds = { atLeastMm: 50, atMostMm: 5000 };
export const BEAM_DEPTH: Bounds = { atLeastMm: 20, atMostMm: 5000 };

/** What differs at one level of a beam, or from there up. */
const beamExceptionSchema = z.object({
  level: ref('detach'),
  upwards: z.boolean(),
  leftOut: z.boolean(),
  /** Null: as below. */
  depthMm: lengthWithin(BEAM_DEPTH).nullable(),
});
export type BeamException = z.infer<typeof beamExceptionSchema>;

/**
 * A beam between two places under the slab of each level it serves, or a downstand: a part of the slab that hangs lower along such a
 * line, which rests on nothing of its own.
 */
const beamSchema = z.object({
  kind: z.literal('beam'),
  id: idSchema,
  building: ref('refuse'),
  name: textSchema(24),
  form: z.enum(BEAM_FORMS),
  from: placeSchema,
  to: placeSchema,
  widthMm: lengthWithin(BEAM_WIDTH),
  /** Under the slab's underside. */
  depthMm: lengthWithin(BEAM_DEPTH),
  material: z.enum(MATERIALS),
  levels: extentSchema,
  exceptions: marked(z.array(beamExceptionSchema).max(400), { is: 'exceptions' }),
});
export type Beam = z.infer<typeof beamSchema>;

declare module '../model/kinds' {
  interface Kinds {
    beam: Beam;
  }
}

export const beamRecords = recordKind({
  kind: 'beam',
  named: 'in the project',
  words: { one: 'beam', many: 'beams' },
  letters: 'BM',
  schema: beamSchema,
  migrations: [],
});
