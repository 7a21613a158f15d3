import { z } from 'zod';
import { defineCommand } from '../commands/command';
import type { InputsOf } from '../commands/command-inputs';
import { freeName, refuseTaken } from '../commands/free-name';
import { LengthReader, lengthInputSchema, refuseNow, refusing } from '../commands/length-input';
import { buildingReferred, refSchema, thingReferred } from '../commands/refer';
import { cross, distance, lineCrossing, minus, plus, times, type Point } from '../geometry/point';
import { directionDeg } from '../geometry/trig';
import { endInputSchema, readEnd, readSpan } from '../levels/end-input';
import { angleSchema, textSchema } from '../model/fields';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { placeInputSchema, readPlace } from '../outlines/outline-input';
import { resolvePlace } from '../outlines/resolve-place';
import { RAMP_BOUNDS, RAMP_FORMS, RAMP_REFERENCES, type Ramp } from './ramp';
import { rulesReferred } from '../rule-sets/rules-in';
import { rampRulesInputSchema } from '../rule-sets/rules-input';
import { RAMP_RULE_SETS } from './ramp-rules';

const lengths = {
  widthMm: lengthInputSchema,
  gapMm: lengthInputSchema,
  thicknessMm: lengthInputSchema,
  radiusMm: lengthInputSchema,
  kerbMm: lengthInputSchema,
  runMm: lengthInputSchema.nullable(),
};
const fields = {
  name: textSchema(24).optional(),
  form: z.enum(RAMP_FORMS).optional(),
  /** The middle of its foot. */
  place: placeInputSchema.optional(),
  towardsDeg: angleSchema.optional(),
  /** In place of those, for a circular one: three places it goes through; then it is as long as it is from the first to the last. */
  through: z.tuple([placeInputSchema, placeInputSchema, placeInputSchema]).optional(),
  turn: z.enum(['left', 'right']).optional(),
  widthMm: lengths.widthMm.optional(),
  gapMm: lengths.gapMm.optional(),
  thicknessMm: lengths.thicknessMm.optional(),
  radiusMm: lengths.radiusMm.optional(),
  kerbMm: lengths.kerbMm.optional(),
  /** Null: as long as it must be. */
  runMm: lengths.runMm.optional(),
  /** Run per rise; null: as steep as it may be. */
  slopeRatio: z.number().min(1).max(1000).nullable().optional(),
  reference: z.enum(RAMP_REFERENCES).optional(),
  segments: z.number().int().min(2).max(400).optional(),
  rules: rampRulesInputSchema.optional(),
  startsAt: endInputSchema.optional(),
  /** Also a level of another building: then it leads across to that. */
  stopsAt: endInputSchema.optional(),
};
type Fields = z.infer<z.ZodObject<typeof fields>>;
type Lengths = Pick<Ramp, keyof typeof lengths>;

function readLengths(framework: Framework, input: Fields): Partial<Lengths> {
  const reader = new LengthReader(framework);
  return Object.fromEntries(
    (Object.keys(lengths) as (keyof Lengths)[]).flatMap((field) => {
      const value = input[field];
      if (value === undefined) return [];
      return [[field, value === null ? null : reader.read(value, field, RAMP_BOUNDS[field]).stored]];
    }),
  );
}

/** Where it begins, its direction, radius, turn and length, from three places of a round. */
function readThrough(framework: Framework, building: Id, through: NonNullable<Fields['through']>): Partial<Ramp> {
  const places = through.map((each) => readPlace(framework, building, each));
  const [a, b, c] = places.map((each) => resolvePlace(framework, each).at) as [Point, Point, Point];
  const turning = cross(minus(b, a), minus(c, b));
  const bisector = (p: Point, q: Point) => {
    const way = minus(q, p);
    return { at: times(plus(p, q), 0.5), along: { x: -way.y, y: way.x } };
  };
  const [first, second] = [bisector(a, b), bisector(b, c)];
  const middle = lineCrossing(first.at, first.along, second.at, second.along);
  if (!middle || Math.abs(turning) < 1)
    return refuseNow('The three places lie on one line. Choose others', ['through']);
  const isLeft = turning > 0;
  const radius = distance(middle, a);
  const from = minus(a, middle);
  const tangent = isLeft ? { x: -from.y, y: from.x } : { x: from.y, y: -from.x };
  const degrees = (p: Point) => directionDeg(minus(p, middle).y, minus(p, middle).x);
  const swept = (((isLeft ? degrees(c) - degrees(a) : degrees(a) - degrees(c)) % 360) + 360) % 360;
  return {
    form: 'circular',
    place: places[0]!,
    towardsDeg: inRange(directionDeg(tangent.y, tangent.x) - resolvePlace(framework, places[0]!).turnDeg),
    turn: isLeft ? 'left' : 'right',
    radiusMm: Math.round(radius * 1000) / 1000,
    runMm: Math.round(((swept * Math.PI) / 180) * radius * 1000) / 1000,
  };
}

const inRange = (deg: number): number => ((((deg + 180) % 360) + 360) % 360) - 180;

const add = defineCommand({
  name: 'ramps.add',
  title: 'Add a ramp from one height to another',
  input: z.strictObject({ building: refSchema.optional(), ...fields }),
  plan: (edit, input) =>
    refusing(() => {
      const building = buildingReferred(edit.before, input.building);
      refuseTaken(edit.before, 'ramp', input.name);
      if (!input.through && input.place === undefined) refuseNow('Say where the ramp begins: `place`', ['place']);
      const span = readSpan(edit.before, building, input.startsAt, input.stopsAt, ['FFL', 'FFL'], {
        mayStopAtOther: true,
      });
      const { form, towardsDeg, turn, slopeRatio, reference, segments } = input;
      edit.add<'ramp'>({
        kind: 'ramp',
        building,
        name: input.name ?? freeName(edit.before, 'ramp'),
        form: form ?? 'straight',
        place: input.through ? { lines: null, xMm: 0, yMm: 0 } : readPlace(edit.before, building, input.place!),
        towardsDeg: towardsDeg ?? 0,
        turn: turn ?? 'left',
        widthMm: 1500,
        gapMm: 200,
        thicknessMm: 200,
        radiusMm: 5000,
        kerbMm: 100,
        runMm: null,
        slopeRatio: slopeRatio ?? null,
        reference: reference ?? 'top',
        segments: segments ?? 24,
        rules: rulesReferred(edit.before, input.rules ?? 'public', RAMP_RULE_SETS),
        ...span,
        ...(input.through ? readThrough(edit.before, building, input.through) : {}),
        ...readLengths(edit.before, input),
      });
    }),
  sentence: (before, input) => `Ramp ${input.name ?? freeName(before, 'ramp')} added`,
});

const change = defineCommand({
  name: 'ramps.change',
  title: 'Change a ramp',
  input: z.strictObject({ ramp: refSchema, ...fields }),
  plan: (edit, input) =>
    refusing(() => {
      const was = thingReferred(edit.before, 'ramp', input.ramp);
      refuseTaken(edit.before, 'ramp', input.name, was.id);
      const { name, form, towardsDeg, turn, slopeRatio, reference, segments, place, startsAt, stopsAt } = input;
      const rules = input.rules === undefined ? undefined : rulesReferred(edit.before, input.rules, RAMP_RULE_SETS);
      edit.set('ramp', was.id, {
        name,
        form,
        towardsDeg,
        turn,
        slopeRatio,
        reference,
        segments,
        rules,
        place: place === undefined ? undefined : readPlace(edit.before, was.building, place),
        startsAt: startsAt && readEnd(edit.before, was.building, startsAt, 'FFL', 'Starts at'),
        stopsAt: stopsAt && readEnd(edit.before, was.building, stopsAt, 'FFL', 'Stops at', { mayBeOther: true }),
        ...(input.through ? readThrough(edit.before, was.building, input.through) : {}),
        ...readLengths(edit.before, input),
      });
    }),
  sentence: (before, input) => `Ramp ${thingReferred(before, 'ramp', input.ramp).name} changed`,
});

export const RAMP_COMMANDS = [add, change] as const;

declare module '../commands/command-inputs' {
  interface CommandInputs extends InputsOf<typeof RAMP_COMMANDS> {}
}
