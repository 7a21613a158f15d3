import { z } from 'zod';
import { lengthPlus, mmOf } from '../dimensions/resolve-length';
import { turned } from '../geometry/point';
import { endInputSchema, readEnd, readSpan, type EndInput } from '../levels/end-input';
import { defineCommand } from '../commands/command';
import type { InputsOf } from '../commands/command-inputs';
import { textSchema, type End } from '../model/fields';
import { freeName } from '../commands/free-name';
import { recordsOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import {
  LengthReader,
  lengthInputSchema,
  refuseNow,
  refusing,
  type LengthInput,
  saidLength,
} from '../commands/length-input';
import { buildingReferred, refSchema, thingReferred } from '../commands/refer';
import type { Outline } from '../outlines/outline';
import { outlineInputSchema, readOutline } from '../outlines/outline-input';
import { resolveOutline } from '../setting-out/resolve-outline';
import type { Length } from '../units/parse-length';
import { wellOf } from './half-turn';
import { RULE_SETS } from './rule-sets';
import { STAIR_BOUNDS, type Stair } from './stair';

const sizesSchema = {
  /** Null: half the well less the eye. */
  widthMm: lengthInputSchema.nullable(),
  eyeMm: lengthInputSchema,
  floorLandingMm: lengthInputSchema,
  nosingMm: lengthInputSchema,
  waistMm: lengthInputSchema,
  landingMm: lengthInputSchema,
  finishMm: lengthInputSchema,
};
type SizesInput = { [Field in keyof typeof sizesSchema]?: LengthInput | null | undefined };

/** Least and greatest of each size, millimetres. */
type Sizes = Pick<Stair, keyof typeof sizesSchema>;

function readSizes(framework: Framework, input: SizesInput): Partial<Sizes> {
  const reader = new LengthReader(framework);
  const fields = Object.keys(sizesSchema) as (keyof Sizes)[];
  return Object.fromEntries(
    fields.flatMap((field): [string, Length | null][] => {
      const value = input[field];
      if (value === undefined) return [];
      if (value === null) return [[field, null]];
      return [[field, reader.read(value, field, STAIR_BOUNDS[field]).stored]];
    }),
  );
}

function readWell(
  framework: Framework,
  building: Id,
  input: z.infer<typeof outlineInputSchema>,
  entry: number,
): Outline {
  const well = readOutline(framework, building, input);
  const ring = resolveOutline(framework, well);
  if (ring && !wellOf(ring, entry)) refuseNow('A well for a half-turn stair has four square corners', ['well']);
  return well;
}

/** Stairs climb from floor to floor: no offsets from a level. */
function readFloors(framework: Framework, building: Id, startsAt?: EndInput, stopsAt?: EndInput) {
  const span = readSpan(framework, building, startsAt, stopsAt, ['FFL', 'FFL']);
  return { startsAt: onFloor(span.startsAt), stopsAt: onFloor(span.stopsAt) };
}
const onFloor = (end: End): End => ({ ...end, face: 'FFL', offsetMm: 0 });

const namesTaken = (framework: Framework): Map<string, Id> =>
  new Map(recordsOf(framework, 'stair').map(({ name, id }) => [name, id]));

const add = defineCommand({
  name: 'stairs.add',
  title: 'Add a stair in a well, through storeys',
  input: z.strictObject({
    building: refSchema.optional(),
    name: textSchema(24).optional(),
    well: outlineInputSchema,
    entry: z.number().int().min(0).max(3).default(0),
    turn: z.enum(['left', 'right']).default('left'),
    rules: z.enum(RULE_SETS).optional(),
    opening: z.enum(['well', 'tight']).default('well'),
    widthMm: sizesSchema.widthMm.default(null),
    eyeMm: sizesSchema.eyeMm.default(100),
    floorLandingMm: sizesSchema.floorLandingMm.default(0),
    nosingMm: sizesSchema.nosingMm.default(20),
    waistMm: sizesSchema.waistMm.default(150),
    landingMm: sizesSchema.landingMm.default(180),
    finishMm: sizesSchema.finishMm.default(30),
    startsAt: endInputSchema.optional(),
    stopsAt: endInputSchema.optional(),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const building = buildingReferred(edit.before, input.building);
      if (input.name && namesTaken(edit.before).has(input.name))
        refuseNow(`There is a stair named ${input.name} already. Choose another name`, ['name']);
      const { entry, turn, opening } = input;
      const rules = input.rules ?? recordsOf(edit.before, 'project')[0]?.details?.rules ?? 'public';
      edit.add<'stair'>({
        kind: 'stair',
        building,
        name: input.name ?? freeName(edit.before, 'stair'),
        form: 'halfTurn',
        well: readWell(edit.before, building, input.well, entry),
        entry,
        turn,
        rules,
        opening,
        ...(readSizes(edit.before, input) as Sizes),
        ...readFloors(edit.before, building, input.startsAt, input.stopsAt),
      });
    }),
  sentence: (before, input) => `Stair ${input.name ?? freeName(before, 'stair')} added`,
});

const change = defineCommand({
  name: 'stairs.change',
  title: 'Change a stair',
  input: z.strictObject({
    stair: refSchema,
    name: textSchema(24).optional(),
    well: outlineInputSchema.optional(),
    entry: z.number().int().min(0).max(3).optional(),
    turn: z.enum(['left', 'right']).optional(),
    rules: z.enum(RULE_SETS).optional(),
    opening: z.enum(['well', 'tight']).optional(),
    widthMm: sizesSchema.widthMm.optional(),
    eyeMm: sizesSchema.eyeMm.optional(),
    floorLandingMm: sizesSchema.floorLandingMm.optional(),
    nosingMm: sizesSchema.nosingMm.optional(),
    waistMm: sizesSchema.waistMm.optional(),
    landingMm: sizesSchema.landingMm.optional(),
    finishMm: sizesSchema.finishMm.optional(),
    startsAt: endInputSchema.optional(),
    stopsAt: endInputSchema.optional(),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const stair = thingReferred(edit.before, 'stair', input.stair);
      const taken = input.name && namesTaken(edit.before).get(input.name);
      if (taken && taken !== stair.id)
        refuseNow(`There is a stair named ${input.name} already. Choose another name`, ['name']);
      const end = (which: 'startsAt' | 'stopsAt', field: string) =>
        input[which] && onFloor(readEnd(edit.before, stair.building, input[which], 'FFL', field));
      const { name, entry, turn, rules, opening } = input;
      edit.set('stair', stair.id, {
        name,
        entry,
        turn,
        rules,
        opening,
        well: input.well && readWell(edit.before, stair.building, input.well, entry ?? stair.entry),
        ...readSizes(edit.before, input),
        startsAt: end('startsAt', 'Starts at'),
        stopsAt: end('stopsAt', 'Stops at'),
      });
    }),
  sentence: (before, input) => `Stair ${thingReferred(before, 'stair', input.stair).name} changed`,
});

const lengthenWell = defineCommand({
  name: 'stairs.lengthenWell',
  title: 'Make the well of a stair longer, away from the side one comes from',
  input: z.strictObject({ stair: refSchema, byMm: lengthInputSchema }),
  plan: (edit, input) =>
    refusing(() => {
      const stair = thingReferred(edit.before, 'stair', input.stair);
      const { mm } = new LengthReader(edit.before).read(input.byMm, 'byMm', { atLeastMm: -1e5, atMostMm: 1e5 });
      const { well, entry } = stair;
      if (well.type !== 'rectangle')
        refuseNow(`The well of stair ${stair.name} follows other lines or is drawn by its corners. Move those`);
      const field = entry % 2 === 0 ? 'depthMm' : 'widthMm';
      if (mmOf(edit.before, well[field]) + mm <= 1) refuseNow('The well would have no length. Change it by less');
      // Come in from above or from the right, it grows to the other side of its corner.
      const shift =
        entry === 2
          ? turned({ x: 0, y: -mm }, well.turnDeg)
          : entry === 1
            ? turned({ x: -mm, y: 0 }, well.turnDeg)
            : { x: 0, y: 0 };
      const { place } = well;
      edit.set('stair', stair.id, {
        well: {
          ...well,
          [field]: lengthPlus(well[field], mm),
          place: { ...place, xMm: lengthPlus(place.xMm, shift.x), yMm: lengthPlus(place.yMm, shift.y) },
        },
      });
    }),
  sentence: (before, input) =>
    `Well of stair ${thingReferred(before, 'stair', input.stair).name} made ${saidLength(before, input.byMm)} longer`,
});

export const STAIR_COMMANDS = [add, change, lengthenWell] as const;

declare module '../commands/command-inputs' {
  interface CommandInputs extends InputsOf<typeof STAIR_COMMANDS> {}
}
