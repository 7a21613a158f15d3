import { guarded } from '@/server/entry/entry';
import { fileName } from '@/server/projects/file-name';
import { takeDrawing } from '@/server/projects/files';

/** Takes a drawing, keeps it, and answers what it holds. It is read in a process of its own. */
export const POST = guarded('POST /api/projects/[projectId]/drawings', async ({ projectId, query, bytes }) => {
  const sheet = await takeDrawing(projectId, fileName(query.name, 'drawing.dxf'), bytes);
  return sheet.ok ? Response.json({ sheet: sheet.value }) : Response.json(sheet.refusal, { status: 422 });
});
