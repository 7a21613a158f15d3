import { z } from 'zod';
import { readChangesSince } from '@/server/changes/read-changes';
import { guarded } from '@/server/entry/entry';

const querySchema = z.object({ since: z.coerce.number().int().min(0) });

/** Changes after a sequence number, for a client that has missed some. */
export const GET = guarded('GET /api/projects/[projectId]/changes', async ({ projectId, query }) =>
  Response.json({ changes: await readChangesSince(projectId, querySchema.parse(query).since) }),
);
