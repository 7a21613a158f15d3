import { keptViewSchema } from '@/core/views/named-view';
import { guarded, type EnteredByMember } from '@/server/entry/entry';
import { dropOwnView, keepOwnView, ownViews } from '@/server/projects/own-views';

const views = async ({ projectId, person }: EnteredByMember): Promise<Response> =>
  Response.json({ views: await ownViews(projectId, person.id) });

/** The views one keeps for oneself. */
export const GET = guarded('GET /api/projects/[projectId]/views', views);

/** Keeps a view for oneself, under its name. */
export const PUT = guarded('PUT /api/projects/[projectId]/views', async (entered) => {
  await keepOwnView(entered.projectId, entered.person.id, entered.json(keptViewSchema));
  return views(entered);
});

/** Keeps the named view no longer. */
export const DELETE = guarded('DELETE /api/projects/[projectId]/views', async (entered) => {
  await dropOwnView(entered.projectId, entered.person.id, entered.query.name ?? '');
  return views(entered);
});
