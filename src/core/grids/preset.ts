import { z } from 'zod';
import { recordKind } from '../kinds/record-kind';
import { textSchema } from '../model/fields';
import { idSchema } from '../model/ids';

const baysMm = z.array(z.number().positive().max(1e6)).max(500);
const way = z.union([z.literal(1), z.literal(-1)]);
const rule = z.object({
  first: z.string().regex(/^(\d{1,4}|[A-Z]{1,3})$/, 'A first label is a number or capital letters, like 1 or A'),
  skip: z.string().max(20),
  prefix: z.string().max(8),
  suffix: z.string().max(8),
  descending: z.boolean(),
});

/** What a preset of bays holds: enough to add a rectangular grid like it anywhere. Millimetres. */
export const presetSchema = z.object({
  name: textSchema(60),
  baysA: baysMm,
  baysB: baysMm,
  /** Bays along the opposite sides; null: the same. */
  farBaysA: baysMm.nullable(),
  farBaysB: baysMm.nullable(),
  waysOf: z.object({ a: way, b: way }),
  labelsA: rule,
  labelsB: rule,
});
export type Preset = z.infer<typeof presetSchema>;

/** Bays kept under a name in the project. */
const bayPresetSchema = presetSchema.extend({ kind: z.literal('bayPreset'), id: idSchema });

/** A file of presets. */
export const presetFileSchema = z.object({
  format: z.literal('spine-bay-presets', { message: 'This is not a file of bay presets' }),
  version: z.literal(1, { message: 'This file of bay presets is of a newer version' }),
  presets: z.array(presetSchema).min(1, 'The file holds no preset').max(200),
});

/** Presets as the text of a file, the same bytes for the same presets. */
export const writePresets = (presets: readonly Preset[]): string =>
  `${JSON.stringify({ format: 'spine-bay-presets', version: 1, presets }, null, 2)}\n`;

export type BayPreset = z.infer<typeof bayPresetSchema>;

declare module '../model/kinds' {
  interface Kinds {
    bayPreset: BayPreset;
  }
}

export const presetRecords = recordKind({
  kind: 'bayPreset',
  words: { one: 'preset of bays', many: 'presets of bays' },
  letters: null,
  schema: bayPresetSchema,
  migrations: [],
});
