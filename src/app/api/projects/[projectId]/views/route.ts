import { keptViewSchema } from '@/core/views/named-view';
import { requireMember } from '@/server/access';
import { handle, readJson } from '@/server/handle';
import { dropOwnView, keepOwnView, ownViews } from '@/server/projects/own-views';

interface In {
  params: Promise<{ projectId: string }>;
}

async function membersViews(
  request: Request,
  { params }: In,
  change?: (project: string, user: string) => Promise<void>,
) {
  const { projectId } = await params;
  const { person } = await requireMember(request.headers, projectId);
  await change?.(projectId, person.id);
  return Response.json({ views: await ownViews(projectId, person.id) });
}

/** The views one keeps for oneself. */
export const GET = (request: Request, at: In) => handle(() => membersViews(request, at));

/** Keeps a view for oneself, under its name. */
export const PUT = (request: Request, at: In) =>
  handle(() =>
    membersViews(request, at, async (project, user) =>
      keepOwnView(project, user, await readJson(request, keptViewSchema, 20_000)),
    ),
  );

/** Keeps the named view no longer. */
export const DELETE = (request: Request, at: In) =>
  handle(() =>
    membersViews(request, at, (project, user) =>
      dropOwnView(project, user, new URL(request.url).searchParams.get('name') ?? ''),
    ),
  );
