import { z } from 'zod';
import { recordKind, type Mm } from '../kinds/record-kind';
import { marked, ref, type Bounds } from '../kinds/marks';
import {
  angleSchema,
  lengthSchema,
  lengthWithin,
  placeSchema,
  startSchema,
  stopSchema,
  textSchema,
} from '../model/fields';
import { idSchema } from '../model/ids';

export const SECTION_SIZE: Bounds = { atLeastMm: 50, atMostMm: 20_000 };
/** Of a web or a flange, which is no thicker than the section either. */
export const SECTION_PLATE: Bounds = { atLeastMm: 2, atMostMm: 20_000 };
export const BLOCK_ACROSS: Bounds = { atLeastMm: 100, atMostMm: 20_000 };
export const BLOCK_HEIGHT: Bounds = { atLeastMm: 10, atMostMm: 3000 };

const sectionSchema = z.discriminatedUnion('shape', [
  z.object({ shape: z.literal('rectangle'), widthMm: lengthWithin(SECTION_SIZE), depthMm: lengthWithin(SECTION_SIZE) }),
  z.object({ shape: z.literal('circle'), diameterMm: lengthWithin(SECTION_SIZE) }),
  /** Flanges along the x axis at both ends of the y axis, joined by a web. */
  z.object({
    shape: z.literal('I'),
    widthMm: lengthWithin(SECTION_SIZE),
    depthMm: lengthWithin(SECTION_SIZE),
    webMm: lengthWithin(SECTION_PLATE),
    flangeMm: lengthWithin(SECTION_PLATE),
  }),
]);
export type Section = z.infer<typeof sectionSchema>;

export const MATERIALS = ['concrete', 'steel', 'timber', 'masonry'] as const;

/** Which point of the section stays in place when its size changes: the centre, or a face of its own axes. */
export const KEEPS = ['centre', 'x+', 'x-', 'y+', 'y-'] as const;
export type Keep = (typeof KEEPS)[number];

/** A line the column is held to: one of its faces, or its centre, at a signed distance left of the line. */
const holdSchema = z.object({
  line: ref('detach'),
  /** `left`: the column stands to the left of the line, its face on it. */
  body: z.enum(['left', 'right', 'centre']),
  offsetMm: lengthSchema,
});
export type Hold = z.infer<typeof holdSchema>;

/** What differs at one level of a stack, or from there up. Null fields do not differ. */
const columnExceptionSchema = marked(
  z.object({
    level: ref('detach'),
    upwards: z.boolean(),
    leftOut: z.boolean(),
    section: sectionSchema.nullable(),
    keep: z.enum(KEEPS),
    /** Shift along the axes of its place. */
    xMm: lengthSchema,
    yMm: lengthSchema,
    turnDeg: angleSchema,
  }),
  { is: 'shift' },
);
export type ColumnException = z.infer<typeof columnExceptionSchema>;

/** A block under the slab around the column top: a head, or a thickening of the slab. */
const blockSchema = z.object({
  widthMm: lengthWithin(BLOCK_ACROSS),
  depthMm: lengthWithin(BLOCK_ACROSS),
  heightMm: lengthWithin(BLOCK_HEIGHT),
});

/** A column carried through storeys as one thing. */
const columnStackSchema = z.object({
  kind: z.literal('columnStack'),
  id: idSchema,
  building: ref('refuse'),
  /** Its mark when typed; null: taken from the crossing it stands on. */
  name: textSchema(24).nullable(),
  place: placeSchema,
  /** Against the axes of its place. */
  turnDeg: marked(angleSchema, { is: 'turn' }),
  section: sectionSchema,
  material: z.enum(MATERIALS),
  startsAt: startSchema,
  stopsAt: stopSchema,
  holds: z.array(holdSchema).max(2),
  exceptions: marked(z.array(columnExceptionSchema).max(400), { is: 'exceptions' }),
  /** A head on the column and a thickening of the slab it carries: at all levels but the top, or at chosen ones. */
  head: blockSchema.nullable(),
  thickening: blockSchema.nullable(),
  blocksAt: z.union([z.literal('allButTop'), z.array(ref('detach')).max(400)]),
  /** What carries it where it resumes above a gap, by level: said by the designer. */
  carriedBy: z.array(z.object({ level: marked(ref('detach'), { is: 'movesUp' }), words: textSchema(80) })).max(50),
});
export type ColumnStack = z.infer<typeof columnStackSchema>;

/** The web and flanges of an I-shape fit in it. */
function thickPlates(section: Section | null, mm: Mm): string | null {
  if (section?.shape !== 'I') return null;
  if (mm(section.webMm) > mm(section.widthMm)) return 'its web would be thicker than its section is wide';
  return mm(section.flangeMm) * 2 > mm(section.depthMm) ? 'its flanges would meet' : null;
}

/** Fields of a stack that is the same all the way up. */
export const PLAIN_STACK = {
  holds: [],
  exceptions: [],
  head: null,
  thickening: null,
  blocksAt: 'allButTop',
  carriedBy: [],
} as const satisfies Partial<ColumnStack>;

declare module '../model/kinds' {
  interface Kinds {
    columnStack: ColumnStack;
  }
}

export const columnRecords = recordKind({
  kind: 'columnStack',
  words: { one: 'column stack', many: 'column stacks' },
  letters: null,
  schema: columnStackSchema,
  limits: {
    ofOne: ({ section, exceptions }, mm) =>
      [section, ...exceptions.map((each) => each.section)].map((each) => thickPlates(each, mm)).find(Boolean) ?? null,
  },
  freed: ({ name }, mark) => ({ name: name ?? mark }),
  migrations: [
    {
      to: 3,
      record: (record) => ({
        holds: [],
        exceptions: [],
        head: null,
        thickening: null,
        blocksAt: 'allButTop',
        carriedBy: [],
        ...record,
      }),
    },
  ],
});
