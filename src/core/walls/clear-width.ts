import { z } from 'zod';
import { recordKind } from '../kinds/record-kind';
import { ref, type Bounds } from '../kinds/marks';
import { lengthWithin } from '../model/fields';
import { idSchema } from '../model/ids';

export const CLEAR_WIDTH: Bounds = { atLeastMm: 1, atMostMm: 1e6 };

/** A clear width that is to be held between two parallel walls: where it does not hold, a finding says so. */
const clearWidthSchema = z.object({
  kind: z.literal('clearWidth'),
  id: idSchema,
  building: ref('refuse'),
  walls: z.tuple([ref('follow'), ref('follow')]),
  widthMm: lengthWithin(CLEAR_WIDTH),
});

export type ClearWidth = z.infer<typeof clearWidthSchema>;

declare module '../model/kinds' {
  interface Kinds {
    clearWidth: ClearWidth;
  }
}

export const clearWidthRecords = recordKind({
  kind: 'clearWidth',
  words: { one: 'held clear width', many: 'held clear widths' },
  letters: null,
  schema: clearWidthSchema,
  migrations: [],
});
