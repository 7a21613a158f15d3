import { guarded } from '@/server/entry/entry';
import { fileName } from '@/server/projects/file-name';
import { importProject } from '@/server/projects/project-file';

/** Makes a project of a file that is brought. */
export const POST = guarded('POST /api/projects/bring', async (entered) => {
  const name = fileName(entered.query.name, 'framework.spine.json');
  return Response.json(await importProject(entered, name, entered.bytes), { status: 201 });
});
