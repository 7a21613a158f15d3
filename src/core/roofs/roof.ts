import { z } from 'zod';
import { recordKind } from '../kinds/record-kind';
import { ref, type Bounds } from '../kinds/marks';
import { MATERIALS } from '../columns/column';
import { lengthWithin, textSchema } from '../model/fields';
import { idSchema } from '../model/ids';

/** Which face of the walls under it a roof slab runs to. */
export const ROOF_FACES = ['inside', 'coreInside', 'coreOutside', 'outside'] as const;
export type RoofFace = (typeof ROOF_FACES)[number];

export const ROOF_THICKNESS: Bounds = { atLeastMm: 20, atMostMm: 10_000 };
export const ROOF_OVERHANG: Bounds = { atLeastMm: 0, atMostMm: 5000 };
export const PARAPET_HEIGHT: Bounds = { atLeastMm: 50, atMostMm: 10_000 };

/**
 * A flat roof: a slab within the walls that carry it, out to one of their faces, and a parapet along their outside that stands
 * on it and runs down past its edge to the walls. Both follow the walls.
 */
const roofSchema = z.object({
  kind: z.literal('roof'),
  id: idSchema,
  building: ref('refuse'),
  name: textSchema(40),
  form: z.literal('flat'),
  level: ref('follow'),
  /** Exterior and party walls that go round one after another, or one closed wall. */
  walls: z.array(ref('refuse')).min(1, 'Choose a wall').max(200),
  face: z.enum(ROOF_FACES),
  /** Past the outside of the walls, in place of a parapet; 0: it ends at the face. */
  overhangMm: lengthWithin(ROOF_OVERHANG),
  thicknessMm: lengthWithin(ROOF_THICKNESS),
  material: z.enum(MATERIALS),
  /** A parapet of a wall type, so high over the roof's FFL; null: none. */
  parapet: z.object({ type: ref('refuse'), heightMm: lengthWithin(PARAPET_HEIGHT) }).nullable(),
});
export type Roof = z.infer<typeof roofSchema>;

declare module '../model/kinds' {
  interface Kinds {
    roof: Roof;
  }
}

export const roofRecords = recordKind({
  kind: 'roof',
  named: 'in the project',
  words: { one: 'roof', many: 'roofs' },
  letters: 'R',
  schema: roofSchema,
  migrations: [{ to: 12, record: (record) => ({ overhangMm: 0, ...record }) }],
  limits: {
    ofOne: ({ name, overhangMm, parapet }, mm) =>
      parapet && mm(overhangMm) > 0 ? `Roof ${name} may have a parapet or an overhang, not both. Take one away` : null,
  },
});
