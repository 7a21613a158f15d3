import { z } from 'zod';
import { curveLength } from '../geometry/curve';
import { axisLine } from '../grids/axis-lines';
import { defineCommand } from '../commands/command';
import type { InputsOf } from '../commands/command-inputs';
import { textSchema } from '../model/fields';
import { recordsOf } from '../model/framework';
import { idSchema } from '../model/ids';
import { refuseNow, refusing } from '../commands/length-input';
import { buildingReferred, refSchema } from '../commands/refer';

const metres = z.number().min(-1e7).max(1e7);
const viewSchema = textSchema(120).describe('plan, plan <level id>, elevation <side> or section <line id>');

const setMark = defineCommand({
  name: 'views.setMark',
  title: 'Hide, show or place the head of a grid line or the mark of a level in a view',
  input: z.strictObject({
    building: refSchema.optional(),
    view: viewSchema,
    of: idSchema,
    end: z.union([z.literal(0), z.literal(1)]).default(0),
    shown: z.boolean().nullable().optional(),
    placed: z.strictObject({ acrossMm: metres, outMm: metres }).nullable().optional(),
    gap: z.strictObject({ fromMm: metres, toMm: metres }).nullable().optional(),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const building = buildingReferred(edit.before, input.building);
      const target = edit.before.records.get(input.of);
      if (target?.kind !== 'gridLine' && target?.kind !== 'level')
        refuseNow('Only grid lines and levels have marks in a view. Choose one of them', ['of']);
      if (input.gap) {
        const axis = axisLine(edit.before, input.of);
        if (!axis || axis.curve.kind === 'arc') refuseNow('Only a straight grid line has a gap', ['gap']);
        const length = curveLength(axis.curve);
        const { fromMm, toMm } = input.gap;
        if (fromMm < 0 || toMm > length || toMm - fromMm < 1)
          refuseNow(`A gap lies within the line, which is ${Math.round(length)} mm long`, ['gap']);
      }
      const known = recordsOf(edit.before, 'viewMark').find(
        (mark) =>
          mark.building === building && mark.view === input.view && mark.of === input.of && mark.end === input.end,
      );
      const fields = {
        shown: input.shown === undefined ? (known?.shown ?? null) : input.shown,
        placed: input.placed === undefined ? (known?.placed ?? null) : input.placed,
        gap: input.gap === undefined ? (known?.gap ?? null) : input.gap,
      };
      const isUsual = fields.shown === null && fields.placed === null && fields.gap === null;
      if (known && isUsual) edit.remove(known.id);
      else if (known) edit.set('viewMark', known.id, fields);
      else if (!isUsual) {
        const { view, of, end } = input;
        edit.add<'viewMark'>({ kind: 'viewMark', building, view, of, end, ...fields });
      }
    }),
  sentence: (_, input) =>
    input.placed ? 'A mark placed by hand' : input.gap ? 'A gap in a grid line' : 'A mark changed',
});

const clearMarks = defineCommand({
  name: 'views.clearMarks',
  title: 'Let all heads and marks of a view be as usual again',
  input: z.strictObject({ building: refSchema.optional(), view: viewSchema }),
  plan: (edit, input) =>
    refusing(() => {
      const building = buildingReferred(edit.before, input.building);
      const marks = recordsOf(edit.before, 'viewMark').filter(
        (mark) => mark.building === building && mark.view === input.view,
      );
      if (marks.length === 0) refuseNow('Every head and mark of this view is as usual already');
      for (const { id } of marks) edit.remove(id);
    }),
  sentence: () => 'Heads and marks of a view as usual again',
});

export const VIEW_COMMANDS = [setMark, clearMarks] as const;

declare module '../commands/command-inputs' {
  interface CommandInputs extends InputsOf<typeof VIEW_COMMANDS> {}
}
