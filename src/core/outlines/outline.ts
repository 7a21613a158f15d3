import { z } from 'zod';
import { angleSchema, lengthSchema, placeReferences, placeSchema, type Reference } from '../model/fields';
import { idSchema } from '../model/ids';
import { WALL_FACES } from '../walls/wall-faces';

/** An outline in plan: drawn, or derived from grid lines so that it follows them. */
export const outlineSchema = z.discriminatedUnion('type', [
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
    widthMm: lengthSchema,
    depthMm: lengthSchema,
    turnDeg: angleSchema,
  }),
  z.object({
    type: z.literal('circle'),
    /** Its centre. */
    place: placeSchema,
    diameterMm: lengthSchema,
  }),
  z.object({
    type: z.literal('gridOffset'),
    system: idSchema,
    /** Outermost lines of the system when null; else first and last line of each direction. */
    lines: z.object({ a: z.tuple([idSchema, idSchema]), b: z.tuple([idSchema, idSchema]) }).nullable(),
    /** Outwards of the lines when positive. */
    offsetMm: lengthSchema,
  }),
  z.object({
    type: z.literal('lines'),
    /** Its edges in order, each held to a grid or setting-out line at a distance outwards of the outline. */
    edges: z
      .array(z.object({ line: idSchema, offsetMm: lengthSchema }))
      .min(3, 'An outline has three edges or more')
      .max(200),
  }),
  z.object({
    type: z.literal('walls'),
    /** Walls that go round, or one closed one. */
    walls: z.array(idSchema).min(1, 'Choose a wall').max(200),
    face: z.enum(WALL_FACES),
    /** Outwards of the walls when positive. */
    offsetMm: lengthSchema,
  }),
]);
export type Outline = z.infer<typeof outlineSchema>;

export function outlineReferences(outline: Outline, path: string): Reference[] {
  if (outline.type === 'lines') {
    return outline.edges.map(({ line }) => ({ id: line, path: `${path}.edges`, whenGone: 'refuse' as const }));
  }
  if (outline.type === 'walls') {
    return outline.walls.map((id) => ({ id, path: `${path}.walls`, whenGone: 'refuse' as const }));
  }
  if (outline.type !== 'gridOffset') return placeReferences(outline.place, `${path}.place`);
  const lines = outline.lines ? [...outline.lines.a, ...outline.lines.b] : [];
  return [
    { id: outline.system, path: `${path}.system`, whenGone: 'refuse' },
    ...lines.map((id) => ({ id, path: `${path}.lines`, whenGone: 'refuse' as const })),
  ];
}
