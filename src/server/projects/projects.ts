import { randomUUID } from 'node:crypto';
import { and, asc, desc, eq, inArray, isNull, or, sql } from 'drizzle-orm';
import type { Project } from '@/core/buildings/building';
import type { SmallElevation } from '@/core/drawing/small-elevation';
import { recordsOf } from '@/core/model/framework';
import type { Json } from '@/core/model/json';
import { DISCIPLINES, type Inviters } from '@/core/people/powers';
import { frameworkAt } from '../changes/head';
import { readHeadSeq } from '../changes/read-changes';
import { runCommand, runIn, type Ran } from '../changes/run-command';
import { database, type Transaction } from '../db/connection';
import { change, membership, project, projectSummary, user } from '../db/schema';
import { RequestRefused } from '../entry/refusal';
import { ARCHIVED } from '../people/membership';
import type { ListedProject } from '@/core/people/told';

/** Days for which a deleted project can be brought back. */
export const DELETED_DAYS = 30;

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
  await askForSummaries(rows.filter(({ summarySeq, headSeq }) => summarySeq !== headSeq).map(({ id }) => id));
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

/** A new project with its first building, owned by the person; all of it, or nothing. */
export function createProject(userId: string, name: string, building: string): Promise<string> {
  return database().transaction(async (tx) => {
    const id = randomUUID();
    await tx.insert(project).values({ id, name });
    await tx.insert(membership).values({ projectId: id, userId, role: 'owner' });
    await runAll(tx, id, userId, [
      { command: 'project.start', input: { name } },
      { command: 'buildings.add', input: { name: building } },
    ]);
    return id;
  });
}

/** Runs commands one after the other in a transaction. One that is not done undoes all of it. */
export async function runAll(
  tx: Transaction,
  projectId: string,
  userId: string,
  steps: readonly { command: string; input: Json }[],
): Promise<void> {
  let head: Ran['head'] = null;
  for (const { command, input } of steps) {
    const sent = { projectId, userId, commandId: randomUUID(), command, input };
    const ran = await runIn(tx, sent, head);
    if (ran.outcome.kind === 'refused') throw new RequestRefused(422, ran.outcome.refusal.message);
    if (ran.outcome.kind !== 'done') throw new Error(`The command ${command} was not done (${ran.outcome.kind})`);
    head = ran.head ?? head;
  }
}

/** What an owner sets about a project beside its framework. */
export interface ProjectSettings {
  units: 'metric' | 'imperial';
  disciplines: string[];
  inviters: Inviters;
}

/** A project's name and settings, for who is a member of it. */
export async function projectOf(projectId: string): Promise<ProjectSettings & { name: string; archived: boolean }> {
  const [row] = await database().select().from(project).where(eq(project.id, projectId));
  if (!row) throw new RequestRefused(404, 'There is no such project, or you are not a member of it');
  const { name, units, inviters, archivedAt } = row;
  const disciplines = row.disciplines.length > 0 ? row.disciplines : [...DISCIPLINES];
  return { name, units, disciplines, inviters, archived: archivedAt !== null };
}

/** Changes a project's settings, or puts it away. Everybody who has it open is told. */
export async function changeProject(
  projectId: string,
  { archived, ...settings }: Partial<ProjectSettings> & { archived?: boolean },
): Promise<void> {
  const put = archived === undefined ? {} : { archivedAt: archived ? new Date() : null };
  if (Object.keys({ ...settings, ...put }).length === 0) return;
  await database().transaction(async (tx) => {
    await tx
      .update(project)
      .set({ ...settings, ...put })
      .where(eq(project.id, projectId));
    await tellMembers(tx, projectId);
  });
}

/** Changes what the framework itself says of its project. */
export async function changeByCommand(projectId: string, userId: string, command: string, input: Json): Promise<void> {
  const outcome = await runCommand({ projectId, userId, commandId: randomUUID(), command, input });
  if (outcome.kind === 'refused') throw new RequestRefused(422, outcome.refusal.message);
  if (outcome.kind === 'archived') throw new RequestRefused(423, ARCHIVED);
  if (outcome.kind !== 'done') throw new RequestRefused(409, outcome.message);
}

/** What the framework says of its project, beside its name. */
export async function detailsOf(projectId: string): Promise<NonNullable<Project['details']>> {
  const framework = await frameworkAt(database(), projectId, await readHeadSeq(projectId));
  return recordsOf(framework, 'project')[0]?.details ?? { code: null, client: null, address: null, rules: null };
}

/** The small elevation of a project as it was worked out last; null until it is. */
export async function elevationOf(projectId: string): Promise<SmallElevation | null> {
  const [row] = await database()
    .select({ elevation: projectSummary.elevation })
    .from(projectSummary)
    .where(eq(projectSummary.projectId, projectId));
  return row?.elevation ?? null;
}

/** Deletes a project, for whoever types its name: for some days it can be brought back, then it is gone for good. */
export async function deleteProject(projectId: string, userId: string, typedName: string): Promise<void> {
  await database().transaction(async (tx) => {
    const [row] = await tx.select({ name: project.name }).from(project).where(eq(project.id, projectId)).for('update');
    if (row?.name.trim() !== typedName.trim())
      throw new RequestRefused(422, `That is not its name. Type ${row?.name ?? 'it'} to delete it`, { path: ['name'] });
    await tx.update(project).set({ deletedAt: new Date(), deletedBy: userId }).where(eq(project.id, projectId));
    await tellMembers(tx, projectId);
  });
}

/** Brings a deleted project back, with everybody who was in it. */
export async function restoreProject(projectId: string): Promise<void> {
  await database().transaction(async (tx) => {
    await tx.update(project).set({ deletedAt: null, deletedBy: null }).where(eq(project.id, projectId));
    await tellMembers(tx, projectId);
  });
}

/** Has the members' open tabs read anew what they may do. */
async function tellMembers(tx: Transaction, projectId: string): Promise<void> {
  await tx.execute(sql`select pg_notify('spine_people', user_id) from membership where project_id = ${projectId}`);
}
