import { guarded } from '@/server/entry/entry';
import { elevationOf } from '@/server/projects/project-list';

/** The small elevation of a project, as of the change that is named. */
export const GET = guarded('GET /api/projects/[projectId]/elevation', async ({ projectId }) =>
  Response.json({ elevation: await elevationOf(projectId) }),
);
