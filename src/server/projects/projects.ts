import { randomUUID } from 'node:crypto';
import { and, desc, eq, sql } from 'drizzle-orm';
import { database } from '../db/connection';
import { change, membership, project, type Role } from '../db/schema';
import { runCommand } from '../changes/run-command';

export interface ProjectRow {
  id: string;
  name: string;
  role: Role;
  headSeq: number;
  changedAt: string | null;
}

/** Projects a person is a member of, the one changed last first. */
export async function projectsOf(userId: string): Promise<ProjectRow[]> {
  const lastChange = database()
    .select({ projectId: change.projectId, at: sql<Date>`max(${change.at})`.as('last_at') })
    .from(change)
    .groupBy(change.projectId)
    .as('last_change');
  const rows = await database()
    .select({ id: project.id, name: project.name, role: membership.role, headSeq: project.headSeq, at: lastChange.at })
    .from(membership)
    .innerJoin(project, eq(project.id, membership.projectId))
    .leftJoin(lastChange, eq(lastChange.projectId, project.id))
    .where(eq(membership.userId, userId))
    .orderBy(desc(sql`coalesce(${lastChange.at}, ${project.createdAt})`), desc(project.id));
  return rows.map(({ at, ...row }) => ({ ...row, changedAt: at ? new Date(at).toISOString() : null }));
}

/** A new project with its first building, owned by the person. */
export async function createProject(userId: string, name: string, building: string): Promise<string> {
  const id = randomUUID();
  await database().transaction(async (tx) => {
    await tx.insert(project).values({ id, name });
    await tx.insert(membership).values({ projectId: id, userId, role: 'owner' });
  });
  const steps: [string, { name: string }][] = [
    ['project.start', { name }],
    ['buildings.add', { name: building }],
  ];
  for (const [command, input] of steps) {
    const outcome = await runCommand({ projectId: id, userId, commandId: randomUUID(), command, input });
    if (outcome.kind !== 'done') {
      await database().delete(project).where(eq(project.id, id));
      throw new Error(`The project could not be started: ${JSON.stringify(outcome)}`);
    }
  }
  return id;
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
