import { z } from 'zod';
import { apply } from '../model/changes';
import { defineCommand } from '../commands/command';
import type { InputsOf } from '../commands/command-inputs';
import { idSchema } from '../model/ids';
import { planUndo } from './undo';

/** Name of the command that takes an earlier one back; of an undo, it does again what that took back. */
export const UNDO = 'history.undo';

const undo = defineCommand({
  name: UNDO,
  title: 'Take an earlier command back; of one that took something back, do that again',
  input: z.strictObject({ target: idSchema }),
  recalls: ({ target }) => target,
  plan: (edit, _input, { changes, laterAuthor }) => {
    const undone = planUndo(edit.before, changes, laterAuthor);
    if (!undone.ok) return undone.refusal;
    edit.take(apply(edit.before, undone.value));
  },
  sentence: (_before, _input, _after, { sentence }) => {
    const undid = /^Undone: (.*)$/s.exec(sentence)?.[1];
    return undid === undefined ? `Undone: ${sentence.replace(/^Redone: /, '')}` : `Redone: ${undid}`;
  },
});

export const HISTORY_COMMANDS = [undo] as const;

declare module '../commands/command-inputs' {
  interface CommandInputs extends InputsOf<typeof HISTORY_COMMANDS> {}
}
