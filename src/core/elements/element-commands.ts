import { z } from 'zod';
import type { Point } from '../geometry/point';
import { defineCommand } from '../commands/command';
import type { InputsOf } from '../commands/command-inputs';
import type { Edit } from '../model/edit';
import { LengthReader, lengthInputSchema, refuseNow, refusing, saidLength } from '../commands/length-input';
import { thingsSchema } from '../commands/refer';
import { called } from '../kinds/records';
import type { Rec } from '../model/kinds';
import { withMembers } from '../cores/core';
import { letGo } from './let-go';
import { elementIn, inWords } from './element-input';
import { movedInPlan } from './by-marks';
import { inPlanOf } from './in-plan';

function moveElement(edit: Edit, record: Rec, by: Point): void {
  inPlanOf(record, 'moved');
  edit.replace(movedInPlan(edit.before, record, by));
}

const move = defineCommand({
  name: 'elements.move',
  title: 'Move chosen things in plan',
  input: z.strictObject({ ids: thingsSchema, xMm: lengthInputSchema, yMm: lengthInputSchema }),
  plan: (edit, input) =>
    refusing(() => {
      const reader = new LengthReader(edit.before);
      const by = { x: reader.read(input.xMm, 'xMm').mm, y: reader.read(input.yMm, 'yMm').mm };
      for (const id of withMembers(edit.before, input.ids)) moveElement(edit, elementIn(edit.before, id), by);
    }),
  sentence: (before, input) =>
    `Moved ${inWords(before, input.ids)} by ${saidLength(before, input.xMm)} east, ${saidLength(before, input.yMm)} north`,
});

const remove = defineCommand({
  name: 'elements.remove',
  title: 'Delete chosen things',
  input: z.strictObject({ ids: thingsSchema }),
  plan: (edit, input) =>
    refusing(() => {
      // A core that is deleted goes with all that is in it.
      for (const id of withMembers(edit.before, input.ids)) {
        const record = elementIn(edit.before, id);
        if (record.kind === 'level')
          refuseNow(`Remove ${called(record)} in the height strip, where you say what follows`);
        if (record.kind === 'settingOutLine' && record.locked)
          refuseNow(`${called(record)} is locked. Unlock it first`);
        if (record.kind === 'gridLine' || record.kind === 'gridSystem')
          refuseNow(`Remove ${called(record)} with the grid tools`);
        if (record.kind === 'project') refuseNow('The project itself is not deleted here');
        edit.remove(id);
      }
      letGo(edit);
    }),
  sentence: (before, input) => `Deleted ${inWords(before, input.ids)}`,
});

export const ELEMENT_COMMANDS = [move, remove] as const;

declare module '../commands/command-inputs' {
  interface CommandInputs extends InputsOf<typeof ELEMENT_COMMANDS> {}
}
