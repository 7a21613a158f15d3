import { guarded } from '@/server/entry/entry';
import { underlayFile } from '@/server/projects/underlays';

/** A file laid under a plan: a picture as it is kept, a drawing as the shapes it holds. */
export const GET = guarded('GET /api/projects/[projectId]/underlays/[sha256]', (entered) =>
  underlayFile(entered, entered.projectId, entered.params.sha256 ?? ''),
);
