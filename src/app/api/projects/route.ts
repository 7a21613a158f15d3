import { z } from 'zod';
import { textSchema } from '@/core/model/fields';
import { guarded } from '@/server/entry/entry';
import { projectsOf } from '@/server/projects/project-list';
import { templateSchema } from '@/server/projects/from-template';
import { createProject } from '@/server/projects/projects';

const bodySchema = z.strictObject({
  name: textSchema(120),
  building: textSchema(80).default('Main building'),
  template: templateSchema.optional(),
});

/** The person's projects. */
export const GET = guarded('GET /api/projects', async ({ person }) =>
  Response.json({ projects: await projectsOf(person.id) }),
);

/** Starts a project with one building, or with what a template makes. */
export const POST = guarded('POST /api/projects', async ({ person, json }) => {
  const { name, building, template } = json(bodySchema);
  return Response.json({ id: await createProject(person.id, name, building, template) }, { status: 201 });
});
