import { z } from 'zod';
import { idSchema } from '@/core/model/ids';
import { EXPORT_KINDS } from '@/formats/handing-over/export-kinds';
import { guarded } from '@/server/entry/entry';
import { fileAnswer } from '@/server/projects/file-name';
import { makeExport } from '@/server/projects/made-files';

const querySchema = z.strictObject({ what: z.enum(EXPORT_KINDS), building: idSchema.optional() });

/** IFC, the report or the level table of a building. Every member may take it. */
export const GET = guarded('GET /api/projects/[projectId]/export', async (entered) =>
  fileAnswer(await makeExport(entered, entered.projectId, querySchema.parse(entered.query))),
);
