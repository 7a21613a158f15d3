import { z } from 'zod';
import { guarded } from '@/server/entry/entry';
import { fileName } from '@/server/projects/file-name';
import { takeUnderlay } from '@/server/projects/underlays';

const querySchema = z.object({ page: z.coerce.number().int().min(1).max(5000).default(1) });

/** Takes a picture, a page of a PDF or a drawing to lay under a plan, keeps it, and answers what it is. */
export const POST = guarded('POST /api/projects/[projectId]/underlays', (entered) => {
  const { projectId, query, bytes } = entered;
  return takeUnderlay(entered, projectId, fileName(query.name, 'underlay'), bytes, querySchema.parse(query).page);
});
