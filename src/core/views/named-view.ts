import { z } from 'zod';
import { textSchema } from '../model/fields';
import { idSchema } from '../model/ids';
import { viewPartSchema } from './view-part';

/** Kinds of thing a view can leave out. */
export const VIEW_KINDS = [
  'grids',
  'columns',
  'floors',
  'shafts',
  'stairs',
  'walls',
  'rooms',
  'foundations',
  'ceilings',
] as const;
export type ViewKind = (typeof VIEW_KINDS)[number];

/** A view that is kept: which surface, which level, what is shown. */
export const keptViewSchema = z.object({
  building: idSchema,
  name: textSchema(40),
  tab: z.enum(['plan', 'section', 'model', 'board', 'schedules']),
  level: idSchema.nullable(),
  hidden: z.array(z.enum(VIEW_KINDS)).max(VIEW_KINDS.length),
  /** The level below or above shown faint under the plan. */
  ghosts: z.array(z.enum(['below', 'above'])).max(2),
  part: viewPartSchema,
});
export type KeptView = z.infer<typeof keptViewSchema>;

/** A view kept under a name, for everybody on the project. */
export const namedViewSchema = z.object({ kind: z.literal('namedView'), id: idSchema, ...keptViewSchema.shape });
