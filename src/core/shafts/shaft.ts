import { z } from 'zod';
import { recordKind } from '../kinds/record-kind';
import { marked, ref, type Bounds } from '../kinds/marks';
import { lengthWithin, startSchema, stopSchema, textSchema } from '../model/fields';
import { idSchema } from '../model/ids';
import { outlineSchema } from '../outlines/outline';

export const SHAFT_PURPOSES = ['lift', 'stair', 'supply', 'extract', 'electrical', 'wet', 'refuse', 'void'] as const;

/** What becomes of the slab at a level a shaft passes. */
export const SLAB_STATES = ['open', 'closed', 'sleeves'] as const;
export type SlabState = (typeof SLAB_STATES)[number];

/** What differs at one level of a shaft, or from there up. */
const shaftExceptionSchema = z.object({
  level: ref('detach'),
  upwards: z.boolean(),
  /** Another outline: a setback. Null: as below. */
  outline: outlineSchema.nullable(),
  /** The slab left closed, or closed but for sleeves. Null: as below. */
  slab: z.enum(SLAB_STATES).nullable(),
});
export type ShaftException = z.infer<typeof shaftExceptionSchema>;

export const LIFT_BOUNDS = {
  doorWidthMm: { atLeastMm: 500, atMostMm: 6000 },
  doorHeightMm: { atLeastMm: 1500, atMostMm: 6000 },
  pitMm: { atLeastMm: 0, atMostMm: 10_000 },
  overrunMm: { atLeastMm: 0, atMostMm: 15_000 },
  carWidthMm: { atLeastMm: 500, atMostMm: 10_000 },
  carDepthMm: { atLeastMm: 500, atMostMm: 10_000 },
} as const satisfies Record<string, Bounds>;

/** The lift of a shaft: what its maker asks of the building. */
const liftSchema = z.object({
  /** Every storey it passes, or these levels. */
  stops: z.union([z.literal('all'), marked(z.array(ref('detach')).max(400), { is: 'needed' })]),
  doorWidthMm: lengthWithin(LIFT_BOUNDS.doorWidthMm),
  doorHeightMm: lengthWithin(LIFT_BOUNDS.doorHeightMm),
  /** Under the floor of its lowest stop. */
  pitMm: lengthWithin(LIFT_BOUNDS.pitMm),
  /** Over the floor of its highest stop. */
  overrunMm: lengthWithin(LIFT_BOUNDS.overrunMm),
  carWidthMm: lengthWithin(LIFT_BOUNDS.carWidthMm),
  carDepthMm: lengthWithin(LIFT_BOUNDS.carDepthMm),
  persons: z.number().int().min(1).max(200),
});
export type Lift = z.infer<typeof liftSchema>;

/** A shaft: one outline that cuts every floor it passes. */
const shaftSchema = z.object({
  kind: z.literal('shaft'),
  id: idSchema,
  building: ref('refuse'),
  name: textSchema(24),
  purpose: z.enum(SHAFT_PURPOSES),
  outline: outlineSchema,
  startsAt: startSchema,
  stopsAt: stopSchema,
  /** Opens the slab at its foot. */
  opensFoot: z.boolean(),
  /** Goes out through the slab at its head: at the top, through the roof. */
  opensHead: z.boolean(),
  exceptions: marked(z.array(shaftExceptionSchema).max(400), { is: 'exceptions' }),
  /** Null: nothing is said of a lift in it. */
  lift: liftSchema.nullable(),
});
export type Shaft = z.infer<typeof shaftSchema>;

declare module '../model/kinds' {
  interface Kinds {
    shaft: Shaft;
  }
}

export const shaftRecords = recordKind({
  kind: 'shaft',
  named: 'in the project',
  words: { one: 'shaft', many: 'shafts' },
  letters: 'S',
  schema: shaftSchema,
  migrations: [
    { to: 4, record: (record) => ({ exceptions: [], ...record }) },
    { to: 11, record: (record) => ({ lift: null, ...record }) },
  ],
});
