import { and, eq, isNotNull, isNull } from 'drizzle-orm';
import type { Role } from '@/core/people/powers';
import type { Database, Transaction } from '../db/connection';
import { membership, project } from '../db/schema';

/** Role of a person in a project; null if they are no member, or if it is deleted and `deleted` does not ask for those. */
export async function roleIn(
  db: Database | Transaction,
  projectId: string,
  userId: string,
  deleted = false,
): Promise<Role | null> {
  const [row] = await db
    .select({ role: membership.role })
    .from(membership)
    .innerJoin(project, eq(project.id, membership.projectId))
    .where(
      and(
        eq(membership.projectId, projectId),
        eq(membership.userId, userId),
        deleted ? isNotNull(project.deletedAt) : isNull(project.deletedAt),
      ),
    );
  return row?.role ?? null;
}

/** Where a project stands for a person: its last change, what they may do, and why nobody may change it now. */
export interface ProjectHead {
  seq: number;
  role: Role;
  archived?: true;
}

/** Where all of a person's projects stand, by id. */
export async function headsOf(db: Database | Transaction, userId: string): Promise<Record<string, ProjectHead>> {
  const rows = await db
    .select({ id: project.id, seq: project.headSeq, role: membership.role, archivedAt: project.archivedAt })
    .from(membership)
    .innerJoin(project, and(eq(project.id, membership.projectId), isNull(project.deletedAt)))
    .where(eq(membership.userId, userId));
  return Object.fromEntries(
    rows.map(({ id, archivedAt, ...head }) => [id, { ...head, ...(archivedAt ? { archived: true as const } : {}) }]),
  );
}
