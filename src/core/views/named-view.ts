import { z } from 'zod';
import { VIEW_KINDS } from '../kinds/view-kinds';
import { recordKind } from '../kinds/record-kind';
import { ref } from '../kinds/marks';
import { textSchema } from '../model/fields';
import { idSchema } from '../model/ids';
import { viewPartSchema } from './view-part';

/** A view that is kept: which surface, which level, what is shown. */
export const keptViewSchema = z.object({
  building: ref('refuse'),
  name: textSchema(40),
  tab: z.enum(['plan', 'section', 'model', 'board', 'schedules']),
  level: ref('detach').nullable(),
  hidden: z.array(z.enum(VIEW_KINDS)).max(VIEW_KINDS.length),
  /** The level below or above shown faint under the plan. */
  ghosts: z.array(z.enum(['below', 'above'])).max(2),
  part: viewPartSchema,
});
export type KeptView = z.infer<typeof keptViewSchema>;

/** A view kept under a name, for everybody on the project. */
export const namedViewSchema = z.object({ kind: z.literal('namedView'), id: idSchema, ...keptViewSchema.shape });

export type NamedView = z.infer<typeof namedViewSchema>;

declare module '../model/kinds' {
  interface Kinds {
    namedView: NamedView;
  }
}

export const namedViewRecords = recordKind({
  kind: 'namedView',
  words: { one: 'kept view', many: 'kept views' },
  letters: null,
  schema: namedViewSchema,
  migrations: [
    {
      to: 6,
      record: (record) => ({ part: { lowest: null, topmost: null, without: [], crop: null }, ...record }),
    },
  ],
});
