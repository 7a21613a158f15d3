import { randomUUID } from 'node:crypto';
import { and, desc, eq } from 'drizzle-orm';
import type { Json } from '@/core/model/json';
import { runIn, type Ran } from '../changes/run-command';
import { database, type Transaction } from '../db/connection';
import { membership, project, type Role } from '../db/schema';
import { RequestRefused } from '../entry/refusal';

export interface ProjectRow {
  id: string;
  name: string;
  role: Role;
  headSeq: number;
  changedAt: string;
}

/** Projects a person is a member of, the one changed last first. */
export async function projectsOf(userId: string): Promise<ProjectRow[]> {
  const rows = await database()
    .select({
      id: project.id,
      name: project.name,
      role: membership.role,
      headSeq: project.headSeq,
      changedAt: project.changedAt,
    })
    .from(membership)
    .innerJoin(project, eq(project.id, membership.projectId))
    .where(eq(membership.userId, userId))
    .orderBy(desc(project.changedAt), desc(project.id));
  return rows.map(({ changedAt, ...row }) => ({ ...row, changedAt: changedAt.toISOString() }));
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
    if (ran.outcome.kind !== 'done') throw new Error(`The command ${command} was not done: ${ran.outcome.message}`);
    head = ran.head ?? head;
  }
}

/** Gives a person a role in a project, or another one. */
export async function setMember(
  projectId: string,
  userId: string,
  role: Role,
  discipline: string | null = null,
): Promise<void> {
  await database()
    .insert(membership)
    .values({ projectId, userId, role, discipline })
    .onConflictDoUpdate({ target: [membership.projectId, membership.userId], set: { role, discipline } });
}

export async function projectNamed(projectId: string, userId: string): Promise<{ name: string } | null> {
  const [row] = await database()
    .select({ name: project.name })
    .from(project)
    .innerJoin(membership, and(eq(membership.projectId, project.id), eq(membership.userId, userId)))
    .where(eq(project.id, projectId));
  return row ?? null;
}
