import { z } from 'zod';
import { defineCommand } from '../commands/command';
import type { InputsOf } from '../commands/command-inputs';
import { LengthReader, lengthInputSchema, refuseNow, refusing } from '../commands/length-input';
import { levelReferred, refSchema } from '../commands/refer';
import type { Point } from '../geometry/point';
import { called } from '../kinds/records';
import type { Framework } from '../model/framework';
import { idSchema } from '../model/ids';
import type { Rec } from '../model/kinds';
import { cornerAdded, cornerMoved, cornerRemoved } from '../outlines/corner-moved';
import type { Outline } from '../outlines/outline';
import { outlineAt } from './edge-command';
import { elementIn } from './element-input';
import { ownPath, pathCornerAdded, pathCornerMoved, pathCornerRemoved } from './path-corners';

const fields = {
  id: idSchema,
  /** Where it has another outline from a level up, the one it has here. */
  level: refSchema.optional(),
};
/** Corners of a path in its order; of an outline counter-clockwise from 0. */
const number = z.number().int().min(0).max(2000);
const TOO_FAR = { atLeastMm: -1e6, atMostMm: 1e6 };

/** A record changed in its corners: along its path, or round its outline. */
function changed(
  framework: Framework,
  { id, level }: { id: string; level?: string | undefined },
  alongPath: (record: Rec) => Rec | null,
  round: (outline: Outline) => Outline | null,
  /** Why it cannot be, where what comes of it is not sound. */
  why = 'It would cross itself or have nothing sound left. Put the corner elsewhere',
): Rec {
  const record = elementIn(framework, id as Rec['id']);
  if (!('building' in record)) return refuseNow(`A ${called(record)} has no corners of its own`);
  const words = called(record);
  const wrong = `The corners of ${words} stay as they are. ${why}`;
  if (ownPath(framework, record)) return alongPath(record) ?? refuseNow(wrong);
  const at = level === undefined ? null : levelReferred(framework, level, record.building).id;
  const own = outlineAt(framework, record, at) ?? refuseNow(`A ${words} has no corners of its own`);
  const { type } = own.outline;
  if (type === 'gridOffset' || type === 'walls' || type === 'lines')
    refuseNow(
      `The corners of ${words} follow ${type === 'walls' ? 'its walls' : 'the grid'}. Move those, or draw its outline`,
    );
  if (type === 'circle') refuseNow(`A round ${words} has no corners`);
  return own.replacedBy(round(own.outline) ?? refuseNow(wrong));
}

const point = (
  framework: Framework,
  input: { xMm: z.infer<typeof lengthInputSchema>; yMm: z.infer<typeof lengthInputSchema> },
): Point => {
  const reader = new LengthReader(framework);
  return { x: reader.read(input.xMm, 'xMm', TOO_FAR).mm, y: reader.read(input.yMm, 'yMm', TOO_FAR).mm };
};

const moveCorner = defineCommand({
  name: 'elements.moveCorner',
  title: 'Move one corner of a wall, a line or an outline; what hangs on it follows',
  input: z.strictObject({
    ...fields,
    corner: number,
    xMm: lengthInputSchema.default(0),
    yMm: lengthInputSchema.default(0),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const by = point(edit.before, input);
      edit.replace(
        changed(
          edit.before,
          input,
          (record) => pathCornerMoved(edit.before, record, input.corner, by),
          (outline) => cornerMoved(edit.before, outline, input.corner, by),
        ),
      );
    }),
  sentence: (before, input) => `A corner of ${called(elementIn(before, input.id))} moved`,
});

const addCorner = defineCommand({
  name: 'elements.addCorner',
  title: 'Add a corner to a side of a wall, a line or an outline, at a point of the building',
  input: z.strictObject({ ...fields, side: number, xMm: lengthInputSchema, yMm: lengthInputSchema }),
  plan: (edit, input) =>
    refusing(() => {
      const at = point(edit.before, input);
      edit.replace(
        changed(
          edit.before,
          input,
          (record) => pathCornerAdded(edit.before, record, input.side, at),
          (outline) => cornerAdded(edit.before, outline, input.side, at),
        ),
      );
    }),
  sentence: (before, input) => `A corner added to ${called(elementIn(before, input.id))}`,
});

const removeCorner = defineCommand({
  name: 'elements.removeCorner',
  title: 'Take a corner out of a wall, a line or an outline: its side runs straight',
  input: z.strictObject({ ...fields, corner: number }),
  plan: (edit, input) =>
    refusing(() => {
      edit.replace(
        changed(
          edit.before,
          input,
          (record) => pathCornerRemoved(edit.before, record, input.corner),
          (outline) => cornerRemoved(edit.before, outline, input.corner),
          'Without that corner nothing sound would be left, or there is no such corner. Take out another one',
        ),
      );
    }),
  sentence: (before, input) => `A corner taken out of ${called(elementIn(before, input.id))}`,
});

export const CORNER_COMMANDS = [moveCorner, addCorner, removeCorner] as const;

declare module '../commands/command-inputs' {
  interface CommandInputs extends InputsOf<typeof CORNER_COMMANDS> {}
}
