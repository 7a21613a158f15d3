import { z } from 'zod';
import { recordKind } from '../kinds/record-kind';
import { marked, ref, type Bounds } from '../kinds/marks';
import { endSchema, lengthWithin, textSchema } from '../model/fields';
import { idSchema } from '../model/ids';
import { outlineSchema } from '../outlines/outline';
import { rulesSchema } from '../rule-sets/rules-field';
import { STAIR_FORMS } from './stair-form';

export const STAIR_BOUNDS = {
  widthMm: { atLeastMm: 300, atMostMm: 10_000 },
  eyeMm: { atLeastMm: 0, atMostMm: 20_000 },
  floorLandingMm: { atLeastMm: 0, atMostMm: 20_000 },
  nosingMm: { atLeastMm: 0, atMostMm: 60 },
  waistMm: { atLeastMm: 20, atMostMm: 1000 },
  landingMm: { atLeastMm: 20, atMostMm: 1000 },
  finishMm: { atLeastMm: 0, atMostMm: 300 },
  landingDepthMm: { atLeastMm: 100, atMostMm: 20_000 },
  goingMm: { atLeastMm: 50, atMostMm: 2000 },
  treadMm: { atLeastMm: 10, atMostMm: 300 },
} as const satisfies Record<string, Bounds>;

/** The last side of a well, which has no more than twelve. */
export const LAST_SIDE = 11;
/** Of one storey. */
const MOST_RISERS = 500;

/** A stair carried through storeys in one well, or free. Each storey is solved on its own. */
const stairSchema = z.object({
  kind: z.literal('stair'),
  id: idSchema,
  building: ref('refuse'),
  name: textSchema(24),
  form: z.enum(STAIR_FORMS),
  /** As large as it must be: of the well only the corner and the direction one begins at are its own. */
  isFree: z.boolean(),
  /** The space it has in plan: a rectangle, turned as you like; for three or four flights round it any corners that bulge outwards. */
  well: outlineSchema,
  /** The side of the well one comes from, counted counter-clockwise from its first edge. */
  entry: z.number().int().min(0).max(LAST_SIDE),
  /** The way one turns going up. */
  turn: z.enum(['left', 'right']),
  /** Of a flight; null: half the well less the eye. */
  widthMm: lengthWithin(STAIR_BOUNDS.widthMm).nullable(),
  /** Between the two flights. */
  eyeMm: lengthWithin(STAIR_BOUNDS.eyeMm),
  /** Depth of the floors' landing within the well; 0: the floor outside it is the landing. */
  floorLandingMm: lengthWithin(STAIR_BOUNDS.floorLandingMm),
  /** Depth of landings on the way; null: as deep as the rule set asks. */
  landingDepthMm: lengthWithin(STAIR_BOUNDS.landingDepthMm).nullable(),
  /** Typed, and judged by the rule set; null: as the solver finds best. */
  risers: z.number().int().min(1).max(MOST_RISERS).nullable(),
  goingMm: lengthWithin(STAIR_BOUNDS.goingMm).nullable(),
  nosingMm: lengthWithin(STAIR_BOUNDS.nosingMm),
  /** A piece under the treads, or two stringers that hold them. */
  carriedBy: z.enum(['waist', 'stringers']),
  /** Nothing between one tread and the next; between stringers only. */
  hasOpenRisers: z.boolean(),
  /** Thickness of treads between stringers. */
  treadMm: lengthWithin(STAIR_BOUNDS.treadMm),
  /** Thickness of flights, square to the pitch, and of landings. */
  waistMm: lengthWithin(STAIR_BOUNDS.waistMm),
  landingMm: lengthWithin(STAIR_BOUNDS.landingMm),
  /** What lies on treads and landings; floors have their own build-up. */
  finishMm: lengthWithin(STAIR_BOUNDS.finishMm),
  rules: rulesSchema,
  /** The hole in the slabs: the whole well, or no more than headroom needs. */
  opening: z.enum(['well', 'tight']),
  /** Storeys climbed in another way than the best: the level each starts at, and its risers part by part. */
  chosen: z
    .array(z.object({ level: ref('detach'), flights: z.array(z.number().int().min(1).max(MOST_RISERS)).min(1).max(4) }))
    .max(400),
  startsAt: marked(endSchema, { is: 'end', side: 'start', floors: true }),
  stopsAt: marked(endSchema, { is: 'end', side: 'stop', floors: true }),
});
export type Stair = z.infer<typeof stairSchema>;

declare module '../model/kinds' {
  interface Kinds {
    stair: Stair;
  }
}

export const stairRecords = recordKind({
  kind: 'stair',
  named: 'in the project',
  words: { one: 'stair', many: 'stairs' },
  letters: 'ST',
  schema: stairSchema,
  migrations: [
    {
      to: 10,
      record: (record) => ({
        isFree: false,
        landingDepthMm: null,
        risers: null,
        goingMm: null,
        carriedBy: 'waist',
        hasOpenRisers: false,
        treadMm: 40,
        chosen: [],
        ...record,
        form: record.form === 'halfTurn' ? 'halfLanding' : record.form!,
      }),
    },
  ],
});
