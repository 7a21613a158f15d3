import { z } from 'zod';
import { defineCommand } from '../commands/command';
import { textSchema } from '../model/fields';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { LengthReader, lengthInputSchema, refuseNow, refusing } from '../commands/length-input';
import { levelReferred, refSchema, thingReferred } from '../commands/refer';
import { outlineInputSchema, readOutline } from '../outlines/outline-input';
import { ZONE_SHIFT, ZONE_BUILD_UP, SLAB_THICKNESS, type FloorPlate, type FloorZone } from './floor';

function readZoneLevels(framework: Framework, building: Id, levels: 'all' | string[]): FloorZone['levels'] {
  return levels === 'all' ? 'all' : [...new Set(levels.map((ref) => levelReferred(framework, ref, building).id))];
}

const zoneIn = (plate: FloorPlate, ref: string): FloorZone =>
  plate.zones.find(({ id, name }) => id === ref || name === ref) ??
  refuseNow(`Floor plate ${plate.name} has no zone ${ref}`, ['zone']);

function freeZoneName(plate: FloorPlate): string {
  let n = 1;
  while (plate.zones.some(({ name }) => name === `Zone ${n}`)) n += 1;
  return `Zone ${n}`;
}

const setZone = defineCommand({
  name: 'floors.setZone',
  title: 'Give a part of a floor plate another SSL, build-up or thickness',
  input: z.strictObject({
    floor: refSchema,
    /** The zone that is changed; a new one where none is named. */
    zone: refSchema.optional(),
    name: textSchema(24).optional(),
    outline: outlineInputSchema.optional(),
    levels: z.union([z.literal('all'), z.array(refSchema).min(1, 'Choose a level at least').max(400)]).optional(),
    /** Its SSL over that of the level; below zero it lies lower. */
    shiftMm: lengthInputSchema.optional(),
    /** Null: as its level. */
    buildUpMm: lengthInputSchema.nullable().optional(),
    /** Null: as its plate. */
    thicknessMm: lengthInputSchema.nullable().optional(),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const plate = thingReferred(edit.before, 'floorPlate', input.floor);
      const known = input.zone === undefined ? undefined : zoneIn(plate, input.zone);
      const name = input.name ?? known?.name ?? freeZoneName(plate);
      if (plate.zones.some((each) => each.name === name && each.id !== known?.id))
        refuseNow(`Floor plate ${plate.name} has a zone named ${name} already. Choose another name`, ['name']);
      if (!known && !input.outline) refuseNow('Say where the zone lies: draw its outline', ['outline']);
      const reader = new LengthReader(edit.before);
      const own = (field: 'buildUpMm' | 'thicknessMm', range: typeof ZONE_SHIFT) => {
        const value = input[field];
        if (value === undefined) return known?.[field] ?? null;
        return value === null ? null : reader.read(value, field, range).stored;
      };
      const next: FloorZone = {
        id: known?.id ?? edit.newId(),
        name,
        outline: input.outline ? readOutline(edit.before, plate.building, input.outline) : known!.outline,
        levels:
          input.levels === undefined
            ? (known?.levels ?? 'all')
            : readZoneLevels(edit.before, plate.building, input.levels),
        shiftMm:
          input.shiftMm === undefined
            ? (known?.shiftMm ?? 0)
            : reader.read(input.shiftMm, 'shiftMm', ZONE_SHIFT).stored,
        buildUpMm: own('buildUpMm', ZONE_BUILD_UP),
        thicknessMm: own('thicknessMm', SLAB_THICKNESS),
      };
      if (next.shiftMm === 0 && next.buildUpMm === null && next.thicknessMm === null)
        refuseNow('Nothing differs in this zone. Type another SSL, build-up or thickness', ['shiftMm']);
      edit.set('floorPlate', plate.id, {
        zones: known ? plate.zones.map((each) => (each.id === known.id ? next : each)) : [...plate.zones, next],
      });
    }),
  sentence: (before, input) => {
    const plate = thingReferred(before, 'floorPlate', input.floor);
    return input.zone === undefined
      ? `Zone ${input.name ?? freeZoneName(plate)} added to floor plate ${plate.name}`
      : `Zone ${zoneIn(plate, input.zone).name} of floor plate ${plate.name} changed`;
  },
});

const removeZone = defineCommand({
  name: 'floors.removeZone',
  title: 'Take a zone out of a floor plate: it is as the rest again',
  input: z.strictObject({ floor: refSchema, zone: refSchema }),
  plan: (edit, input) =>
    refusing(() => {
      const plate = thingReferred(edit.before, 'floorPlate', input.floor);
      const zone = zoneIn(plate, input.zone);
      edit.set('floorPlate', plate.id, { zones: plate.zones.filter(({ id }) => id !== zone.id) });
    }),
  sentence: (before, input) => {
    const plate = thingReferred(before, 'floorPlate', input.floor);
    return `Zone ${zoneIn(plate, input.zone).name} taken out of floor plate ${plate.name}`;
  },
});

export const FLOOR_ZONE_COMMANDS = [setZone, removeZone] as const;
