import { requireMember } from '@/server/access';
import { readFramework } from '@/server/changes/read-changes';
import { handle } from '@/server/handle';

/** The framework at its head, with who is asking and what they may do. */
export const GET = (request: Request, { params }: { params: Promise<{ projectId: string }> }) =>
  handle(async () => {
    const { projectId } = await params;
    const { person, role } = await requireMember(request.headers, projectId);
    return Response.json({ ...(await readFramework(projectId)), person: { id: person.id, name: person.name }, role });
  });
