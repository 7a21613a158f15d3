import { requireMember } from '@/server/access';
import { handle, readBytes } from '@/server/handle';
import { takeUnderlay } from '@/server/projects/underlays';

const MOST_BYTES = 30_000_000;

/** Takes a picture or a drawing to lay under a plan, keeps it, and answers what it is. */
export const POST = (request: Request, { params }: { params: Promise<{ projectId: string }> }) =>
  handle(async () => {
    const { projectId } = await params;
    const { person } = await requireMember(request.headers, projectId);
    const bytes = await readBytes(request, MOST_BYTES);
    const name = new URL(request.url).searchParams.get('name') ?? 'underlay';
    return Response.json(await takeUnderlay(projectId, person.id, name.slice(0, 200), bytes));
  });
