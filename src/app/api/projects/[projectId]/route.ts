import { z } from 'zod';
import { projectDetailsSchema } from '@/core/buildings/building';
import { textSchema } from '@/core/model/fields';
import { INVITERS } from '@/core/people/powers';
import { guarded } from '@/server/entry/entry';
import { disciplinesSchema } from '@/server/people/fields';
import { deleteProject } from '@/server/projects/deleted-projects';
import { changeProject } from '@/server/projects/project-settings';

const changeSchema = z.strictObject({
  name: textSchema(120).optional(),
  units: z.enum(['metric', 'imperial']).optional(),
  disciplines: disciplinesSchema.optional(),
  inviters: z.enum(INVITERS).optional(),
  archived: z.boolean().optional(),
  details: projectDetailsSchema.optional(),
});

/** Renames a project, changes its settings, archives it or takes it out again. */
export const PATCH = guarded('PATCH /api/projects/[projectId]', async ({ projectId, person, json }) => {
  await changeProject(projectId, person.id, json(changeSchema));
  return Response.json({ changed: true });
});

/** Deletes a project, whose name is typed. */
export const DELETE = guarded('DELETE /api/projects/[projectId]', async ({ projectId, person, json }) => {
  await deleteProject(projectId, person.id, json(z.strictObject({ name: z.string().max(200) })).name);
  return Response.json({ deleted: true });
});
