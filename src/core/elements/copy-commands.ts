import { z } from 'zod';
import { withMembers } from '../cores/core';
import { gatherCopies } from '../cores/core-commands';
import { lengthOf, minus, times, type Point } from '../geometry/point';
import type { Mirror } from '../kinds/kind';
import { called } from '../kinds/records';
import { defineCommand } from '../commands/command';
import type { InputsOf } from '../commands/command-inputs';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { LengthReader, lengthInputSchema, refuseNow, refusing } from '../commands/length-input';
import { refSchema, thingsSchema } from '../commands/refer';
import { heldReferred } from '../setting-out/held-referred';
import { elementIn, inWords } from './element-input';
import { placeInputSchema, readPlace, type PlaceInput } from '../outlines/outline-input';
import { resolvePlace } from '../outlines/resolve-place';
import { addCopies, mirror, turn } from './in-plan';

const MOST_COPIES = 2000;

const copy = defineCommand({
  name: 'elements.copy',
  title: 'Copy chosen things by exact distances: to several places, or in a row',
  input: z.strictObject({
    ids: thingsSchema,
    /** Distances of the copies from what is copied. */
    by: z
      .array(z.strictObject({ xMm: lengthInputSchema, yMm: lengthInputSchema }))
      .min(1, 'Say how far away the copy stands')
      .max(500),
    /** Each distance so many times over: a row. */
    count: z.number().int().min(1).max(200).default(1),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const reader = new LengthReader(edit.before);
      const shifts = input.by.flatMap(({ xMm, yMm }) => {
        const by = { x: reader.read(xMm, 'xMm').mm, y: reader.read(yMm, 'yMm').mm };
        if (by.x === 0 && by.y === 0)
          refuseNow('A copy at no distance would stand in the same place. Type one', ['by']);
        return Array.from({ length: input.count }, (_, i): Point => ({ x: by.x * (i + 1), y: by.y * (i + 1) }));
      });
      const copies = new Map<Id, Id[]>();
      const all = withMembers(edit.before, input.ids);
      if (shifts.length * all.length > MOST_COPIES)
        refuseNow(`That would be more than ${MOST_COPIES} copies. Make fewer at once`);
      for (const id of all) {
        const record = elementIn(edit.before, id);
        copies.set(id, addCopies(edit, record, shifts));
      }
      gatherCopies(edit, input.ids, copies);
    }),
  sentence: (before, input) => {
    const n = input.by.length * input.count;
    return `${inWords(before, input.ids)} copied ${n === 1 ? 'once' : `${n} times`}`;
  },
});

const mirrorCommand = defineCommand({
  name: 'elements.mirror',
  title: 'Mirror chosen things in a line, as copies or themselves',
  input: z.strictObject({
    ids: thingsSchema,
    /** A straight grid or setting-out line; or the line through two points. */
    line: refSchema.optional(),
    through: z.tuple([placeInputSchema, placeInputSchema]).optional(),
    /** False: the things themselves go over. */
    copies: z.boolean().default(true),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const copies = new Map<Id, Id[]>();
      for (const id of withMembers(edit.before, input.ids)) {
        const record = elementIn(edit.before, id);
        if (!('building' in record)) refuseNow(`A ${called(record)} is not mirrored`);
        const axis = mirrorIn(edit.before, input, record.building);
        const made = mirror(edit, record, axis, input.copies);
        if (input.copies) copies.set(id, [made]);
      }
      gatherCopies(edit, input.ids, copies);
    }),
  sentence: (before, input) => `${inWords(before, input.ids)} mirrored in ${inLine(before, input)}`,
});

interface MirrorInput {
  ids: string[];
  line?: string | undefined;
  through?: [PlaceInput, PlaceInput] | undefined;
}

/** Nearer than this two points say no line, mm. */
const ONE_POINT_MM = 1;

function mirrorIn(framework: Framework, { line, through }: MirrorInput, building: Id): Mirror {
  if ((line === undefined) === (through === undefined))
    refuseNow('Things are mirrored in a line, or in the line through two points. Say one of the two', ['line']);
  if (through) {
    const [on, to] = through.map((place) => pointOf(framework, place, building)) as [Point, Point];
    const way = minus(to, on);
    if (lengthOf(way) < ONE_POINT_MM)
      refuseNow('The two points are one. Say another, so that a line goes through them', ['through']);
    return { on, along: times(way, 1 / lengthOf(way)) };
  }
  const { curve } = heldReferred(framework, line!, building);
  if (curve.kind === 'arc') refuseNow('Things are mirrored in a straight line. Choose one', ['line']);
  const way = minus(curve.to, curve.from);
  return { on: curve.from, along: times(way, 1 / (lengthOf(way) || 1)) };
}

function inLine(framework: Framework, { ids, line }: MirrorInput): string {
  if (line === undefined) return 'a line through two points';
  const record = framework.records.get(ids[0]!);
  const building = record && 'building' in record ? record.building : '';
  return `line ${heldReferred(framework, line, building).label ?? 'without a label'}`;
}

const turnCommand = defineCommand({
  name: 'elements.turn',
  title: 'Turn chosen things about a point, themselves or as copies',
  input: z.strictObject({
    ids: thingsSchema,
    about: placeInputSchema,
    /** Counter-clockwise. */
    turnDeg: z.number().gt(-360).lt(360),
    copies: z.boolean().default(false),
    /** So many copies, each turned further by as much. */
    count: z.number().int().min(1).max(200).default(1),
  }),
  plan: (edit, input) =>
    refusing(() => {
      if (input.turnDeg === 0) refuseNow('A turn by 0° changes nothing. Type an angle', ['turnDeg']);
      if (!input.copies && input.count > 1)
        refuseNow('Things themselves are turned once. Ask for copies, or leave the count out', ['count']);
      const copies = new Map<Id, Id[]>();
      for (const id of withMembers(edit.before, input.ids)) {
        const record = elementIn(edit.before, id);
        if (!('building' in record)) refuseNow(`A ${called(record)} is not turned in plan`);
        const about = pointOf(edit.before, input.about, record.building);
        const turns = Array.from({ length: input.count }, (_, i) => ({ about, deg: input.turnDeg * (i + 1) }));
        const made = turn(edit, record, turns, input.copies);
        if (input.copies) copies.set(id, made);
      }
      gatherCopies(edit, input.ids, copies);
    }),
  sentence: (before, input) =>
    `${inWords(before, input.ids)} ${input.copies ? 'copied and turned' : 'turned'} by ${input.turnDeg}°`,
});

/** A place of an input, in the axes of the building of what is changed. */
const pointOf = (framework: Framework, place: PlaceInput, building: Id): Point =>
  resolvePlace(framework, readPlace(framework, building, place)).at;

export const COPY_COMMANDS = [copy, mirrorCommand, turnCommand] as const;

declare module '../commands/command-inputs' {
  interface CommandInputs extends InputsOf<typeof COPY_COMMANDS> {}
}
