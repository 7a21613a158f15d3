import { requireMember } from '@/server/access';
import { readHistory } from '@/server/changes/read-changes';
import { handle } from '@/server/handle';

/** Who did what and when, latest first. */
export const GET = (request: Request, { params }: { params: Promise<{ projectId: string }> }) =>
  handle(async () => {
    const { projectId } = await params;
    await requireMember(request.headers, projectId);
    return Response.json({ history: await readHistory(projectId) });
  });
