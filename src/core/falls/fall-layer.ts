import { z } from 'zod';
import { ref, type Bounds } from '../kinds/marks';
import { recordKind } from '../kinds/record-kind';
import { lengthWithin, placeSchema, textSchema } from '../model/fields';
import { idSchema } from '../model/ids';
import { outlineSchema } from '../outlines/outline';

export const FALL_BOUNDS = {
  leastMm: { atLeastMm: 0, atMostMm: 2000 },
  upstandMm: { atLeastMm: 0, atMostMm: 2000 },
  diameterMm: { atLeastMm: 30, atMostMm: 1000 },
  gutterWidthMm: { atLeastMm: 50, atMostMm: 2000 },
  gutterDepthMm: { atLeastMm: 30, atMostMm: 2000 },
} as const satisfies Record<string, Bounds>;

/** Run per rise: from 10 in a hundred to one in a thousand. */
export const STEEPEST_FALL = 10;
export const LEAST_FALL = 1000;
/** No more outlets and edges are taken together. */
export const MOST_SINKS = 60;

const gutterSchema = z.object({
  widthMm: lengthWithin(FALL_BOUNDS.gutterWidthMm),
  depthMm: lengthWithin(FALL_BOUNDS.gutterDepthMm),
});

/** What is laid to falls on a flat roof, or on what of a floor lies under the open sky: thinnest where water leaves. */
const fallLayerSchema = z.object({
  kind: z.literal('fallLayer'),
  id: idSchema,
  building: ref('refuse'),
  name: textSchema(40),
  /** The roof or floor it lies on, at a level. */
  slab: ref('follow'),
  level: ref('follow'),
  /** A part of it; null: all that no higher floor covers. */
  outline: outlineSchema.nullable(),
  slopeRatio: z.number().min(STEEPEST_FALL).max(LEAST_FALL),
  /** How thick it is where water leaves. */
  leastMm: lengthWithin(FALL_BOUNDS.leastMm),
  outlets: z.array(z.object({ place: placeSchema, diameterMm: lengthWithin(FALL_BOUNDS.diameterMm) })).max(MOST_SINKS),
  /** Edges it falls to, counted round its outline or else that of the slab, counter-clockwise from its first; with a gutter outside them. */
  edges: z.array(z.object({ edge: z.number().int().min(0).max(400), gutter: gutterSchema.nullable() })).max(MOST_SINKS),
  /** How far kerbs about openings, and walls, stand over it at least. */
  upstandMm: lengthWithin(FALL_BOUNDS.upstandMm),
});
export type FallLayer = z.infer<typeof fallLayerSchema>;

declare module '../model/kinds' {
  interface Kinds {
    fallLayer: FallLayer;
  }
}

export const fallLayerRecords = recordKind({
  kind: 'fallLayer',
  named: 'in the project',
  words: { one: 'layer of falls', many: 'layers of falls' },
  letters: 'FL',
  schema: fallLayerSchema,
  migrations: [],
  limits: {
    ofOne: ({ name, outlets, edges }) =>
      outlets.length + edges.length > 0
        ? null
        : `Layer of falls ${name} needs an outlet, or an edge to fall to. Give it one, or delete it`,
  },
});
