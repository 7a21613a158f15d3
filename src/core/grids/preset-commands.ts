import { z } from 'zod';
import { defineCommand } from '../commands/command';
import type { InputsOf } from '../commands/command-inputs';
import { recordsOf, type Framework } from '../model/framework';
import { refuseNow, refusing } from '../commands/length-input';
import { refSchema } from '../commands/refer';
import { quantiseMm } from '../units/length-units';
import { gridIn } from './grid-input';
import { presetSchema, type Preset } from './preset';
import { baysOfSide } from './two-sides';

/** The bays of a rectangular grid as a preset. */
export function presetOf(framework: Framework, system: string | undefined, name: string): Preset {
  const grid = gridIn(framework, system);
  if (grid.record.shape !== 'rectangular') refuseNow('Only the bays of a rectangular grid are kept as a preset');
  const side = (direction: 'a' | 'b', which: 'near' | 'far') => baysOfSide(grid[direction], which).map(quantiseMm);
  const far = (direction: 'a' | 'b') =>
    grid[direction].some(({ record }) => record.side !== 'both') ? side(direction, 'far') : null;
  return {
    name,
    baysA: side('a', 'near'),
    baysB: side('b', 'near'),
    farBaysA: far('a'),
    farBaysB: far('b'),
    waysOf: grid.record.waysOf,
    labelsA: grid.record.labels.a,
    labelsB: grid.record.labels.b,
  };
}

const save = defineCommand({
  name: 'presets.save',
  title: 'Keep the bays of a grid as a preset',
  input: z.strictObject({ system: refSchema.optional(), name: presetSchema.shape.name }),
  plan: (edit, input) =>
    refusing(() => {
      const preset = presetOf(edit.before, input.system, input.name);
      const same = recordsOf(edit.before, 'bayPreset').find(({ name }) => name === input.name);
      if (same) edit.set('bayPreset', same.id, preset);
      else edit.add<'bayPreset'>({ kind: 'bayPreset', ...preset });
    }),
  sentence: (_, input) => `Bays kept as preset ${input.name}`,
});

const take = defineCommand({
  name: 'presets.take',
  title: 'Take presets of bays from a file; those of the same name are replaced',
  input: z.strictObject({ presets: z.array(presetSchema).min(1, 'The file holds no preset').max(200) }),
  plan: (edit, input) =>
    refusing(() => {
      const known = new Map(recordsOf(edit.before, 'bayPreset').map(({ name, id }) => [name, id]));
      const names = input.presets.map(({ name }) => name);
      const twice = names.find((name, i) => names.indexOf(name) !== i);
      if (twice !== undefined) refuseNow(`Two presets are named ${twice}. Give each its own name`, ['presets']);
      for (const preset of input.presets) {
        const id = known.get(preset.name);
        if (id) edit.set('bayPreset', id, preset);
        else edit.add<'bayPreset'>({ kind: 'bayPreset', ...preset });
      }
    }),
  sentence: (_, input) => `${input.presets.length} ${input.presets.length === 1 ? 'preset' : 'presets'} of bays taken`,
});

const remove = defineCommand({
  name: 'presets.remove',
  title: 'Remove a preset of bays',
  input: z.strictObject({ name: presetSchema.shape.name }),
  plan: (edit, input) =>
    refusing(() => {
      const preset = recordsOf(edit.before, 'bayPreset').find(({ name }) => name === input.name);
      if (!preset) refuseNow(`There is no preset named ${input.name}`, ['name']);
      edit.remove(preset.id);
    }),
  sentence: (_, input) => `Preset ${input.name} removed`,
});

export const PRESET_COMMANDS = [save, take, remove] as const;

declare module '../commands/command-inputs' {
  interface CommandInputs extends InputsOf<typeof PRESET_COMMANDS> {}
}
