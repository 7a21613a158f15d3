import { z } from 'zod';
import { budgetSchema } from '../levels/budget';
import { angleSchema, lengthSchema, textSchema } from '../model/fields';
import { idSchema } from '../model/ids';
import { surveySchema } from './survey';

/** The project itself: one record, with its name. */
export const projectSchema = z.object({
  kind: z.literal('project'),
  id: idSchema,
  name: textSchema(120),
  survey: surveySchema.nullable(),
});
export type Project = z.infer<typeof projectSchema>;

/** A building: its own levels and grids, standing somewhere on the site. */
export const buildingSchema = z.object({
  kind: z.literal('building'),
  id: idSchema,
  name: textSchema(80),
  /** Height of the building's zero above the site datum. */
  zeroMm: lengthSchema,
  /** Position of the building's setting-out point in project axes. */
  xMm: lengthSchema,
  yMm: lengthSchema,
  turnDeg: angleSchema,
  /** Typical zones of a storey's height budget. */
  budget: budgetSchema.nullable(),
});
export type Building = z.infer<typeof buildingSchema>;
