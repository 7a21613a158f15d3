import { z } from 'zod';
import { recordKind } from '../kinds/record-kind';
import { marked, ref, type Bounds } from '../kinds/marks';
import { lengthSchema, lengthWithin, placeSchema, startSchema, stopSchema, textSchema } from '../model/fields';
import { idSchema } from '../model/ids';
import { WALL_FACES } from './wall-faces';

/** What a wall is for: what is carried and drawn with its likes, and which wall runs through where two meet. */
export const WALL_USES = ['exterior', 'interior', 'core', 'party', 'glazed'] as const;
export type WallUse = (typeof WALL_USES)[number];

export const OPENING_KINDS = ['door', 'window', 'plain'] as const;

export const OPENING_BOUNDS = {
  alongMm: { atLeastMm: 0, atMostMm: 1e6 },
  widthMm: { atLeastMm: 50, atMostMm: 1e5 },
  heightMm: { atLeastMm: 50, atMostMm: 1e5 },
  sillMm: { atLeastMm: 0, atMostMm: 1e5 },
} as const satisfies Record<string, Bounds>;
export const PANEL_BOUNDS = {
  moduleMm: { atLeastMm: 200, atMostMm: 20_000 },
  memberMm: { atLeastMm: 20, atMostMm: 1000 },
} as const satisfies Record<string, Bounds>;
export const PASSES_CLEAR: Bounds = { atLeastMm: 0, atMostMm: 2000 };

/** A door, window or plain opening in a wall. */
const wallOpeningSchema = z.object({
  id: marked(idSchema, { is: 'ownId' }),
  opening: z.enum(OPENING_KINDS),
  name: textSchema(24),
  /** From the start of the wall's path to the opening's nearer side, along the path. */
  alongMm: lengthWithin(OPENING_BOUNDS.alongMm),
  widthMm: lengthWithin(OPENING_BOUNDS.widthMm),
  heightMm: lengthWithin(OPENING_BOUNDS.heightMm),
  /** Above the floor's finish (FFL). */
  sillMm: lengthWithin(OPENING_BOUNDS.sillMm),
  leaves: z.union([z.literal(1), z.literal(2)]),
  /** The side it is hung on as one comes from outside, and the way it opens. */
  hand: z.enum(['left', 'right']),
  opens: z.enum(['inwards', 'outwards']),
  /** In every storey of the wall, or at these levels only. */
  at: z.union([z.literal('all'), marked(z.array(ref('detach')).max(400), { is: 'needed' })]),
});
export type WallOpening = z.infer<typeof wallOpeningSchema>;

/** What differs at one level of a wall, or from there up. */
const wallExceptionSchema = z.object({
  level: ref('detach'),
  upwards: z.boolean(),
  leftOut: z.boolean(),
  /** Another type, so another thickness. Null: as below. */
  type: ref('refuse').nullable(),
});
export type WallException = z.infer<typeof wallExceptionSchema>;

/** A wall line carried through storeys: one path, in each storey from its base to the soffit above. */
const wallSchema = z.object({
  kind: z.literal('wall'),
  id: idSchema,
  building: ref('refuse'),
  name: textSchema(24),
  use: z.enum(WALL_USES),
  type: ref('refuse'),
  place: placeSchema,
  /** Corners from the place, along its axes. */
  points: marked(
    z
      .array(z.object({ xMm: lengthSchema, yMm: lengthSchema }))
      .min(2, 'A wall has two ends')
      .max(500),
    { is: 'corners' },
  ),
  closed: z.boolean(),
  /** What of it lies on the path, and on which side of the path, as one goes along it, its outside is. */
  on: z.enum(WALL_FACES),
  outside: z.enum(['left', 'right']),
  /** Its lowest base, SSL or FFL; the bases of the storeys above are the same face of their levels. */
  startsAt: startSchema,
  /** Its top in the last storey; below, it stops at the soffits. */
  stopsAt: stopSchema,
  /** Runs past the slabs between its ends, which keep this clear of it. Null: it stands on them. */
  passesClearMm: lengthWithin(PASSES_CLEAR).nullable(),
  /** Of a glazed wall: panels so wide at most, with members between them, or members where grid lines cross it. Null: as usual. */
  panels: z
    .object({
      moduleMm: lengthWithin(PANEL_BOUNDS.moduleMm),
      memberMm: lengthWithin(PANEL_BOUNDS.memberMm),
      onGrid: z.boolean(),
    })
    .nullable(),
  openings: z.array(wallOpeningSchema).max(300),
  exceptions: marked(z.array(wallExceptionSchema).max(400), { is: 'exceptions' }),
  /** A party wall: the other building that has it too. */
  sharedWith: ref('detach').nullable(),
  /** From where to where it is wanted there, at levels of the other building: it reaches as far as either wants it. */
  sharedEnds: z.object({ startsAt: startSchema, stopsAt: stopSchema }).nullable(),
});
export type Wall = z.infer<typeof wallSchema>;

declare module '../model/kinds' {
  interface Kinds {
    wall: Wall;
  }
}

export const wallRecords = recordKind({
  kind: 'wall',
  named: 'in the project',
  words: { one: 'wall', many: 'walls' },
  letters: 'W',
  schema: wallSchema,
  migrations: [
    { to: 5, record: (record) => ({ exceptions: [], sharedWith: null, ...record }) },
    { to: 9, record: (record) => ({ sharedEnds: null, ...record }) },
    { to: 12, record: (record) => ({ panels: null, ...record }) },
  ],
});

/** Exterior walls and party walls go past the edges of slabs. */
export const hidesEdges = ({ use }: Wall): boolean => use === 'exterior' || use === 'party';
