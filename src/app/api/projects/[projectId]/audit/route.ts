import { z } from 'zod';
import { guarded } from '@/server/entry/entry';
import { auditCsv, readAuditList } from '@/server/people/audit-list';
import { attachment } from '@/server/projects/file-name';

const querySchema = z.object({
  event: z.string().max(60).optional(),
  person: z.string().max(64).optional(),
  from: z.iso.date().optional(),
  to: z.iso.date().optional(),
  before: z.iso.datetime().optional(),
  format: z.enum(['json', 'csv']).default('json'),
});

/** What happened around a project, latest first: a piece of it, or all of it as a table to keep. */
export const GET = guarded('GET /api/projects/[projectId]/audit', async ({ projectId, query }) => {
  const { format, ...asked } = querySchema.parse(query);
  if (format === 'json') return Response.json(await readAuditList(projectId, asked));
  return new Response(await auditCsv(projectId, asked), {
    headers: attachment('what-happened.csv', 'text/csv; charset=utf-8'),
  });
});
