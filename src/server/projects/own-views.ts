import { and, asc, eq, ne, count } from 'drizzle-orm';
import { keptViewSchema, type KeptView } from '@/core/views/named-view';
import { database } from '../db/connection';
import { ownView } from '../db/schema';
import { RequestRefused } from '../entry/refusal';

const MOST_VIEWS = 200;

/** The views a person keeps for themselves in a project, by name. */
export async function ownViews(projectId: string, userId: string): Promise<KeptView[]> {
  const rows = await database()
    .select({ view: ownView.view })
    .from(ownView)
    .where(and(eq(ownView.projectId, projectId), eq(ownView.userId, userId)))
    .orderBy(asc(ownView.name));
  // One written before a view could say more is left out rather than shown wrong.
  return rows.flatMap(({ view }) => {
    const read = keptViewSchema.safeParse(view);
    return read.success ? [read.data] : [];
  });
}

/** Keeps a view for a person; one of that name is kept anew. Any member may. */
export async function keepOwnView(projectId: string, userId: string, view: KeptView): Promise<void> {
  const [others] = await database()
    .select({ n: count() })
    .from(ownView)
    .where(and(eq(ownView.projectId, projectId), eq(ownView.userId, userId), ne(ownView.name, view.name)));
  if ((others?.n ?? 0) >= MOST_VIEWS)
    throw new RequestRefused(409, `You keep ${MOST_VIEWS} views here already. Drop one first`);
  await database()
    .insert(ownView)
    .values({ projectId, userId, name: view.name, view })
    .onConflictDoUpdate({ target: [ownView.projectId, ownView.userId, ownView.name], set: { view } });
}

/** Keeps a view no longer. */
export async function dropOwnView(projectId: string, userId: string, name: string): Promise<void> {
  const gone = await database()
    .delete(ownView)
    .where(and(eq(ownView.projectId, projectId), eq(ownView.userId, userId), eq(ownView.name, name)))
    .returning({ name: ownView.name });
  if (gone.length === 0) throw new RequestRefused(404, `You keep no view named ${name} here`);
}
