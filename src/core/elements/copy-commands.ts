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
import { addCopies, mirror } from './in-plan';

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
    /** A straight grid or setting-out line. */
    line: refSchema,
    /** False: the things themselves go over. */
    copies: z.boolean().default(true),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const copies = new Map<Id, Id[]>();
      for (const id of withMembers(edit.before, input.ids)) {
        const record = elementIn(edit.before, id);
        if (!('building' in record)) refuseNow(`A ${called(record)} is not mirrored`);
        const axis = mirrorIn(edit.before, input.line, record.building);
        const made = mirror(edit, record, axis, input.copies);
        if (input.copies) copies.set(id, [made]);
      }
      gatherCopies(edit, input.ids, copies);
    }),
  sentence: (before, input) => `${inWords(before, input.ids)} mirrored in line ${labelOf(before, input)}`,
});

function mirrorIn(framework: Framework, ref: string, building: string): Mirror {
  const { curve } = heldReferred(framework, ref, building);
  if (curve.kind === 'arc') refuseNow('Things are mirrored in a straight line. Choose one', ['line']);
  const way = minus(curve.to, curve.from);
  return { on: curve.from, along: times(way, 1 / (lengthOf(way) || 1)) };
}

function labelOf(framework: Framework, input: { ids: string[]; line: string }): string {
  const record = framework.records.get(input.ids[0]!);
  const building = record && 'building' in record ? record.building : '';
  return heldReferred(framework, input.line, building).label ?? 'without a label';
}

export const COPY_COMMANDS = [copy, mirrorCommand] as const;

declare module '../commands/command-inputs' {
  interface CommandInputs extends InputsOf<typeof COPY_COMMANDS> {}
}
