import type { z } from 'zod';
import type { Edit } from '../model/edit';
import { derivedCommandId } from '../model/ids';
import type { Refusal } from '../model/result';
import { planCommand, type Command } from './command';
import type { Given } from './command-inputs';

/** A command of a list, by its name. */
export const named = <Name extends string, Each extends Command>(commands: readonly Each[], name: Name) =>
  commands.find((each) => each.name === name) as Extract<Each, { name: Name }>;
/** Does a step of a larger command as that command would; its refusal refuses the whole. */
export function step<Each extends Command>(
  edit: Edit,
  command: Each,
  input: Given<z.input<Each['input']>>,
  ordinal: number,
): Refusal | null {
  const planned = planCommand(command, edit.framework, input, derivedCommandId(edit.newId(), String(ordinal)));
  if (!planned.ok) return planned.refusal;
  edit.take(planned.value.after);
  return null;
}
