import { z } from 'zod';
import { textSchema } from '@/core/model/fields';
import { guarded } from '@/server/entry/entry';
import { copyProject } from '@/server/projects/copy-project';

const bodySchema = z.strictObject({ name: textSchema(120), people: z.boolean(), files: z.boolean() });

/** Copies a project with its log. */
export const POST = guarded('POST /api/projects/[projectId]/copy', async ({ projectId, person, json }) =>
  Response.json({ id: await copyProject(projectId, person.id, json(bodySchema)) }, { status: 201 }),
);
