import { z } from 'zod';
import { lengthSchema, textSchema } from '../model/fields';
import { idSchema } from '../model/ids';
import type { WallUse } from './wall';

/** A layered build of walls: its layers from the outside inwards, those that carry marked as its core. */
export const wallTypeSchema = z.object({
  kind: z.literal('wallType'),
  id: idSchema,
  name: textSchema(40),
  layers: z
    .array(z.object({ name: textSchema(40), thicknessMm: lengthSchema, core: z.boolean() }))
    .min(1, 'A wall has a layer at least')
    .max(12),
});
export type WallType = z.infer<typeof wallTypeSchema>;

/** Types a project may start from. */
export const STARTING_TYPES = [
  {
    name: 'Exterior 400',
    layers: [
      { name: 'facing', thicknessMm: 90, core: false },
      { name: 'insulation', thicknessMm: 110, core: false },
      { name: 'concrete', thicknessMm: 180, core: true },
      { name: 'plaster', thicknessMm: 20, core: false },
    ],
  },
  {
    name: 'Interior 150',
    layers: [
      { name: 'board', thicknessMm: 25, core: false },
      { name: 'studs', thicknessMm: 100, core: true },
      { name: 'board', thicknessMm: 25, core: false },
    ],
  },
  { name: 'Core 250', layers: [{ name: 'concrete', thicknessMm: 250, core: true }] },
  {
    name: 'Party 300',
    layers: [
      { name: 'concrete', thicknessMm: 130, core: true },
      { name: 'separation', thicknessMm: 40, core: false },
      { name: 'concrete', thicknessMm: 130, core: true },
    ],
  },
  { name: 'Glazed 120', layers: [{ name: 'glazing', thicknessMm: 120, core: true }] },
] as const;

/** The type a wall of a use usually has, by name. */
export const USUAL_TYPE: Record<WallUse, (typeof STARTING_TYPES)[number]['name']> = {
  exterior: 'Exterior 400',
  interior: 'Interior 150',
  core: 'Core 250',
  party: 'Party 300',
  glazed: 'Glazed 120',
};
