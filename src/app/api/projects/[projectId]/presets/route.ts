import { guarded } from '@/server/entry/entry';
import { inPool, wrapped } from '@/server/pool';

/** Reads a file of bay presets somebody brought; keeps nothing of it. */
export const POST = guarded('POST /api/projects/[projectId]/presets', async (entered) =>
  wrapped({}, 'presets', await inPool(entered, 'presets', {}, entered.bytes)),
);
