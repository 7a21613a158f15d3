import { z } from 'zod';
import { recordKind } from '../kinds/record-kind';
import { marked, ref, type Bounds } from '../kinds/marks';
import { endSchema, lengthWithin, textSchema } from '../model/fields';
import { idSchema } from '../model/ids';
import { outlineSchema } from '../outlines/outline';
import { RULE_SETS } from './rule-sets';

export const STAIR_BOUNDS = {
  widthMm: { atLeastMm: 300, atMostMm: 10_000 },
  eyeMm: { atLeastMm: 0, atMostMm: 20_000 },
  floorLandingMm: { atLeastMm: 0, atMostMm: 20_000 },
  nosingMm: { atLeastMm: 0, atMostMm: 60 },
  waistMm: { atLeastMm: 20, atMostMm: 1000 },
  landingMm: { atLeastMm: 20, atMostMm: 1000 },
  finishMm: { atLeastMm: 0, atMostMm: 300 },
} as const satisfies Record<string, Bounds>;

/** A stair carried through storeys in one well. Each storey is solved on its own. */
const stairSchema = z.object({
  kind: z.literal('stair'),
  id: idSchema,
  building: ref('refuse'),
  name: textSchema(24),
  form: z.enum(['halfTurn']),
  /** The space it has in plan: a rectangle, turned as you like. */
  well: outlineSchema,
  /** The side of the well one comes from, counted counter-clockwise from its first edge. */
  entry: z.number().int().min(0).max(3),
  /** The way one turns going up. */
  turn: z.enum(['left', 'right']),
  /** Of a flight; null: half the well less the eye. */
  widthMm: lengthWithin(STAIR_BOUNDS.widthMm).nullable(),
  /** Between the two flights. */
  eyeMm: lengthWithin(STAIR_BOUNDS.eyeMm),
  /** Depth of the floors' landing within the well; 0: the floor outside it is the landing. */
  floorLandingMm: lengthWithin(STAIR_BOUNDS.floorLandingMm),
  nosingMm: lengthWithin(STAIR_BOUNDS.nosingMm),
  /** Thickness of flights, square to the pitch, and of landings. */
  waistMm: lengthWithin(STAIR_BOUNDS.waistMm),
  landingMm: lengthWithin(STAIR_BOUNDS.landingMm),
  /** What lies on treads and landings; floors have their own build-up. */
  finishMm: lengthWithin(STAIR_BOUNDS.finishMm),
  rules: z.enum(RULE_SETS),
  /** The hole in the slabs: the whole well, or no more than headroom needs. */
  opening: z.enum(['well', 'tight']),
  startsAt: marked(endSchema, { is: 'end', side: 'start', floors: true }),
  stopsAt: marked(endSchema, { is: 'end', side: 'stop', floors: true }),
});
export type Stair = z.infer<typeof stairSchema>;

declare module '../model/kinds' {
  interface Kinds {
    stair: Stair;
  }
}

export const stairRecords = recordKind({
  kind: 'stair',
  named: 'in the project',
  words: { one: 'stair', many: 'stairs' },
  letters: 'ST',
  schema: stairSchema,
  migrations: [],
});
