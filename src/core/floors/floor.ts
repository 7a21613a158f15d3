import { z } from 'zod';
import { MATERIALS } from '../columns/column';
import { extentSchema } from '../levels/extent';
import { lengthSchema, textSchema } from '../model/fields';
import { idSchema } from '../model/ids';
import { outlineSchema } from '../outlines/outline';

/** What differs at one level of a floor plate, or from there up. Null fields do not differ. */
const floorExceptionSchema = z.object({
  level: idSchema,
  upwards: z.boolean(),
  leftOut: z.boolean(),
  outline: outlineSchema.nullable(),
  thicknessMm: lengthSchema.nullable(),
  /** Edges pulled back (or, negative, pushed out), counted counter-clockwise from 0. */
  pulled: z.array(z.object({ edge: z.number().int().min(0).max(2000), byMm: lengthSchema })).max(200),
  /** Holes of its own: a double-height space. */
  voids: z.array(outlineSchema).max(50),
});
export type FloorException = z.infer<typeof floorExceptionSchema>;

/** A part of a plate with another SSL or build-up: a wet room, a terrace, half a level. */
const floorZoneSchema = z.object({
  id: idSchema,
  name: textSchema(24),
  outline: outlineSchema,
  levels: z.union([z.literal('all'), z.array(idSchema).min(1).max(400)]),
  /** Its SSL over that of the level; below zero it lies lower. */
  shiftMm: lengthSchema,
  /** Null: as its level. */
  buildUpMm: lengthSchema.nullable(),
  /** Null: as its plate. */
  thicknessMm: lengthSchema.nullable(),
});
export type FloorZone = z.infer<typeof floorZoneSchema>;

/** A floor plate: one outline and thickness for all the levels it serves. The slab hangs down from SSL. */
export const floorPlateSchema = z.object({
  kind: z.literal('floorPlate'),
  id: idSchema,
  building: idSchema,
  name: textSchema(40),
  outline: outlineSchema,
  thicknessMm: lengthSchema,
  material: z.enum(MATERIALS),
  levels: extentSchema,
  exceptions: z.array(floorExceptionSchema).max(400),
  zones: z.array(floorZoneSchema).max(200),
});
export type FloorPlate = z.infer<typeof floorPlateSchema>;
