import { z } from 'zod';
import { ref } from '../kinds/marks';

/** The part of all buildings that is looked at in space and in sections. */
export const viewPartSchema = z.object({
  /** The lowest and the topmost level shown; null: no limit. */
  lowest: ref('detach').nullable(),
  topmost: ref('detach').nullable(),
  /** Buildings left out. */
  without: z.array(ref('detach')).max(200),
  /** A window in plan that space is cropped to through all storeys, in a building's axes. */
  crop: z
    .object({
      building: ref('detach'),
      from: z.object({ x: z.number(), y: z.number() }),
      to: z.object({ x: z.number(), y: z.number() }),
    })
    .nullable(),
});
export type ViewPart = z.infer<typeof viewPartSchema>;

export const WHOLE: ViewPart = { lowest: null, topmost: null, without: [], crop: null };

/** How many of its limits a view has. */
export const limitsOf = ({ lowest, topmost, without, crop }: ViewPart): number =>
  (lowest || topmost ? 1 : 0) + without.length + (crop ? 1 : 0);
