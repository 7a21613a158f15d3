import { z } from 'zod';
import { requireMember } from '@/server/access';
import { readChangesSince } from '@/server/changes/read-changes';
import { handle } from '@/server/handle';

/** Changes after a sequence number, for a client that has missed some. */
export const GET = (request: Request, { params }: { params: Promise<{ projectId: string }> }) =>
  handle(async () => {
    const { projectId } = await params;
    await requireMember(request.headers, projectId);
    const since = z.coerce.number().int().min(0).parse(new URL(request.url).searchParams.get('since'));
    return Response.json({ changes: await readChangesSince(projectId, since) });
  });
