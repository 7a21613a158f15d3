import { z } from 'zod';
import { recordKind } from '../kinds/record-kind';
import { marked, ref, type Bounds } from '../kinds/marks';
import { MATERIALS } from '../columns/column';
import { extentSchema } from '../levels/extent';
import { lengthWithin, textSchema } from '../model/fields';
import { idSchema } from '../model/ids';
import { outlineSchema } from '../outlines/outline';

export const SLAB_THICKNESS = { atLeastMm: 20, atMostMm: 10_000 } as const satisfies Bounds;
export const PULLED: Bounds = { atLeastMm: -1e5, atMostMm: 1e5 };
export const ZONE_SHIFT: Bounds = { atLeastMm: -10_000, atMostMm: 10_000 };
export const ZONE_BUILD_UP: Bounds = { atLeastMm: 0, atMostMm: 5000 };

/** What differs at one level of a floor plate, or from there up. Null fields do not differ. */
const floorExceptionSchema = z.object({
  level: ref('detach'),
  upwards: z.boolean(),
  leftOut: z.boolean(),
  outline: outlineSchema.nullable(),
  thicknessMm: lengthWithin(SLAB_THICKNESS).nullable(),
  /** Edges pulled back (or, negative, pushed out), counted counter-clockwise from 0. */
  pulled: z.array(z.object({ edge: z.number().int().min(0).max(2000), byMm: lengthWithin(PULLED) })).max(200),
  /** Holes of its own: a double-height space. */
  voids: z.array(outlineSchema).max(50),
});
export type FloorException = z.infer<typeof floorExceptionSchema>;

/** A part of a plate with another SSL or build-up: a wet room, a terrace, half a level. */
const floorZoneSchema = z.object({
  id: marked(idSchema, { is: 'ownId' }),
  name: textSchema(24),
  outline: outlineSchema,
  levels: z.union([z.literal('all'), marked(z.array(ref('detach')).min(1).max(400), { is: 'needed' })]),
  /** Its SSL over that of the level; below zero it lies lower. */
  shiftMm: lengthWithin(ZONE_SHIFT),
  /** Null: as its level. */
  buildUpMm: lengthWithin(ZONE_BUILD_UP).nullable(),
  /** Null: as its plate. */
  thicknessMm: lengthWithin(SLAB_THICKNESS).nullable(),
});
export type FloorZone = z.infer<typeof floorZoneSchema>;

/** A floor plate: one outline and thickness for all the levels it serves. The slab hangs down from SSL. */
const floorPlateSchema = z.object({
  kind: z.literal('floorPlate'),
  id: idSchema,
  building: ref('refuse'),
  name: textSchema(40),
  outline: outlineSchema,
  thicknessMm: lengthWithin(SLAB_THICKNESS),
  material: z.enum(MATERIALS),
  levels: extentSchema,
  exceptions: marked(z.array(floorExceptionSchema).max(400), { is: 'exceptions' }),
  zones: z.array(floorZoneSchema).max(200),
});
export type FloorPlate = z.infer<typeof floorPlateSchema>;

declare module '../model/kinds' {
  interface Kinds {
    floorPlate: FloorPlate;
  }
}

export const floorRecords = recordKind({
  kind: 'floorPlate',
  words: { one: 'floor plate', many: 'floor plates' },
  letters: null,
  schema: floorPlateSchema,
  migrations: [
    { to: 4, record: (record) => ({ exceptions: [], ...record }) },
    { to: 6, record: (record) => ({ zones: [], ...record }) },
  ],
});
