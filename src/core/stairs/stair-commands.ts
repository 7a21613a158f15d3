import { z } from 'zod';
import { lengthPlus, mmOf } from '../dimensions/resolve-length';
import { plus, turned } from '../geometry/point';
import { endInputSchema, readEnd, readSpan, type EndInput } from '../levels/end-input';
import { defineCommand } from '../commands/command';
import type { InputsOf } from '../commands/command-inputs';
import { angleSchema, textSchema, type End } from '../model/fields';
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
import { buildingReferred, levelReferred, refSchema, thingReferred } from '../commands/refer';
import type { Outline } from '../outlines/outline';
import { outlineInputSchema, placeInputSchema, readOutline } from '../outlines/outline-input';
import type { Length } from '../units/parse-length';
import { largerPolygon, readWell } from './well-input';
import { projectRules, rulesReferred } from '../rule-sets/rules-in';
import { rulesInputSchema } from '../rule-sets/rules-input';
import { STAIR_FORMS } from './stair-form';
import { LAST_SIDE, STAIR_BOUNDS, type Stair } from './stair';

const sizesSchema = {
  /** Null: half the well less the eye. */
  widthMm: lengthInputSchema.nullable(),
  eyeMm: lengthInputSchema,
  floorLandingMm: lengthInputSchema,
  nosingMm: lengthInputSchema,
  waistMm: lengthInputSchema,
  landingMm: lengthInputSchema,
  finishMm: lengthInputSchema,
  /** Null: as deep as the rule set asks. */
  landingDepthMm: lengthInputSchema.nullable(),
  /** Null: as the solver finds best. */
  goingMm: lengthInputSchema.nullable(),
  treadMm: lengthInputSchema,
};
const form = z.enum(STAIR_FORMS);
const carriedBy = z.enum(['waist', 'stringers']);
const risers = z.number().int().min(1).max(500).nullable();
/** Where a free stair begins: the corner of its first step at the outside of its turn, and which way one goes up there. */
const beginSchema = z.strictObject({ place: placeInputSchema, towardsDeg: angleSchema.default(90) });
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

/** A free stair's rectangle says where it begins and which way: one comes in over its first side. */
const NOMINAL_MM = 1000;
function readBegin(
  framework: Framework,
  building: Id,
  { place, towardsDeg }: z.infer<typeof beginSchema>,
  turn: Stair['turn'],
): Outline {
  const turnDeg = ((((towardsDeg - 90) % 360) + 540) % 360) - 180;
  const input = { type: 'rectangle' as const, place, widthMm: NOMINAL_MM, depthMm: NOMINAL_MM, turnDeg };
  const well = readOutline(framework, building, input);
  if (well.type !== 'rectangle' || turn === 'right') return well;
  // Turning to the left, the outer corner is the right one.
  return shiftedWell(well, turned({ x: -NOMINAL_MM, y: 0 }, turnDeg));
}

type Rectangle = Outline & { type: 'rectangle' };
const shiftedWell = (well: Rectangle, shift: { x: number; y: number }): Rectangle => ({
  ...well,
  place: { ...well.place, xMm: lengthPlus(well.place.xMm, shift.x), yMm: lengthPlus(well.place.yMm, shift.y) },
});

/** Nothing lies between treads only where stringers hold them. */
function readOpenRisers({ carriedBy: by, hasOpenRisers }: Pick<Stair, 'carriedBy' | 'hasOpenRisers'>) {
  if (hasOpenRisers && by === 'waist')
    refuseNow('Open risers need stringers. Let stringers carry the stair, or close the risers', ['hasOpenRisers']);
  return { carriedBy: by, hasOpenRisers };
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
    form: form.default('halfLanding'),
    /** Its well; or where it begins, if it is as large as it must be. */
    well: outlineInputSchema.optional(),
    begin: beginSchema.optional(),
    entry: z.number().int().min(0).max(LAST_SIDE).default(0),
    turn: z.enum(['left', 'right']).default('left'),
    rules: rulesInputSchema.optional(),
    opening: z.enum(['well', 'tight']).default('well'),
    widthMm: sizesSchema.widthMm.default(null),
    eyeMm: sizesSchema.eyeMm.default(100),
    floorLandingMm: sizesSchema.floorLandingMm.default(0),
    nosingMm: sizesSchema.nosingMm.default(20),
    waistMm: sizesSchema.waistMm.default(150),
    landingMm: sizesSchema.landingMm.default(180),
    finishMm: sizesSchema.finishMm.default(30),
    landingDepthMm: sizesSchema.landingDepthMm.default(null),
    risers: risers.default(null),
    goingMm: sizesSchema.goingMm.default(null),
    carriedBy: carriedBy.default('waist'),
    hasOpenRisers: z.boolean().default(false),
    treadMm: sizesSchema.treadMm.default(40),
    startsAt: endInputSchema.optional(),
    stopsAt: endInputSchema.optional(),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const building = buildingReferred(edit.before, input.building);
      if (input.name && namesTaken(edit.before).has(input.name))
        refuseNow(`There is a stair named ${input.name} already. Choose another name`, ['name']);
      const { turn, opening, begin, well } = input;
      const entry = begin ? 0 : input.entry;
      const shape = { form: input.form, entry, turn };
      if (!begin && !well) refuseNow('Say where it is: give its well, or where it begins', ['well']);
      if (begin && well) refuseNow('Give its well, or where it begins, not both', ['begin']);
      const rules = rulesReferred(edit.before, input.rules ?? projectRules(edit.before));
      edit.add<'stair'>({
        kind: 'stair',
        building,
        name: input.name ?? freeName(edit.before, 'stair'),
        form: input.form,
        isFree: begin !== undefined,
        well: begin ? readBegin(edit.before, building, begin, turn) : readWell(edit.before, building, well!, shape),
        entry,
        turn,
        rules,
        opening,
        risers: input.risers,
        ...readOpenRisers(input),
        chosen: [],
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
    form: form.optional(),
    well: outlineInputSchema.optional(),
    begin: beginSchema.optional(),
    isFree: z.boolean().optional(),
    entry: z.number().int().min(0).max(LAST_SIDE).optional(),
    turn: z.enum(['left', 'right']).optional(),
    rules: rulesInputSchema.optional(),
    opening: z.enum(['well', 'tight']).optional(),
    widthMm: sizesSchema.widthMm.optional(),
    eyeMm: sizesSchema.eyeMm.optional(),
    floorLandingMm: sizesSchema.floorLandingMm.optional(),
    nosingMm: sizesSchema.nosingMm.optional(),
    waistMm: sizesSchema.waistMm.optional(),
    landingMm: sizesSchema.landingMm.optional(),
    finishMm: sizesSchema.finishMm.optional(),
    landingDepthMm: sizesSchema.landingDepthMm.optional(),
    risers: risers.optional(),
    goingMm: sizesSchema.goingMm.optional(),
    carriedBy: carriedBy.optional(),
    hasOpenRisers: z.boolean().optional(),
    treadMm: sizesSchema.treadMm.optional(),
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
      const { name, form: shape, turn, opening, begin, well } = input;
      const rules = input.rules === undefined ? undefined : rulesReferred(edit.before, input.rules);
      if (begin && well) refuseNow('Give its well, or where it begins, not both', ['begin']);
      const entry = begin ? 0 : input.entry;
      const isFree = begin ? true : well ? (input.isFree ?? false) : input.isFree;
      const place = begin
        ? readBegin(edit.before, stair.building, begin, turn ?? stair.turn)
        : well &&
          readWell(edit.before, stair.building, well, {
            form: shape ?? stair.form,
            entry: entry ?? stair.entry,
            turn: turn ?? stair.turn,
          });
      const made = readOpenRisers({
        carriedBy: input.carriedBy ?? stair.carriedBy,
        // Carried by a waist again, its risers are closed.
        hasOpenRisers: input.hasOpenRisers ?? (input.carriedBy === 'waist' ? false : stair.hasOpenRisers),
      });
      edit.set('stair', stair.id, {
        name,
        form: shape,
        isFree,
        entry,
        turn,
        rules,
        opening,
        risers: input.risers,
        ...made,
        // What was chosen was a way of the form it had.
        ...(shape && shape !== stair.form ? { chosen: [] } : {}),
        well: place,
        ...readSizes(edit.before, input),
        startsAt: end('startsAt', 'Starts at'),
        stopsAt: end('stopsAt', 'Stops at'),
      });
    }),
  sentence: (before, input) => `Stair ${thingReferred(before, 'stair', input.stair).name} changed`,
});

const lengthenWell = defineCommand({
  name: 'stairs.lengthenWell',
  title:
    'Make the well of a stair longer, away from the side one comes from, or wider, to the side one turns to; one of other corners larger in its shape',
  input: z.strictObject({
    stair: refSchema,
    byMm: lengthInputSchema.default(0),
    widerMm: lengthInputSchema.default(0),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const stair = thingReferred(edit.before, 'stair', input.stair);
      const reader = new LengthReader(edit.before);
      const read = (field: 'byMm' | 'widerMm') =>
        reader.read(input[field], field, { atLeastMm: -1e5, atMostMm: 1e5 }).mm;
      const { well, entry, turn } = stair;
      if (stair.isFree) refuseNow(`Stair ${stair.name} has no well: it is as large as it must be`);
      if (well.type === 'polygon' && read('widerMm') === 0) {
        edit.set('stair', stair.id, { well: largerPolygon(edit.before, stair, well, read('byMm')) });
        return;
      }
      if (well.type !== 'rectangle')
        refuseNow(`The well of stair ${stair.name} follows other lines or is drawn by its corners. Move those`);
      const [long, wide] = [read('byMm'), read('widerMm')];
      const [longField, wideField] =
        entry % 2 === 0 ? (['depthMm', 'widthMm'] as const) : (['widthMm', 'depthMm'] as const);
      const grown = (field: 'depthMm' | 'widthMm', mm: number) => {
        if (mmOf(edit.before, well[field]) + mm <= 1) refuseNow('The well would have no size. Change it by less');
        return { [field]: lengthPlus(well[field], mm) };
      };
      // From its lower left corner it grows up and to the right: to another side it has to be moved.
      const sides = [
        turn === 'left' ? 3 : 1,
        turn === 'left' ? 0 : 2,
        turn === 'left' ? 1 : 3,
        turn === 'left' ? 2 : 0,
      ];
      const back = (side: number, mm: number) =>
        side === 3 ? { x: -mm, y: 0 } : side === 0 ? { x: 0, y: -mm } : { x: 0, y: 0 };
      const shift = plus(back((entry + 2) % 4, long), back(sides[entry]!, wide));
      edit.set('stair', stair.id, {
        well: shiftedWell(
          { ...well, ...grown(longField, long), ...grown(wideField, wide) },
          turned(shift, well.turnDeg),
        ),
      });
    }),
  sentence: (before, { stair, byMm, widerMm }) => {
    const said = [
      ...(byMm === 0 ? [] : [`${saidLength(before, byMm)} longer`]),
      ...(widerMm === 0 ? [] : [`${saidLength(before, widerMm)} wider`]),
    ];
    return `Well of stair ${thingReferred(before, 'stair', stair).name} made ${said.join(' and ') || 'no larger'}`;
  },
});

const choose = defineCommand({
  name: 'stairs.choose',
  title: 'Climb a storey in another way than the best',
  input: z.strictObject({
    stair: refSchema,
    /** The level the storey starts at. */
    level: refSchema,
    /** Risers part by part; null: as is best. */
    flights: z.array(z.number().int().min(1).max(500)).min(1).max(4).nullable(),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const stair = thingReferred(edit.before, 'stair', input.stair);
      const level = levelReferred(edit.before, input.level, stair.building);
      const { flights } = input;
      const others = stair.chosen.filter((each) => each.level !== level.id);
      edit.set('stair', stair.id, { chosen: flights ? [...others, { level: level.id, flights }] : others });
    }),
  sentence: (before, { stair, level, flights }) => {
    const { name, building } = thingReferred(before, 'stair', stair);
    const from = levelReferred(before, level, building).record.name;
    return `Stair ${name} climbs from level ${from} ${flights ? `in ${flights.join(' + ')} risers` : 'as is best'}`;
  },
});

export const STAIR_COMMANDS = [add, change, lengthenWell, choose] as const;

declare module '../commands/command-inputs' {
  interface CommandInputs extends InputsOf<typeof STAIR_COMMANDS> {}
}
