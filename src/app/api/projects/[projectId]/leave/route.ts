import { guarded } from '@/server/entry/entry';
import { removeMember } from '@/server/people/members';

/** Leaves a project. */
export const POST = guarded('POST /api/projects/[projectId]/leave', async ({ projectId, person }) => {
  await removeMember(projectId, person.id);
  return Response.json({ left: true });
});
