import { and, asc, desc, eq, inArray, isNull, or, sql } from 'drizzle-orm';
import type { SmallElevation } from '@/core/drawing/small-elevation';
import type { ListedProject } from '@/core/people/told';
import { database } from '../db/connection';
import { change, membership, project, projectSummary, user } from '../db/schema';

/**
 * Projects a person is a member of, the one changed last first. Deleted ones only for who owns them. What a list shows of a
 * project and is not worked out yet is asked for.
 */
export async function projectsOf(userId: string): Promise<ListedProject[]> {
  const rows = await database()
    .select({
      id: project.id,
      name: project.name,
      role: membership.role,
      headSeq: project.headSeq,
      changedAt: project.changedAt,
      archivedAt: project.archivedAt,
      deletedAt: project.deletedAt,
      lastBy: user.name,
      lastDone: change.sentence,
      summarySeq: projectSummary.seq,
      buildings: projectSummary.buildings,
    })
    .from(membership)
    .innerJoin(project, eq(project.id, membership.projectId))
    .leftJoin(change, and(eq(change.projectId, project.id), eq(change.seq, project.headSeq)))
    .leftJoin(user, eq(user.id, change.authorId))
    .leftJoin(projectSummary, eq(projectSummary.projectId, project.id))
    .where(and(eq(membership.userId, userId), or(isNull(project.deletedAt), eq(membership.role, 'owner'))))
    .orderBy(desc(project.changedAt), desc(project.id));
  const people = await membersOfAll(rows.map(({ id }) => id));
  await askForSummaries(
    rows.filter(({ summarySeq, headSeq, deletedAt }) => summarySeq !== headSeq && !deletedAt).map(({ id }) => id),
  );
  return rows.map(({ changedAt, archivedAt, deletedAt, summarySeq, buildings, ...row }) => ({
    ...row,
    changedAt: changedAt.toISOString(),
    archived: archivedAt !== null,
    deletedAt: deletedAt?.toISOString() ?? null,
    members: people.get(row.id) ?? [],
    summary: summarySeq === null || buildings === null ? null : { seq: summarySeq, buildings },
  }));
}

async function membersOfAll(projectIds: string[]): Promise<Map<string, ListedProject['members']>> {
  const found = new Map<string, ListedProject['members']>();
  if (projectIds.length === 0) return found;
  const rows = await database()
    .select({ projectId: membership.projectId, id: user.id, name: user.name, role: membership.role })
    .from(membership)
    .innerJoin(user, eq(user.id, membership.userId))
    .where(inArray(membership.projectId, projectIds))
    .orderBy(asc(membership.joinedAt), asc(user.name));
  for (const { projectId, ...member } of rows) {
    const others = found.get(projectId);
    if (others) others.push(member);
    else found.set(projectId, [member]);
  }
  return found;
}

/** Entries that are asked for at once: the first of the list, and the next when it is read again. */
const MOST_ASKED_FOR = 60;

/** Has the process for long work look at projects whose list entry is behind. Each is looked at once, however often asked. */
async function askForSummaries(projectIds: string[]): Promise<void> {
  const asked = projectIds.slice(0, MOST_ASKED_FOR);
  if (asked.length === 0) return;
  await database().execute(sql`
    select spine_add_job('summary', json_build_object('projectId', id), 'summary ' || id)
    from unnest(${sql.param(asked)}::uuid[]) as id`);
}

/** The small elevation of a project as it was worked out last; null until it is. */
export async function elevationOf(projectId: string): Promise<SmallElevation | null> {
  const [row] = await database()
    .select({ elevation: projectSummary.elevation })
    .from(projectSummary)
    .where(eq(projectSummary.projectId, projectId));
  return row?.elevation ?? null;
}
