import { requireMember } from '@/server/access';
import { handle } from '@/server/handle';
import { underlayFile } from '@/server/projects/underlays';

/** A file laid under a plan: a picture as it is, a drawing as the shapes it holds. */
export const GET = (request: Request, { params }: { params: Promise<{ projectId: string; sha256: string }> }) =>
  handle(async () => {
    const { projectId, sha256 } = await params;
    await requireMember(request.headers, projectId);
    const file = await underlayFile(projectId, sha256);
    // Contents never change under their own digest.
    const headers = { 'cache-control': 'private, max-age=31536000, immutable' };
    return 'sheet' in file
      ? Response.json({ sheet: file.sheet }, { headers })
      : new Response(Buffer.from(file.bytes), { headers: { ...headers, 'content-type': file.type } });
  });
