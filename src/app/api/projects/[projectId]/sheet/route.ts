import { z } from 'zod';
import { idSchema } from '@/core/model/ids';
import { SHEET_FORMATS } from '@/formats/sheet/sheet-formats';
import { guarded } from '@/server/entry/entry';
import { fileAnswer } from '@/server/projects/file-name';
import { makeSheet } from '@/server/projects/made-files';

const querySchema = z.strictObject({
  level: idSchema,
  scale: z.coerce.number().int().min(10, 'A scale is 1 : 10 to 1 : 2000').max(2000, 'A scale is 1 : 10 to 1 : 2000'),
  format: z.enum(SHEET_FORMATS),
  units: z.enum(['metric', 'imperial']).default('metric'),
});

/** The setting-out plan of a level as PDF, SVG or DXF. Every member may take it. */
export const GET = guarded('GET /api/projects/[projectId]/sheet', async (entered) =>
  fileAnswer(await makeSheet(entered, entered.projectId, querySchema.parse(entered.query))),
);
