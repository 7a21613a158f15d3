import { guarded } from '@/server/entry/entry';
import { underlayFile } from '@/server/projects/underlays';

/** A file laid under a plan: a picture as it is, a drawing as the shapes it holds. */
export const GET = guarded('GET /api/projects/[projectId]/underlays/[sha256]', async ({ projectId, params }) => {
  const file = await underlayFile(projectId, params.sha256 ?? '');
  // Contents never change under their own digest.
  const headers = { 'cache-control': 'private, max-age=31536000, immutable' };
  return 'sheet' in file
    ? Response.json({ sheet: file.sheet }, { headers })
    : new Response(Buffer.from(file.bytes), { headers: { ...headers, 'content-type': file.type } });
});
