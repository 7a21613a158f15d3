import { readFramework } from '@/server/changes/read-changes';
import { guarded } from '@/server/entry/entry';
import { projectOf } from '@/server/projects/project-settings';

/** The framework at its head, with who is asking and what they may do. */
export const GET = guarded('GET /api/projects/[projectId]/framework', async ({ projectId, person, role }) => {
  const { id, name, email } = person;
  const { units, archived } = await projectOf(projectId);
  return Response.json({ ...(await readFramework(projectId)), person: { id, name, email }, role, units, archived });
});
