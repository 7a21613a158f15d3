import { z } from 'zod';
import { placeSchema, textSchema } from '../model/fields';
import { idSchema } from '../model/ids';

/** What rooms are for. */
export const ROOM_USES = [
  'circulation',
  'dwelling',
  'office',
  'assembly',
  'teaching',
  'trade',
  'storage',
  'plant',
  'wet',
  'other',
] as const;

/** A room: the closed region of walls a place lies in, named; at its level, and above where the region is the same. */
export const roomSchema = z.object({
  kind: z.literal('room'),
  id: idSchema,
  building: idSchema,
  level: idSchema,
  number: textSchema(16),
  name: textSchema(40),
  use: z.enum(ROOM_USES),
  /** A place within it: where its tag stands. */
  place: placeSchema,
  /** Carried up through the levels above, as long as its region stays the same. */
  carriedUp: z.boolean(),
});
export type Room = z.infer<typeof roomSchema>;

/** A line that divides rooms without a wall. */
export const boundaryLineSchema = z.object({
  kind: z.literal('boundaryLine'),
  id: idSchema,
  building: idSchema,
  level: idSchema,
  place: placeSchema,
  points: z
    .array(z.object({ xMm: z.number(), yMm: z.number() }))
    .min(2, 'A boundary line has two ends')
    .max(200),
});
export type BoundaryLine = z.infer<typeof boundaryLineSchema>;
