import { z } from 'zod';
import { defineCommand } from '../commands/command';
import type { InputsOf } from '../commands/command-inputs';
import { freeName, refuseTaken } from '../commands/free-name';
import { LengthReader, lengthInputSchema, refuseNow, refusing } from '../commands/length-input';
import { buildingReferred, refSchema, thingReferred } from '../commands/refer';
import { endInputSchema, readEnd } from '../levels/end-input';
import type { Extent } from '../levels/extent';
import { extentInputSchema, readExtent } from '../levels/extent-input';
import { storeyLevels } from '../levels/resolve-levels';
import { textSchema } from '../model/fields';
import { recordOf, recordsOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { placeInputSchema, readPlace } from '../outlines/outline-input';
import { guardRules, projectRules, rulesReferred } from '../rule-sets/rules-in';
import { rulesInputSchema } from '../rule-sets/rules-input';
import { GUARD_BOUNDS, GUARD_INFILLS, GUARD_SIDES, type Guard } from './guard';

const cornerSchema = z.strictObject({ xMm: lengthInputSchema, yMm: lengthInputSchema });
const alongInputSchema = z.discriminatedUnion('of', [
  z.strictObject({ of: z.literal('stair'), stair: refSchema, side: z.enum(GUARD_SIDES).default('both') }),
  z.strictObject({ of: z.literal('ramp'), ramp: refSchema, side: z.enum(GUARD_SIDES).default('both') }),
  z.strictObject({
    of: z.literal('edges'),
    edges: z.enum(['all', 'outer', 'openings']).default('all'),
    /** The shaft, stair or ramp whose opening it is. */
    by: refSchema.nullable().default(null),
    /** None: all but roofs. */
    levels: extentInputSchema.optional(),
  }),
  z.strictObject({
    of: z.literal('line'),
    place: placeInputSchema.optional(),
    points: z.array(cornerSchema).min(2, 'A guard has two places or more').max(400),
    baseAt: endInputSchema.optional(),
  }),
]);
const fields = {
  name: textSchema(24).optional(),
  is: z.enum(['guard', 'handrail']).optional(),
  heightMm: lengthInputSchema.optional(),
  postSpacingMm: lengthInputSchema.optional(),
  infill: z.enum(GUARD_INFILLS).optional(),
  gapMm: lengthInputSchema.optional(),
  hasTopRail: z.boolean().optional(),
  midRails: z.number().int().min(0).max(20).optional(),
  insetMm: lengthInputSchema.optional(),
  extensionMm: lengthInputSchema.optional(),
  endPosts: z.strictObject({ start: z.boolean(), end: z.boolean() }).optional(),
  /** Left out, by two distances along its first run. */
  gates: z
    .array(z.strictObject({ fromMm: lengthInputSchema, toMm: lengthInputSchema }))
    .max(50)
    .optional(),
  rules: rulesInputSchema.optional(),
};
type Fields = z.infer<z.ZodObject<typeof fields>>;

/** What carries an opening: by its name or id. */
function openingOf(framework: Framework, ref: string): Id {
  for (const kind of ['shaft', 'stair', 'ramp'] as const) {
    const byId = recordOf(framework, kind, ref as Id);
    if (byId) return byId.id;
    const named = recordsOf(framework, kind).find(({ name }) => name === ref);
    if (named) return named.id;
  }
  return refuseNow(`There is no shaft, stair or ramp ${ref}`, ['along', 'by']);
}

/** All floors but those of roofs. */
function allFloors(framework: Framework, building: Id): Extent {
  const storeys = storeyLevels(framework, building).filter(({ record }) => record.levelKind !== 'roof');
  const [first, last] = [storeys[0], storeys.at(-1)];
  if (!first || !last) return refuseNow('Set up levels first');
  return { range: [first.id, last.id] };
}

function readAlong(framework: Framework, building: Id, input: z.infer<typeof alongInputSchema>): Guard['along'] {
  switch (input.of) {
    case 'stair':
      return { of: 'stair', stair: thingReferred(framework, 'stair', input.stair).id, side: input.side };
    case 'ramp':
      return { of: 'ramp', ramp: thingReferred(framework, 'ramp', input.ramp).id, side: input.side };
    case 'edges':
      return {
        of: 'edges',
        edges: input.edges,
        by: input.by === null ? null : openingOf(framework, input.by),
        levels:
          input.levels === undefined ? allFloors(framework, building) : readExtent(framework, building, input.levels),
      };
    case 'line': {
      const reader = new LengthReader(framework);
      const [lowest] = storeyLevels(framework, building);
      if (!lowest && !input.baseAt) return refuseNow('Set up a level first');
      return {
        of: 'line',
        place:
          input.place === undefined ? { lines: null, xMm: 0, yMm: 0 } : readPlace(framework, building, input.place),
        points: input.points.map(({ xMm, yMm }, i) => ({
          xMm: reader.read(xMm, `points.${i}.xMm`, FAR).stored,
          yMm: reader.read(yMm, `points.${i}.yMm`, FAR).stored,
        })),
        baseAt: input.baseAt
          ? readEnd(framework, building, input.baseAt, 'FFL', 'At level')
          : { level: lowest!.id, face: 'FFL', offsetMm: 0 },
      };
    }
  }
}
const FAR = { atLeastMm: -1e6, atMostMm: 1e6 };

const SIZES = ['heightMm', 'postSpacingMm', 'gapMm', 'insetMm', 'extensionMm'] as const;

function readSizes(framework: Framework, input: Fields): Partial<Guard> {
  const reader = new LengthReader(framework);
  const sizes = Object.fromEntries(
    SIZES.flatMap((field) => {
      const value = input[field];
      return value === undefined ? [] : [[field, reader.read(value, field, GUARD_BOUNDS[field]).stored]];
    }),
  );
  const gates = input.gates?.map(({ fromMm, toMm }, i) => ({
    fromMm: reader.read(fromMm, `gates.${i}.fromMm`, GUARD_BOUNDS.gateMm).stored,
    toMm: reader.read(toMm, `gates.${i}.toMm`, GUARD_BOUNDS.gateMm).stored,
  }));
  return { ...sizes, ...(gates ? { gates } : {}) };
}

const add = defineCommand({
  name: 'guards.add',
  title: 'Add a guard or handrail along stairs, ramps, open edges or a line',
  input: z.strictObject({ building: refSchema.optional(), along: alongInputSchema, ...fields }),
  plan: (edit, input) =>
    refusing(() => {
      const building = buildingReferred(edit.before, input.building);
      refuseTaken(edit.before, 'guard', input.name);
      const rules = rulesReferred(edit.before, input.rules ?? projectRules(edit.before));
      const limits = guardRules(edit.before, rules);
      const is = input.is ?? 'guard';
      const isOnFlight = input.along.of === 'stair';
      const height = is === 'handrail' ? limits.handrailMm.least : isOnFlight ? limits.flightMm : limits.edgeMm;
      edit.add<'guard'>({
        kind: 'guard',
        building,
        name: input.name ?? freeName(edit.before, 'guard'),
        is,
        along: readAlong(edit.before, building, input.along),
        heightMm: height,
        postSpacingMm: 1500,
        infill: input.infill ?? (is === 'handrail' ? 'none' : 'bars'),
        gapMm: limits.gapMm,
        hasTopRail: input.hasTopRail ?? true,
        midRails: input.midRails ?? 0,
        insetMm: 50,
        extensionMm: is === 'handrail' && isOnFlight ? limits.extensionMm : 0,
        endPosts: input.endPosts ?? { start: true, end: true },
        gates: [],
        rules,
        ...readSizes(edit.before, input),
      });
    }),
  sentence: (before, { is, name }) =>
    `${is === 'handrail' ? 'Handrail' : 'Guard'} ${name ?? freeName(before, 'guard')} added`,
});

const change = defineCommand({
  name: 'guards.change',
  title: 'Change a guard or handrail',
  input: z.strictObject({ guard: refSchema, along: alongInputSchema.optional(), ...fields }),
  plan: (edit, input) =>
    refusing(() => {
      const was = thingReferred(edit.before, 'guard', input.guard);
      refuseTaken(edit.before, 'guard', input.name, was.id);
      const { name, is, infill, hasTopRail, midRails, endPosts, along } = input;
      const rules = input.rules === undefined ? undefined : rulesReferred(edit.before, input.rules);
      edit.set('guard', was.id, {
        name,
        is,
        infill,
        hasTopRail,
        midRails,
        endPosts,
        rules,
        along: along && readAlong(edit.before, was.building, along),
        ...readSizes(edit.before, input),
      });
    }),
  sentence: (before, input) => `Guard ${thingReferred(before, 'guard', input.guard).name} changed`,
});

export const GUARD_COMMANDS = [add, change] as const;

declare module '../commands/command-inputs' {
  interface CommandInputs extends InputsOf<typeof GUARD_COMMANDS> {}
}
