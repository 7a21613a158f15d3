import { guarded } from '@/server/entry/entry';
import { restoreProject } from '@/server/projects/deleted-projects';

/** Brings a deleted project back. */
export const POST = guarded('POST /api/projects/[projectId]/restore', async ({ projectId }) => {
  await restoreProject(projectId);
  return Response.json({ restored: true });
});
