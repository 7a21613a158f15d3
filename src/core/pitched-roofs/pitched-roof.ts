import { z } from 'zod';
import { marked, ref, type Bounds } from '../kinds/marks';
import { recordKind } from '../kinds/record-kind';
import { endSchema, lengthWithin, textSchema } from '../model/fields';
import { idSchema } from '../model/ids';
import { outlineSchema } from '../outlines/outline';
import { LEAST_SLOPE_DEG, MOST_SLOPE_DEG } from '../roof-planes/slopes';

export const PITCHED_ROOF_BOUNDS = {
  overhangMm: { atLeastMm: 0, atMostMm: 5000 },
  aboveMm: { atLeastMm: 10, atMostMm: 100_000 },
  ridgeMm: { atLeastMm: 50, atMostMm: 100_000 },
  layerMm: { atLeastMm: 1, atMostMm: 2000 },
  fasciaHeightMm: { atLeastMm: 20, atMostMm: 2000 },
  boardMm: { atLeastMm: 5, atMostMm: 300 },
} as const satisfies Record<string, Bounds>;

/** What an edge of a roof is: it slopes, is a gable, or lies against a higher wall. */
export const ROOF_EDGES = ['slope', 'gable', 'wall'] as const;
export type RoofEdgeIs = (typeof ROOF_EDGES)[number];
/** Thickness of layers is square to the slope, or upright. */
export const MEASURED = ['square', 'plumb'] as const;

/** Slopes of one way, each to the upright of the next; or slopes of both ways down to a valley. */
export const BAYS = ['sawtooth', 'butterfly'] as const;

/** Upright, or square to the slope. */
export const EAVES_CUTS = ['plumb', 'square'] as const;

const slopeDegSchema = z.number().min(LEAST_SLOPE_DEG).max(MOST_SLOPE_DEG);

/** An edge that is not as the others are. */
const edgeSchema = z.object({
  /** Counted round the outline from its first, then round each courtyard. */
  edge: z.number().int().min(0).max(5000),
  is: z.enum(ROOF_EDGES),
  /** Null: as steep as the roof. */
  slopeDeg: slopeDegSchema.nullable(),
  /** So far over the eaves it goes on with another slope: a mansard, or a gable with a hip over it. */
  upper: z.object({ aboveMm: lengthWithin(PITCHED_ROOF_BOUNDS.aboveMm), slopeDeg: slopeDegSchema }).nullable(),
});
export type RoofEdge = z.infer<typeof edgeSchema>;

/** A pitched roof over an outline, each edge with a slope of its own, a gable, or against a higher wall. */
const pitchedRoofSchema = z.object({
  kind: z.literal('pitchedRoof'),
  id: idSchema,
  building: ref('refuse'),
  name: textSchema(40),
  /** What it stands on, without its overhang. */
  outline: outlineSchema,
  courtyards: z.array(outlineSchema).max(20),
  /** The height of its underside over the edge of what it stands on: a level and the knee wall over that. */
  eavesAt: marked(endSchema, { is: 'end', side: 'start' }),
  overhangMm: lengthWithin(PITCHED_ROOF_BOUNDS.overhangMm),
  /** Of edges that have none of their own. */
  slopeDeg: slopeDegSchema,
  edges: z.array(edgeSchema).max(400),
  /** In even bays along an edge, all as steep as the roof; null: it slopes from its edges inwards. */
  bays: z
    .object({ is: z.enum(BAYS), along: z.number().int().min(0).max(5000), count: z.number().int().min(1).max(60) })
    .nullable(),
  /** The ridge is held so far over the eaves, and slopes are as steep as that asks, each in proportion; null: slopes are as they are. */
  ridgeMm: lengthWithin(PITCHED_ROOF_BOUNDS.ridgeMm).nullable(),
  /** From the outside in. */
  layers: z
    .array(z.object({ name: textSchema(60), thicknessMm: lengthWithin(PITCHED_ROOF_BOUNDS.layerMm) }))
    .min(1, 'A roof has a layer')
    .max(12),
  measured: z.enum(MEASURED),
  /** How its eaves end. */
  eavesCut: z.enum(EAVES_CUTS),
  /** Boards along its eaves and verges, outside its edge; null: none. */
  fascia: z
    .object({
      heightMm: lengthWithin(PITCHED_ROOF_BOUNDS.fasciaHeightMm),
      thicknessMm: lengthWithin(PITCHED_ROOF_BOUNDS.boardMm),
    })
    .nullable(),
  /** Level boards under its eaves, from their edge to the wall; null: none. */
  soffitMm: lengthWithin(PITCHED_ROOF_BOUNDS.boardMm).nullable(),
});
export type PitchedRoof = z.infer<typeof pitchedRoofSchema>;

declare module '../model/kinds' {
  interface Kinds {
    pitchedRoof: PitchedRoof;
  }
}

export const pitchedRoofRecords = recordKind({
  kind: 'pitchedRoof',
  named: 'in the project',
  words: { one: 'pitched roof', many: 'pitched roofs' },
  letters: 'PR',
  schema: pitchedRoofSchema,
  migrations: [
    { to: 12, record: (record) => ({ eavesCut: 'plumb', fascia: null, soffitMm: null, ...record }) },
    { to: 13, record: (record) => ({ bays: null, ...record }) },
  ],
});
