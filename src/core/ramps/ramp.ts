import { z } from 'zod';
import { marked, ref, type Bounds } from '../kinds/marks';
import { recordKind } from '../kinds/record-kind';
import { angleSchema, endSchema, lengthWithin, placeSchema, textSchema } from '../model/fields';
import { idSchema } from '../model/ids';
import { rampRulesSchema } from '../rule-sets/rules-field';

/** Straight on; round a corner on a landing; to and fro; round a middle. */
export const RAMP_FORMS = ['straight', 'quarter', 'switchback', 'circular'] as const;
export const RAMP_REFERENCES = ['top', 'middle', 'underside'] as const;

export const RAMP_BOUNDS = {
  widthMm: { atLeastMm: 300, atMostMm: 30_000 },
  gapMm: { atLeastMm: 0, atMostMm: 20_000 },
  thicknessMm: { atLeastMm: 20, atMostMm: 2000 },
  radiusMm: { atLeastMm: 300, atMostMm: 200_000 },
  runMm: { atLeastMm: 1, atMostMm: 1_000_000 },
  kerbMm: { atLeastMm: 0, atMostMm: 1000 },
} as const satisfies Record<string, Bounds>;

/** A ramp from one height to another: between two levels, two floors of one, from a level to a height over it, or across to a level of another building. */
const rampSchema = z.object({
  kind: z.literal('ramp'),
  id: idSchema,
  building: ref('refuse'),
  name: textSchema(24),
  form: z.enum(RAMP_FORMS),
  /** The middle of its foot, and which way one goes there, against the axes of the place. */
  place: placeSchema,
  towardsDeg: marked(angleSchema, { is: 'turn' }),
  /** The way one turns. */
  turn: z.enum(['left', 'right']),
  widthMm: lengthWithin(RAMP_BOUNDS.widthMm),
  /** Between the runs of a ramp that goes to and fro. */
  gapMm: lengthWithin(RAMP_BOUNDS.gapMm),
  thicknessMm: lengthWithin(RAMP_BOUNDS.thicknessMm),
  /** Which of its faces the heights are those of. */
  reference: z.enum(RAMP_REFERENCES),
  /** Of the middle line of a circular one, and the straight pieces its round is made of. */
  radiusMm: lengthWithin(RAMP_BOUNDS.radiusMm),
  segments: z.number().int().min(2).max(400),
  /** Edges stand so much over it; 0: none. */
  kerbMm: lengthWithin(RAMP_BOUNDS.kerbMm),
  rules: rampRulesSchema,
  /** The room there is along its middle, landings included; null: as long as it must be. */
  runMm: lengthWithin(RAMP_BOUNDS.runMm).nullable(),
  /** Run per rise, typed and judged; null: as steep as it may be. */
  slopeRatio: z.number().min(1).max(1000).nullable(),
  startsAt: marked(endSchema, { is: 'end', side: 'start' }),
  stopsAt: marked(endSchema, { is: 'end', side: 'stop' }),
});
export type Ramp = z.infer<typeof rampSchema>;

declare module '../model/kinds' {
  interface Kinds {
    ramp: Ramp;
  }
}

export const rampRecords = recordKind({
  kind: 'ramp',
  named: 'in the project',
  words: { one: 'ramp', many: 'ramps' },
  letters: 'RA',
  schema: rampSchema,
  migrations: [],
});
