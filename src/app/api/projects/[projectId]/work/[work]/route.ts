import { guarded } from '@/server/entry/entry';
import { progressOf } from '@/server/pool';

/** How far one's own heavy work is: how many are before it or which part has begun; null if it is not at work here. */
export const GET = guarded('GET /api/projects/[projectId]/work/[work]', ({ person, params }) =>
  Response.json({ progress: progressOf(person.id, params.work ?? '') }),
);
