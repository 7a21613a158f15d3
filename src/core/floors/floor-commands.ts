import { z } from 'zod';
import { MATERIALS } from '../columns/column';
import { storeyLevels } from '../levels/resolve-levels';
import { defineCommand, type Command } from '../model/command';
import { textSchema } from '../model/fields';
import { recordsOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { LengthReader, lengthInputSchema, refuseNow, refusing } from '../model/length-input';
import { buildingReferred, levelReferred, refSchema, thingReferred } from '../model/refer';
import { outlineInputSchema, readOutline } from '../outlines/outline-input';
import { formatLength } from '../units/format-length';
import { mmOf } from '../dimensions/resolve-length';
import type { Extent } from './floor';

const levelsInputSchema = z.union([
  z.literal('all'),
  z.strictObject({ range: z.tuple([refSchema, refSchema]) }),
  z.strictObject({ at: z.array(refSchema).min(1, 'Choose a level at least').max(400) }),
]);

function readLevels(framework: Framework, building: Id, input: z.infer<typeof levelsInputSchema>): Extent {
  const id = (ref: string) => {
    const level = levelReferred(framework, ref, building);
    if (!level.bounding && level.record.levelKind !== 'mezzanine')
      refuseNow(`Level ${level.record.name} carries no floor. Choose a storey`, ['levels']);
    return level.id;
  };
  if (input === 'all') {
    const storeys = storeyLevels(framework, building);
    if (storeys.length === 0) refuseNow('Set up the levels before adding floors', ['levels']);
    return { range: [storeys[0]!.id, storeys.at(-1)!.id] };
  }
  if ('at' in input) return { at: input.at.map(id) };
  return { range: [id(input.range[0]), id(input.range[1])] };
}

const add = defineCommand({
  name: 'floors.add',
  title: 'Add a floor plate',
  input: z.strictObject({
    building: refSchema.optional(),
    name: textSchema(40).optional(),
    outline: outlineInputSchema,
    thicknessMm: lengthInputSchema.default(250),
    material: z.enum(MATERIALS).default('concrete'),
    levels: levelsInputSchema.default('all'),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const building = buildingReferred(edit.before, input.building);
      edit.add<'floorPlate'>({
        kind: 'floorPlate',
        building,
        name: input.name ?? `Floor ${recordsOf(edit.before, 'floorPlate').length + 1}`,
        outline: readOutline(edit.before, building, input.outline),
        thicknessMm: new LengthReader(edit.before).read(input.thicknessMm, 'thicknessMm', {
          atLeastMm: 20,
          atMostMm: 10000,
        }).stored,
        material: input.material,
        levels: readLevels(edit.before, building, input.levels),
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
    levels: levelsInputSchema.optional(),
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
            : new LengthReader(edit.before).read(input.thicknessMm, 'thicknessMm', { atLeastMm: 20, atMostMm: 10000 })
                .stored,
        material: input.material,
        levels: input.levels && readLevels(edit.before, plate.building, input.levels),
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

export const FLOOR_COMMANDS: Command[] = [add, change];
