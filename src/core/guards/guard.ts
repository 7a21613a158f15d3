import { z } from 'zod';
import { marked, ref, type Bounds } from '../kinds/marks';
import { recordKind } from '../kinds/record-kind';
import { extentSchema } from '../levels/extent';
import { endSchema, lengthSchema, lengthWithin, placeSchema, textSchema } from '../model/fields';
import { idSchema } from '../model/ids';
import { rulesSchema } from '../rule-sets/rules-field';

export const GUARD_BOUNDS = {
  heightMm: { atLeastMm: 200, atMostMm: 5000 },
  postSpacingMm: { atLeastMm: 100, atMostMm: 20_000 },
  gapMm: { atLeastMm: 0, atMostMm: 5000 },
  insetMm: { atLeastMm: -1000, atMostMm: 2000 },
  extensionMm: { atLeastMm: 0, atMostMm: 2000 },
  gateMm: { atLeastMm: 0, atMostMm: 1e6 },
} as const satisfies Record<string, Bounds>;

export const GUARD_SIDES = ['left', 'right', 'both', 'centre'] as const;
export const GUARD_INFILLS = ['bars', 'panel', 'rails', 'none'] as const;

/** What a guard runs along. */
const alongSchema = z.discriminatedUnion('of', [
  z.object({ of: z.literal('stair'), stair: ref('follow'), side: z.enum(GUARD_SIDES) }),
  z.object({ of: z.literal('ramp'), ramp: ref('follow'), side: z.enum(GUARD_SIDES) }),
  z.object({
    of: z.literal('edges'),
    /** Open edges: all, those round a slab, or those of its openings. */
    edges: z.enum(['all', 'outer', 'openings']),
    /** Of the opening that this shaft, stair or ramp makes only. */
    by: ref('follow').nullable(),
    levels: extentSchema,
  }),
  z.object({
    of: z.literal('line'),
    place: placeSchema,
    points: marked(
      z
        .array(z.object({ xMm: lengthSchema, yMm: lengthSchema }))
        .min(2)
        .max(400),
      { is: 'corners' },
    ),
    baseAt: marked(endSchema, { is: 'end', side: 'start' }),
  }),
]);

/** A guard, or a handrail alone, in one make along all its runs. */
const guardSchema = z.object({
  kind: z.literal('guard'),
  id: idSchema,
  building: ref('refuse'),
  name: textSchema(24),
  is: z.enum(['guard', 'handrail']),
  along: alongSchema,
  /** Of its top rail over the floor, or over the line of nosings. */
  heightMm: lengthWithin(GUARD_BOUNDS.heightMm),
  postSpacingMm: lengthWithin(GUARD_BOUNDS.postSpacingMm),
  infill: z.enum(GUARD_INFILLS),
  /** The largest gap of its infill. */
  gapMm: lengthWithin(GUARD_BOUNDS.gapMm),
  hasTopRail: z.boolean(),
  midRails: z.number().int().min(0).max(20),
  /** From the edge inwards to its middle. */
  insetMm: lengthWithin(GUARD_BOUNDS.insetMm),
  /** Level, past the first and the last nosing. */
  extensionMm: lengthWithin(GUARD_BOUNDS.extensionMm),
  endPosts: z.object({ start: z.boolean(), end: z.boolean() }),
  /** Left out, by two distances along the first run. */
  gates: z
    .array(z.object({ fromMm: lengthWithin(GUARD_BOUNDS.gateMm), toMm: lengthWithin(GUARD_BOUNDS.gateMm) }))
    .max(50),
  rules: rulesSchema,
});
export type Guard = z.infer<typeof guardSchema>;

declare module '../model/kinds' {
  interface Kinds {
    guard: Guard;
  }
}

export const guardRecords = recordKind({
  kind: 'guard',
  named: 'in the project',
  words: { one: 'guard', many: 'guards' },
  letters: 'GD',
  schema: guardSchema,
  migrations: [],
});
