import { and, eq } from 'drizzle-orm';
import type { Database, Transaction } from '../db/connection';
import { membership, project, type Role } from '../db/schema';

/** Role of a person in a project; null if they are no member. */
export async function roleIn(db: Database | Transaction, projectId: string, userId: string): Promise<Role | null> {
  const [row] = await db
    .select({ role: membership.role })
    .from(membership)
    .where(and(eq(membership.projectId, projectId), eq(membership.userId, userId)));
  return row?.role ?? null;
}

/** True if the role may change the framework itself. */
export const mayEdit = (role: Role): boolean => role === 'owner' || role === 'designer';

/** Where all of a person's projects stand, by id, and what they may do there. */
export async function headsOf(
  db: Database | Transaction,
  userId: string,
): Promise<Record<string, { seq: number; role: Role }>> {
  const rows = await db
    .select({ id: project.id, seq: project.headSeq, role: membership.role })
    .from(membership)
    .innerJoin(project, eq(project.id, membership.projectId))
    .where(eq(membership.userId, userId));
  return Object.fromEntries(rows.map(({ id, ...head }) => [id, head]));
}
