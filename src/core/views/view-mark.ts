import { z } from 'zod';
import { recordKind } from '../kinds/record-kind';
import { ref } from '../kinds/marks';
import { textSchema } from '../model/fields';
import { idSchema } from '../model/ids';

/** How the head of a grid line, or the mark of a level, is shown in one view, where that differs from the usual. */
const viewMarkSchema = z.object({
  kind: z.literal('viewMark'),
  id: idSchema,
  building: ref('refuse'),
  /** `plan`: every plan; `plan <level>`: that one; `elevation <side>`; `section <line>`. */
  view: textSchema(120),
  /** The grid line or level it is about. */
  of: ref('follow'),
  end: z.union([z.literal(0), z.literal(1)]),
  /** Null: as everywhere. */
  shown: z.boolean().nullable(),
  /** By hand: its centre from the line's end, across the line and outwards, millimetres of the model. */
  placed: z.object({ acrossMm: z.number(), outMm: z.number() }).nullable(),
  /** A stretch of the line that is left out, from its first end. */
  gap: z.object({ fromMm: z.number(), toMm: z.number() }).nullable(),
});
export type ViewMark = z.infer<typeof viewMarkSchema>;

declare module '../model/kinds' {
  interface Kinds {
    viewMark: ViewMark;
  }
}

export const viewMarkRecords = recordKind({
  kind: 'viewMark',
  words: { one: 'mark in a view', many: 'marks in views' },
  letters: null,
  schema: viewMarkSchema,
  migrations: [],
});
