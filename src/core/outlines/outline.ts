import { z } from 'zod';
import { marked, ref, type Bounds } from '../kinds/marks';
import { angleSchema, lengthSchema, lengthWithin, placeSchema } from '../model/fields';
import { WALL_FACES } from '../walls/wall-faces';

export const OUTLINE_SIZE: Bounds = { moreThanMm: 0, atMostMm: 1e6 };
export const OUTLINE_OFFSET: Bounds = { atLeastMm: -1e6, atMostMm: 1e6 };

/** An outline in plan: drawn, or derived from grid lines so that it follows them. */
export const outlineSchema = marked(
  z.discriminatedUnion('type', [
    z.object({
      type: z.literal('polygon'),
      place: placeSchema,
      /** Corners from the place, along its axes. */
      points: z
        .array(z.object({ xMm: lengthSchema, yMm: lengthSchema }))
        .min(3, 'An outline has three corners or more')
        .max(2000),
    }),
    z.object({
      type: z.literal('rectangle'),
      /** Its lower left corner, before it is turned. */
      place: placeSchema,
      widthMm: lengthWithin(OUTLINE_SIZE),
      depthMm: lengthWithin(OUTLINE_SIZE),
      turnDeg: angleSchema,
    }),
    z.object({
      type: z.literal('circle'),
      /** Its centre. */
      place: placeSchema,
      diameterMm: lengthWithin(OUTLINE_SIZE),
    }),
    z.object({
      type: z.literal('gridOffset'),
      system: ref('refuse'),
      /** Outermost lines of the system when null; else first and last line of each direction. */
      lines: z
        .object({ a: z.tuple([ref('refuse'), ref('refuse')]), b: z.tuple([ref('refuse'), ref('refuse')]) })
        .nullable(),
      /** Outwards of the lines when positive. */
      offsetMm: lengthWithin(OUTLINE_OFFSET),
    }),
    z.object({
      type: z.literal('lines'),
      /** Its edges in order, each held to a grid or setting-out line at a distance outwards of the outline. */
      edges: z
        .array(z.object({ line: ref('refuse'), offsetMm: lengthWithin(OUTLINE_OFFSET) }))
        .min(3, 'An outline has three edges or more')
        .max(200),
    }),
    z.object({
      type: z.literal('walls'),
      /** Walls that go round, or one closed one. */
      walls: z.array(ref('refuse')).min(1, 'Choose a wall').max(200),
      face: z.enum(WALL_FACES),
      /** Outwards of the walls when positive. */
      offsetMm: lengthWithin(OUTLINE_OFFSET),
    }),
  ]),
  { is: 'outline' },
);
export type Outline = z.infer<typeof outlineSchema>;
