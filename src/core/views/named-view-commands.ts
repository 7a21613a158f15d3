import { z } from 'zod';
import { defineCommand } from '../commands/command';
import type { InputsOf } from '../commands/command-inputs';
import { recordsOf } from '../model/framework';
import { refuseNow, refusing } from '../commands/length-input';
import { buildingReferred, levelReferred, refSchema } from '../commands/refer';
import { namedViewSchema } from './named-view';
import { WHOLE } from './view-part';

const keep = defineCommand({
  name: 'views.keep',
  title: 'Keep a view under a name; one of that name is kept anew',
  input: z.strictObject({
    building: refSchema.optional(),
    name: namedViewSchema.shape.name,
    tab: namedViewSchema.shape.tab.default('plan'),
    level: refSchema.nullable().default(null),
    hidden: namedViewSchema.shape.hidden.default([]),
    ghosts: namedViewSchema.shape.ghosts.default([]),
    part: namedViewSchema.shape.part.default(WHOLE),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const building = buildingReferred(edit.before, input.building);
      const level = input.level === null ? null : levelReferred(edit.before, input.level, building);
      if (level && level.record.building !== building)
        refuseNow(`Level ${level.record.name} is of another building`, ['level']);
      const { name, tab, hidden, ghosts, part } = input;
      const here = (id: string | null) => (id !== null && edit.before.records.has(id) ? id : null);
      const fields = {
        building,
        name,
        tab,
        level: level?.id ?? null,
        hidden,
        ghosts,
        part: { ...part, lowest: here(part.lowest), topmost: here(part.topmost) },
      };
      const known = recordsOf(edit.before, 'namedView').find((view) => view.name === name);
      if (known) edit.set('namedView', known.id, fields);
      else edit.add<'namedView'>({ kind: 'namedView', ...fields });
    }),
  sentence: (_, input) => `View ${input.name} kept`,
});

const drop = defineCommand({
  name: 'views.drop',
  title: 'Keep a named view no longer',
  input: z.strictObject({ name: namedViewSchema.shape.name }),
  plan: (edit, input) =>
    refusing(() => {
      const known = recordsOf(edit.before, 'namedView').find((view) => view.name === input.name);
      if (!known) return refuseNow(`There is no view named ${input.name}`, ['name']);
      edit.remove(known.id);
    }),
  sentence: (_, input) => `View ${input.name} kept no longer`,
});

export const NAMED_VIEW_COMMANDS = [keep, drop] as const;

declare module '../commands/command-inputs' {
  interface CommandInputs extends InputsOf<typeof NAMED_VIEW_COMMANDS> {}
}
