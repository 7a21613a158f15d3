import { z } from 'zod';
import { MATERIALS } from '../columns/column';
import { extentInputSchema, readExtent } from '../levels/extent-input';
import { defineCommand } from '../commands/command';
import type { InputsOf } from '../commands/command-inputs';
import { textSchema } from '../model/fields';
import { recordsOf } from '../model/framework';
import { LengthReader, lengthInputSchema, refuseNow, refusing } from '../commands/length-input';
import { buildingReferred, levelReferred, refSchema, thingReferred } from '../commands/refer';
import { outlineInputSchema, readOutline } from '../outlines/outline-input';
import { formatLength } from '../units/format-length';
import { mmOf } from '../dimensions/resolve-length';
import { SLAB_THICKNESS, PULLED, type FloorException } from './floor';
import { FLOOR_ZONE_COMMANDS } from './zone-commands';

const add = defineCommand({
  name: 'floors.add',
  title: 'Add a floor plate',
  input: z.strictObject({
    building: refSchema.optional(),
    name: textSchema(40).optional(),
    outline: outlineInputSchema,
    thicknessMm: lengthInputSchema.default(250),
    material: z.enum(MATERIALS).default('concrete'),
    levels: extentInputSchema.default('all'),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const building = buildingReferred(edit.before, input.building);
      edit.add<'floorPlate'>({
        kind: 'floorPlate',
        building,
        name: input.name ?? `Floor ${recordsOf(edit.before, 'floorPlate').length + 1}`,
        outline: readOutline(edit.before, building, input.outline),
        thicknessMm: new LengthReader(edit.before).read(input.thicknessMm, 'thicknessMm', SLAB_THICKNESS).stored,
        material: input.material,
        levels: readExtent(edit.before, building, input.levels),
        exceptions: [],
        zones: [],
      });
    }),
  sentence: (_, input) => `Floor plate ${input.name ?? ''} added`.replace('  ', ' '),
});

const change = defineCommand({
  name: 'floors.change',
  title: 'Change a floor plate',
  input: z.strictObject({
    floor: refSchema,
    name: textSchema(40).optional(),
    outline: outlineInputSchema.optional(),
    thicknessMm: lengthInputSchema.optional(),
    material: z.enum(MATERIALS).optional(),
    levels: extentInputSchema.optional(),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const plate = thingReferred(edit.before, 'floorPlate', input.floor);
      edit.set('floorPlate', plate.id, {
        name: input.name,
        outline: input.outline && readOutline(edit.before, plate.building, input.outline),
        thicknessMm:
          input.thicknessMm === undefined
            ? undefined
            : new LengthReader(edit.before).read(input.thicknessMm, 'thicknessMm', SLAB_THICKNESS).stored,
        material: input.material,
        levels: input.levels && readExtent(edit.before, plate.building, input.levels),
      });
    }),
  sentence: (before, input, after) => {
    const was = thingReferred(before, 'floorPlate', input.floor);
    const is = thingReferred(after, 'floorPlate', was.id);
    const thickness =
      input.thicknessMm === undefined ? '' : `, now ${formatLength(mmOf(after, is.thicknessMm))} mm thick`;
    return `Floor plate ${was.name} changed${thickness}`;
  },
});

const except = defineCommand({
  name: 'floors.except',
  title: 'Say what differs at a level of a floor plate, or from there up',
  input: z.strictObject({
    floor: refSchema,
    level: refSchema,
    upwards: z.boolean().default(false),
    leftOut: z.boolean().optional(),
    /** Null: as below again. */
    outline: outlineInputSchema.nullable().optional(),
    thicknessMm: lengthInputSchema.nullable().optional(),
    /** Edges pulled back, counted counter-clockwise from 0; negative pushes out. */
    pulled: z
      .array(z.strictObject({ edge: z.number().int().min(0).max(2000), byMm: lengthInputSchema }))
      .max(200)
      .optional(),
    voids: z.array(outlineInputSchema).max(50).optional(),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const plate = thingReferred(edit.before, 'floorPlate', input.floor);
      const level = levelReferred(edit.before, input.level, plate.building);
      const isSame = (each: FloorException) => each.level === level.id && each.upwards === input.upwards;
      const known = plate.exceptions.find(isSame);
      const reader = new LengthReader(edit.before);
      const outlineOf = (outline: z.infer<typeof outlineInputSchema>) =>
        readOutline(edit.before, plate.building, outline);
      const next: FloorException = {
        level: level.id,
        upwards: input.upwards,
        leftOut: input.leftOut ?? known?.leftOut ?? false,
        outline: input.outline === undefined ? (known?.outline ?? null) : input.outline && outlineOf(input.outline),
        thicknessMm:
          input.thicknessMm === undefined
            ? (known?.thicknessMm ?? null)
            : input.thicknessMm === null
              ? null
              : reader.read(input.thicknessMm, 'thicknessMm', SLAB_THICKNESS).stored,
        pulled:
          input.pulled?.map(({ edge, byMm }) => ({
            edge,
            byMm: reader.read(byMm, 'byMm', PULLED).stored,
          })) ??
          known?.pulled ??
          [],
        voids: input.voids?.map(outlineOf) ?? known?.voids ?? [],
      };
      const rest = plate.exceptions.filter((each) => !isSame(each));
      const differs =
        next.leftOut ||
        next.outline !== null ||
        next.thicknessMm !== null ||
        next.pulled.length > 0 ||
        next.voids.length > 0;
      if (!differs && !known) refuseNow('Nothing differs there. Say what does');
      edit.set('floorPlate', plate.id, { exceptions: differs ? [...rest, next] : rest });
    }),
  sentence: (before, input) => {
    const plate = thingReferred(before, 'floorPlate', input.floor);
    const level = levelReferred(before, input.level, plate.building).record.name;
    return `Floor plate ${plate.name} ${input.upwards ? 'from' : 'at'} level ${level}${input.upwards ? ' up' : ''} changed`;
  },
});

export const FLOOR_COMMANDS = [add, change, except, ...FLOOR_ZONE_COMMANDS] as const;

declare module '../commands/command-inputs' {
  interface CommandInputs extends InputsOf<typeof FLOOR_COMMANDS> {}
}
