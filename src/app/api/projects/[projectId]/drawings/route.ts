import { guarded } from '@/server/entry/entry';
import { fileName } from '@/server/projects/file-name';
import { takeDrawing } from '@/server/projects/underlays';

/** Takes a drawing, keeps it, and answers what it holds. It is read in a process of its own. */
export const POST = guarded('POST /api/projects/[projectId]/drawings', (entered) =>
  takeDrawing(entered, entered.projectId, fileName(entered.query.name, 'drawing.dxf'), entered.bytes),
);
