import { z } from 'zod';
import { defineCommand } from '../commands/command';
import type { InputsOf } from '../commands/command-inputs';
import { textSchema } from '../model/fields';
import { recordsOf, type Framework } from '../model/framework';
import { LengthReader, lengthInputSchema, refuseNow, refusing, saidLength } from '../commands/length-input';
import { refSchema } from '../commands/refer';
import { unitSpelled } from '../units/length-units';
import type { Dimension } from './dimension';

const nameSchema = z
  .string()
  .regex(/^[\p{L}_][\p{L}\d_]*$/u, 'A name has letters, digits and _ and starts with a letter')
  .max(40);

function dimensionIn(framework: Framework, ref: string): Dimension {
  const found = recordsOf(framework, 'dimension').find(({ id, name }) => id === ref || name === ref);
  return found ?? refuseNow(`There is no dimension named ${ref}`);
}

const define = defineCommand({
  name: 'dimensions.define',
  title: 'Define a named dimension, or give one a new value',
  input: z.strictObject({ name: nameSchema, value: lengthInputSchema, note: textSchema(200).nullable().default(null) }),
  plan: (edit, input) =>
    refusing(() => {
      if (unitSpelled(input.name.toLowerCase())) refuseNow(`"${input.name}" is a unit. Choose another name`, ['name']);
      const value = new LengthReader(edit.before).read(input.value, 'value').stored;
      const existing = recordsOf(edit.before, 'dimension').find(({ name }) => name === input.name);
      if (existing) edit.set('dimension', existing.id, { value, note: input.note });
      else edit.add<'dimension'>({ kind: 'dimension', name: input.name, value, note: input.note });
    }),
  sentence: (before, input) => `Dimension ${input.name} is ${saidLength(before, input.value)}`,
});

const remove = defineCommand({
  name: 'dimensions.remove',
  title: 'Remove a named dimension that nothing uses',
  input: z.strictObject({ dimension: refSchema }),
  plan: (edit, input) => refusing(() => edit.remove(dimensionIn(edit.before, input.dimension).id)),
  sentence: (before, input) => `Dimension ${dimensionIn(before, input.dimension).name} removed`,
});

export const DIMENSION_COMMANDS = [define, remove] as const;

declare module '../commands/command-inputs' {
  interface CommandInputs extends InputsOf<typeof DIMENSION_COMMANDS> {}
}
