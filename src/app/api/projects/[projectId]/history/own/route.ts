import { readOwn } from '@/server/changes/read-changes';
import { guarded } from '@/server/entry/entry';

/** One's own latest edits with what they changed, oldest first. */
export const GET = guarded('GET /api/projects/[projectId]/history/own', async ({ projectId, person }) =>
  Response.json({ own: await readOwn(projectId, person.id) }),
);
