import { z } from 'zod';
import { marked, ref, type Bounds } from '../kinds/marks';
import { recordKind } from '../kinds/record-kind';
import { angleSchema, endSchema, lengthWithin, textSchema } from '../model/fields';
import { idSchema } from '../model/ids';
import { outlineSchema } from '../outlines/outline';
import { rampRulesSchema } from '../rule-sets/rules-field';

export const SLAB_THICK: Bounds = { atLeastMm: 20, atMostMm: 2000 };
export const CORNER_HEIGHT: Bounds = { atLeastMm: -100_000, atMostMm: 100_000 };
/** No more corners are taken. */
export const MOST_CORNERS = 60;

/** A floor whose corners have heights of their own: an apron up to a threshold, a yard that falls to its drains. */
const slopedFloorSchema = z.object({
  kind: z.literal('slopedFloor'),
  id: idSchema,
  building: ref('refuse'),
  name: textSchema(24),
  outline: outlineSchema,
  /** Height of each corner over where it starts, counter-clockwise from the outline's first. */
  heights: z.array(lengthWithin(CORNER_HEIGHT)).min(3).max(MOST_CORNERS),
  baseAt: marked(endSchema, { is: 'end', side: 'start' }),
  thicknessMm: lengthWithin(SLAB_THICK),
  /** Which way one goes over it, in its building's axes: slope along it and across are looked at apart; null: the steepest alone. */
  alongDeg: angleSchema.nullable(),
  rules: rampRulesSchema,
});
export type SlopedFloor = z.infer<typeof slopedFloorSchema>;

declare module '../model/kinds' {
  interface Kinds {
    slopedFloor: SlopedFloor;
  }
}

export const slopedFloorRecords = recordKind({
  kind: 'slopedFloor',
  named: 'in the project',
  words: { one: 'sloped floor', many: 'sloped floors' },
  letters: 'SF',
  schema: slopedFloorSchema,
  migrations: [],
});
