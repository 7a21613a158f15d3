import { z } from 'zod';
import { recordKind } from '../kinds/record-kind';
import type { Bounds } from '../kinds/marks';
import { budgetSchema } from '../levels/budget';
import { angleSchema, lengthSchema, lengthWithin, textSchema } from '../model/fields';
import { idSchema } from '../model/ids';
import { rulesSchema } from '../rule-sets/rules-field';
import { surveySchema } from './survey';

/** What title blocks say of a project, and what its stairs are measured against where nothing else is said. */
export const projectDetailsSchema = z.object({
  /** As the practice counts its projects. */
  code: textSchema(30).nullable(),
  client: textSchema(120).nullable(),
  address: textSchema(200).nullable(),
  rules: rulesSchema.nullable(),
});

/** The project itself: one record, with its name. */
const projectSchema = z.object({
  kind: z.literal('project'),
  id: idSchema,
  name: textSchema(120),
  survey: surveySchema.nullable(),
  details: projectDetailsSchema.nullable(),
});
export type Project = z.infer<typeof projectSchema>;

export const BUILDING_ZERO: Bounds = { atLeastMm: -1e7, atMostMm: 1e7 };

/** A building: its own levels and grids, standing somewhere on the site. */
const buildingSchema = z.object({
  kind: z.literal('building'),
  id: idSchema,
  name: textSchema(80),
  /** Height of the building's zero above the site datum. */
  zeroMm: lengthWithin(BUILDING_ZERO),
  /** Position of the building's setting-out point in project axes. */
  xMm: lengthSchema,
  yMm: lengthSchema,
  turnDeg: angleSchema,
  /** Typical zones of a storey's height budget. */
  budget: budgetSchema.nullable(),
});
export type Building = z.infer<typeof buildingSchema>;

declare module '../model/kinds' {
  interface Kinds {
    building: Building;
    project: Project;
  }
}

export const projectRecords = recordKind({
  kind: 'project',
  words: { one: 'project', many: 'projects' },
  letters: null,
  schema: projectSchema,
  migrations: [
    { to: 3, record: (record) => ({ survey: null, ...record }) },
    { to: 7, record: (record) => ({ details: null, ...record }) },
  ],
});

export const buildingRecords = recordKind({
  kind: 'building',
  named: 'in the project',
  words: { one: 'building', many: 'buildings' },
  letters: null,
  schema: buildingSchema,
  migrations: [{ to: 2, record: (record) => ({ budget: null, ...record }) }],
});
