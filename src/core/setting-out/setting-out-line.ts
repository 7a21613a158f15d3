import { z } from 'zod';
import { recordKind } from '../kinds/record-kind';
import { marked, ref, type Bounds } from '../kinds/marks';
import { lengthWithin, textSchema } from '../model/fields';
import { idSchema } from '../model/ids';

export const LINE_OFFSET: Bounds = { atLeastMm: -1e6, atMostMm: 1e6 };

/** A line that other things are held to: at a distance from a grid line or another setting-out line, which it follows. */
const settingOutLineSchema = z.object({
  kind: z.literal('settingOutLine'),
  id: idSchema,
  building: ref('refuse'),
  name: textSchema(40),
  /** The line it is offset from; or, with `edge`, the slab or shaft whose edge it is. */
  source: ref('refuse', { gridLine: 'follow', settingOutLine: 'follow' }),
  /** Which edge of its source, counted counter-clockwise from 0; null: the source is a line. */
  edge: z.number().int().min(0).max(2000).nullable(),
  /** Positive the way the lines of its source count: away from the first line, outwards of a ring or an edge, left of a free line. */
  offsetMm: lengthWithin(LINE_OFFSET),
  /** Lowest and highest level it is there on; null: those of its source. */
  fromLevel: marked(ref('detach').nullable(), { is: 'limit', side: 'lowest' }),
  toLevel: marked(ref('detach').nullable(), { is: 'limit', side: 'highest' }),
  locked: z.boolean(),
});
export type SettingOutLine = z.infer<typeof settingOutLineSchema>;

declare module '../model/kinds' {
  interface Kinds {
    settingOutLine: SettingOutLine;
  }
}

export const settingOutRecords = recordKind({
  kind: 'settingOutLine',
  named: 'in its building',
  words: { one: 'setting-out line', many: 'setting-out lines' },
  letters: null,
  schema: settingOutLineSchema,
  migrations: [],
});
