import { requireMember } from '@/server/access';
import { handle, readBytes } from '@/server/handle';
import { takeDrawing } from '@/server/projects/files';

const MOST_BYTES = 30_000_000;

/** Takes a drawing, keeps it, and answers what it holds. It is read in a process of its own. */
export const POST = (request: Request, { params }: { params: Promise<{ projectId: string }> }) =>
  handle(async () => {
    const { projectId } = await params;
    const { person } = await requireMember(request.headers, projectId);
    const bytes = await readBytes(request, MOST_BYTES);
    const name = new URL(request.url).searchParams.get('name') ?? 'drawing.dxf';
    const sheet = await takeDrawing(projectId, person.id, name.slice(0, 200), bytes);
    return sheet.ok ? Response.json({ sheet: sheet.value }) : Response.json(sheet.refusal, { status: 422 });
  });
