import { z } from 'zod';
import { readHistory } from '@/server/changes/read-changes';
import { guarded } from '@/server/entry/entry';

const querySchema = z.object({ before: z.coerce.number().int().min(0).optional() });

/** A piece of who did what and when, latest first. */
export const GET = guarded('GET /api/projects/[projectId]/history', async ({ projectId, query }) =>
  Response.json(await readHistory(projectId, querySchema.parse(query).before)),
);
