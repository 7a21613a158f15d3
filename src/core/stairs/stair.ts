import { z } from 'zod';
import { endSchema, lengthSchema, textSchema } from '../model/fields';
import { idSchema } from '../model/ids';
import { outlineSchema } from '../outlines/outline';
import { RULE_SETS } from './rule-sets';

/** A stair carried through storeys in one well. Each storey is solved on its own. */
export const stairSchema = z.object({
  kind: z.literal('stair'),
  id: idSchema,
  building: idSchema,
  name: textSchema(24),
  form: z.enum(['halfTurn']),
  /** The space it has in plan: a rectangle, turned as you like. */
  well: outlineSchema,
  /** The side of the well one comes from, counted counter-clockwise from its first edge. */
  entry: z.number().int().min(0).max(3),
  /** The way one turns going up. */
  turn: z.enum(['left', 'right']),
  /** Of a flight; null: half the well less the eye. */
  widthMm: lengthSchema.nullable(),
  /** Between the two flights. */
  eyeMm: lengthSchema,
  /** Depth of the floors' landing within the well; 0: the floor outside it is the landing. */
  floorLandingMm: lengthSchema,
  nosingMm: lengthSchema,
  /** Thickness of flights, square to the pitch, and of landings. */
  waistMm: lengthSchema,
  landingMm: lengthSchema,
  /** What lies on treads and landings; floors have their own build-up. */
  finishMm: lengthSchema,
  rules: z.enum(RULE_SETS),
  /** The hole in the slabs: the whole well, or no more than headroom needs. */
  opening: z.enum(['well', 'tight']),
  startsAt: endSchema,
  stopsAt: endSchema,
});
export type Stair = z.infer<typeof stairSchema>;
