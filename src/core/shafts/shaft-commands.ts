import { z } from 'zod';
import { endInputSchema, readEnd, readSpan } from '../levels/end-input';
import { defineCommand } from '../commands/command';
import type { InputsOf } from '../commands/command-inputs';
import { textSchema } from '../model/fields';
import { freeName, refuseTaken } from '../commands/free-name';
import { recordsOf, type Framework } from '../model/framework';
import { LengthReader, lengthInputSchema, refuseNow, refusing } from '../commands/length-input';
import { buildingReferred, levelReferred, refSchema, thingReferred } from '../commands/refer';
import { outlineInputSchema, readOutline } from '../outlines/outline-input';
import { LIFT_BOUNDS, SHAFT_PURPOSES, SLAB_STATES, type Lift, type Shaft, type ShaftException } from './shaft';

const shaftOutlineSchema = outlineInputSchema.refine(
  (outline) => outline.type !== 'gridOffset',
  'A shaft is a rectangle, a circle or a polygon, or has its edges on lines',
);

const add = defineCommand({
  name: 'shafts.add',
  title: 'Add a shaft',
  input: z.strictObject({
    building: refSchema.optional(),
    name: textSchema(24).optional(),
    purpose: z.enum(SHAFT_PURPOSES).default('void'),
    outline: shaftOutlineSchema,
    startsAt: endInputSchema.optional(),
    stopsAt: endInputSchema.optional(),
    opensFoot: z.boolean().default(false),
    opensHead: z.boolean().default(false),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const building = buildingReferred(edit.before, input.building);
      refuseTaken(edit.before, 'shaft', input.name);
      edit.add<'shaft'>({
        kind: 'shaft',
        building,
        name: input.name ?? freeName(edit.before, 'shaft'),
        purpose: input.purpose,
        outline: readOutline(edit.before, building, input.outline),
        ...readSpan(edit.before, building, input.startsAt, input.stopsAt, ['FFL', 'SSL']),
        opensFoot: input.opensFoot,
        opensHead: input.opensHead,
        exceptions: [],
        lift: null,
      });
    }),
  sentence: (before, _, after) => `Shaft ${newest(before, after)?.name ?? ''} added`,
});

function newest(before: Framework, after: Framework): Shaft | undefined {
  const known = new Set(recordsOf(before, 'shaft').map(({ id }) => id));
  return recordsOf(after, 'shaft').find(({ id }) => !known.has(id));
}

const change = defineCommand({
  name: 'shafts.change',
  title: 'Change a shaft',
  input: z.strictObject({
    shaft: refSchema,
    name: textSchema(24).optional(),
    purpose: z.enum(SHAFT_PURPOSES).optional(),
    outline: shaftOutlineSchema.optional(),
    startsAt: endInputSchema.optional(),
    stopsAt: endInputSchema.optional(),
    opensFoot: z.boolean().optional(),
    opensHead: z.boolean().optional(),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const shaft = thingReferred(edit.before, 'shaft', input.shaft);
      refuseTaken(edit.before, 'shaft', input.name, shaft.id);
      edit.set('shaft', shaft.id, {
        name: input.name,
        purpose: input.purpose,
        outline: input.outline && readOutline(edit.before, shaft.building, input.outline),
        startsAt:
          input.startsAt && readEnd(edit.before, shaft.building, input.startsAt, shaft.startsAt.face, 'Starts at'),
        stopsAt: input.stopsAt && readEnd(edit.before, shaft.building, input.stopsAt, shaft.stopsAt.face, 'Stops at'),
        opensFoot: input.opensFoot,
        opensHead: input.opensHead,
      });
    }),
  sentence: (before, input) => {
    const parts = [
      input.name && 'name',
      input.purpose && 'purpose',
      input.outline && 'outline',
      (input.startsAt || input.stopsAt) && 'span',
      (input.opensFoot !== undefined || input.opensHead !== undefined) && 'ends',
    ].filter(Boolean);
    return `Shaft ${thingReferred(before, 'shaft', input.shaft).name}: ${parts.join(', ')} changed`;
  },
});

const except = defineCommand({
  name: 'shafts.except',
  title: 'Say what differs at a level of a shaft, or from there up: its outline, or its slab closed or with sleeves',
  input: z.strictObject({
    shaft: refSchema,
    level: refSchema,
    upwards: z.boolean().default(false),
    /** Null: as below again. */
    outline: shaftOutlineSchema.nullable().optional(),
    slab: z.enum(SLAB_STATES).nullable().optional(),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const shaft = thingReferred(edit.before, 'shaft', input.shaft);
      const level = levelReferred(edit.before, input.level, shaft.building);
      const isSame = (each: ShaftException) => each.level === level.id && each.upwards === input.upwards;
      const known = shaft.exceptions.find(isSame);
      const next: ShaftException = {
        level: level.id,
        upwards: input.upwards,
        outline:
          input.outline === undefined
            ? (known?.outline ?? null)
            : input.outline && readOutline(edit.before, shaft.building, input.outline),
        slab: input.slab === undefined ? (known?.slab ?? null) : input.slab,
      };
      const rest = shaft.exceptions.filter((each) => !isSame(each));
      const isPlain = next.outline === null && next.slab === null;
      if (isPlain && !known) refuseNow('Nothing differs there. Give another outline, or say what becomes of the slab');
      edit.set('shaft', shaft.id, { exceptions: isPlain ? rest : [...rest, next] });
    }),
  sentence: (before, input) => {
    const shaft = thingReferred(before, 'shaft', input.shaft);
    const level = levelReferred(before, input.level, shaft.building).record.name;
    return `Shaft ${shaft.name} ${input.upwards ? 'from' : 'at'} level ${level}${input.upwards ? ' up' : ''} changed`;
  },
});

const liftInputSchema = z.strictObject({
  stops: z.union([z.literal('all'), z.array(refSchema).min(1).max(400)]).optional(),
  doorWidthMm: lengthInputSchema.optional(),
  doorHeightMm: lengthInputSchema.optional(),
  pitMm: lengthInputSchema.optional(),
  overrunMm: lengthInputSchema.optional(),
  carWidthMm: lengthInputSchema.optional(),
  carDepthMm: lengthInputSchema.optional(),
  persons: z.number().int().min(1).max(200).optional(),
});

/** A usual lift for eight people. */
const USUAL_LIFT: Lift = {
  stops: 'all',
  doorWidthMm: 900,
  doorHeightMm: 2100,
  pitMm: 1400,
  overrunMm: 3700,
  carWidthMm: 1100,
  carDepthMm: 1400,
  persons: 8,
};

const setLift = defineCommand({
  name: 'shafts.setLift',
  title: 'Say what lift a shaft holds: its stops, doors, pit and overrun',
  input: z.strictObject({
    shaft: refSchema,
    /** What is not said stays, or is usual; null: no lift. */
    lift: liftInputSchema.nullable(),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const shaft = thingReferred(edit.before, 'shaft', input.shaft);
      const { lift } = input;
      if (lift === null) return edit.set('shaft', shaft.id, { lift: null });
      if (shaft.purpose !== 'lift')
        refuseNow(`Shaft ${shaft.name} is for ${shaft.purpose}. Make it a lift shaft first`, ['shaft']);
      const reader = new LengthReader(edit.before);
      const sizes = Object.fromEntries(
        (Object.keys(LIFT_BOUNDS) as (keyof typeof LIFT_BOUNDS)[]).flatMap((field) => {
          const value = lift[field];
          return value === undefined ? [] : [[field, reader.read(value, field, LIFT_BOUNDS[field]).stored] as const];
        }),
      );
      const stops =
        lift.stops === undefined || lift.stops === 'all'
          ? lift.stops
          : lift.stops.map((level) => levelReferred(edit.before, level, shaft.building).id);
      edit.set('shaft', shaft.id, {
        lift: {
          ...(shaft.lift ?? USUAL_LIFT),
          ...sizes,
          ...(stops === undefined ? {} : { stops }),
          ...(lift.persons === undefined ? {} : { persons: lift.persons }),
        },
      });
    }),
  sentence: (before, { shaft, lift }) =>
    `Lift of shaft ${thingReferred(before, 'shaft', shaft).name} ${lift ? 'changed' : 'taken out'}`,
});

export const SHAFT_COMMANDS = [add, change, except, setLift] as const;

declare module '../commands/command-inputs' {
  interface CommandInputs extends InputsOf<typeof SHAFT_COMMANDS> {}
}
