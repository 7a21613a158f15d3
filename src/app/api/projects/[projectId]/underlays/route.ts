import { guarded } from '@/server/entry/entry';
import { fileName } from '@/server/projects/file-name';
import { takeUnderlay } from '@/server/projects/underlays';

/** Takes a picture or a drawing to lay under a plan, keeps it, and answers what it is. */
export const POST = guarded('POST /api/projects/[projectId]/underlays', async ({ projectId, query, bytes }) =>
  Response.json(await takeUnderlay(projectId, fileName(query.name, 'underlay'), bytes)),
);
