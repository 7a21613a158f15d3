import { z } from 'zod';
import { defineCommand } from '../commands/command';
import type { InputsOf } from '../commands/command-inputs';
import { refuseNow, refusing } from '../commands/length-input';
import { called, walkOfKind } from '../kinds/records';
import { endInputSchema, readEnd } from '../levels/end-input';
import type { End } from '../model/fields';
import { idSchema } from '../model/ids';
import { elementIn } from './element-input';

const FIELD = { start: 'startsAt', stop: 'stopsAt' } as const;

const setEnd = defineCommand({
  name: 'elements.setEnd',
  title: 'Say where something starts or stops: at a face of a level, or so far over it',
  input: z.strictObject({ id: idSchema, side: z.enum(['start', 'stop']), end: endInputSchema }),
  plan: (edit, input) =>
    refusing(() => {
      const record = elementIn(edit.before, input.id);
      const field = FIELD[input.side];
      if (!(field in record) || !('building' in record))
        return refuseNow(`A ${called(record)} does not stand between levels`);
      if (input.side === 'start' && input.end.face === 'soffit')
        refuseNow('Nothing starts at an underside. Choose SSL or FFL', ['end']);
      const was = (record as unknown as Record<typeof field, End>)[field];
      const words = input.side === 'start' ? 'Starts at' : 'Stops at';
      const mayBeCeiling = record.kind === 'wall' && input.side === 'stop';
      const mayBeRoof = mayBeCeiling || (record.kind === 'columnStack' && input.side === 'stop');
      const mayBeOther = record.kind === 'ramp' && input.side === 'stop';
      const end = readEnd(edit.before, record.building, input.end, was.face, words, {
        mayBeCeiling,
        mayBeRoof,
        mayBeOther,
      });
      let floors = false;
      walkOfKind(record.kind)!.see(record, (mark) => {
        if (mark.is === 'end' && mark.floors) floors = true;
      });
      // What goes from floor to floor stands on their finish, whatever is asked for.
      edit.set(record.kind as 'shaft', record.id, { [field]: floors ? { ...end, face: 'FFL', offsetMm: 0 } : end });
    }),
  sentence: (before, { id, side }) =>
    `${called(elementIn(before, id))}: where it ${side === 'start' ? 'starts' : 'stops'} changed`,
});

export const END_COMMANDS = [setEnd] as const;

declare module '../commands/command-inputs' {
  interface CommandInputs extends InputsOf<typeof END_COMMANDS> {}
}
