import { z } from 'zod';
import { LENGTH_UNITS } from '@/core/units/length-units';
import { guarded } from '@/server/entry/entry';
import { inPool, wrapped } from '@/server/pool';
import { fileName } from '@/server/projects/file-name';

const querySchema = z.object({ unit: z.enum(LENGTH_UNITS).optional() });

/** Reads a level table somebody brought (CSV, XLSX, the storeys of an IFC file); keeps nothing of it. */
export const POST = guarded('POST /api/projects/[projectId]/levels', async (entered) => {
  const { unit } = querySchema.parse(entered.query);
  const name = fileName(entered.query.name, 'levels.csv');
  return wrapped({}, 'table', await inPool(entered, 'levels', { name, ...(unit ? { unit } : {}) }, entered.bytes));
});
