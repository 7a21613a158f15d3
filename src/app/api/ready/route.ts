import { guarded } from '@/server/entry/entry';
import { readiness } from '@/server/ready';

export const dynamic = 'force-dynamic';

/** Whether database, jobs and disk are as they must be: 200, or 503 with which is not. */
export const GET = guarded('GET /api/ready', async () => {
  const { ready, parts } = await readiness();
  return Response.json({ ready, parts }, { status: ready ? 200 : 503 });
});
