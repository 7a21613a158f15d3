import { z } from 'zod';
import { recordKind } from '../kinds/record-kind';
import { marked, ref } from '../kinds/marks';
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
export type RoomUse = (typeof ROOM_USES)[number];

/** A room: the closed region of walls a place lies in, named; at its level, and above where the region is the same. */
const roomSchema = z.object({
  kind: z.literal('room'),
  id: idSchema,
  building: ref('refuse'),
  level: ref('follow'),
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
const boundaryLineSchema = z.object({
  kind: z.literal('boundaryLine'),
  id: idSchema,
  building: ref('refuse'),
  level: ref('follow'),
  place: placeSchema,
  points: marked(
    z
      .array(z.object({ xMm: z.number(), yMm: z.number() }))
      .min(2, 'A boundary line has two ends')
      .max(200),
    { is: 'corners' },
  ),
});
export type BoundaryLine = z.infer<typeof boundaryLineSchema>;

declare module '../model/kinds' {
  interface Kinds {
    boundaryLine: BoundaryLine;
    room: Room;
  }
}

export const roomRecords = recordKind({
  kind: 'room',
  words: { one: 'room', many: 'rooms' },
  letters: null,
  schema: roomSchema,
  migrations: [],
});

export const boundaryLineRecords = recordKind({
  kind: 'boundaryLine',
  words: { one: 'boundary line', many: 'boundary lines' },
  letters: null,
  schema: boundaryLineSchema,
  migrations: [],
});
