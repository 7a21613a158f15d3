import { requireMember } from '@/server/access';
import { handle } from '@/server/handle';
import { parseDxfApart } from '@/formats/sandbox/parse-apart';
import { fileOf, pictureType } from '@/server/projects/underlays';

/** A file laid under a plan: a picture as it is, a drawing as the shapes it holds. */
export const GET = (request: Request, { params }: { params: Promise<{ projectId: string; sha256: string }> }) =>
  handle(async () => {
    const { projectId, sha256 } = await params;
    await requireMember(request.headers, projectId);
    const bytes = await fileOf(projectId, sha256);
    // Contents never change under their own digest.
    const headers = { 'cache-control': 'private, max-age=31536000, immutable' };
    const type = pictureType(bytes);
    if (type) return new Response(Buffer.from(bytes), { headers: { ...headers, 'content-type': type } });
    const sheet = await parseDxfApart(bytes);
    return sheet.ok
      ? Response.json({ sheet: sheet.value }, { headers })
      : Response.json(sheet.refusal, { status: 422 });
  });
