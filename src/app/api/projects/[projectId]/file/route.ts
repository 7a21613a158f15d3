import { guarded } from '@/server/entry/entry';
import { exportProject } from '@/server/projects/project-file';

/** A project as one file. */
export const GET = guarded('GET /api/projects/[projectId]/file', ({ projectId, person }) =>
  exportProject(projectId, person.id),
);
