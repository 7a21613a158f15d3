import { guarded } from '@/server/entry/entry';

export const dynamic = 'force-dynamic';

/** The process lives. */
export const GET = guarded('GET /api/health', () => Response.json({ live: true }));
