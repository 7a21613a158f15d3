import { z } from 'zod';
import { ref, type Bounds } from '../kinds/marks';
import { recordKind } from '../kinds/record-kind';
import { lengthWithin, textSchema } from '../model/fields';
import { idSchema } from '../model/ids';

export const ROOF_OPENING_BOUNDS = {
  alongMm: { atLeastMm: -100_000, atMostMm: 1_000_000 },
  upMm: { atLeastMm: -5000, atMostMm: 100_000 },
  widthMm: { atLeastMm: 300, atMostMm: 30_000 },
  heightMm: { atLeastMm: 300, atMostMm: 10_000 },
  wallMm: { atLeastMm: 30, atMostMm: 1000 },
  roofMm: { atLeastMm: 30, atMostMm: 1000 },
  overhangMm: { atLeastMm: 0, atMostMm: 2000 },
} as const satisfies Record<string, Bounds>;

/** A window in the face; or a dormer with one slope to the front, or with a saddle roof. */
export const ROOF_OPENINGS = ['window', 'slope', 'saddle'] as const;

/** What opens a face of a pitched roof: a window that lies in it, or a dormer that stands out of it. It follows the roof. */
const roofOpeningSchema = z.object({
  kind: z.literal('roofOpening'),
  id: idSchema,
  building: ref('refuse'),
  name: textSchema(40),
  roof: ref('follow'),
  is: z.enum(ROOF_OPENINGS),
  /** The edge its face rises from, counted as the edges of the roof are. */
  edge: z.number().int().min(0).max(5000),
  /** Its middle, along that edge from where it begins. */
  alongMm: lengthWithin(ROOF_OPENING_BOUNDS.alongMm),
  /** Its front or lower side in plan, from what the roof stands on inwards. */
  upMm: lengthWithin(ROOF_OPENING_BOUNDS.upMm),
  widthMm: lengthWithin(ROOF_OPENING_BOUNDS.widthMm),
  /** A window: along the slope. A dormer: of its eaves over the roof, at its front. */
  heightMm: lengthWithin(ROOF_OPENING_BOUNDS.heightMm),
  /** Of a dormer’s own roof. */
  slopeDeg: z.number().min(0).max(80),
  wallMm: lengthWithin(ROOF_OPENING_BOUNDS.wallMm),
  roofMm: lengthWithin(ROOF_OPENING_BOUNDS.roofMm),
  /** Of a dormer’s roof over its front. */
  overhangMm: lengthWithin(ROOF_OPENING_BOUNDS.overhangMm),
  /** True for a dormer with a window in its front. */
  glazed: z.boolean(),
});
export type RoofOpening = z.infer<typeof roofOpeningSchema>;

declare module '../model/kinds' {
  interface Kinds {
    roofOpening: RoofOpening;
  }
}

export const roofOpeningRecords = recordKind({
  kind: 'roofOpening',
  named: 'in the project',
  words: { one: 'roof opening', many: 'roof openings' },
  letters: 'RO',
  schema: roofOpeningSchema,
  migrations: [],
});
