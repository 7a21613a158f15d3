import { and, asc, eq, ne } from 'drizzle-orm';
import { powersOf, ROLES, type Inviters, type Role } from '@/core/people/powers';
import { database, type Transaction } from '../db/connection';
import { membership, project, user } from '../db/schema';
import { RequestRefused } from '../entry/refusal';
import type { Member } from '@/core/people/told';

/** Everybody in a project, owners first, then by name. */
export async function membersOf(projectId: string): Promise<Member[]> {
  const rows = await database()
    .select({
      id: user.id,
      name: user.name,
      email: user.email,
      role: membership.role,
      disciplines: membership.disciplines,
      joinedAt: membership.joinedAt,
    })
    .from(membership)
    .innerJoin(user, eq(user.id, membership.userId))
    .where(eq(membership.projectId, projectId))
    .orderBy(asc(user.name));
  return rows
    .map(({ joinedAt, ...row }) => ({ ...row, joinedAt: joinedAt.toISOString() }))
    .sort((a, b) => ROLES.indexOf(a.role) - ROLES.indexOf(b.role));
}

/** What each role may do here, in words. */
export const powersInWords = (inviters: Inviters): { role: Role; may: string[] }[] =>
  ROLES.map((role) => ({ role, may: powersOf(role, inviters) }));

/** Changes of members, one after the other for a project: there is always an owner. */
function changeMembers<T>(projectId: string, work: (tx: Transaction) => Promise<T>): Promise<T> {
  return database().transaction(async (tx) => {
    await tx.select().from(project).where(eq(project.id, projectId)).for('update');
    return work(tx);
  });
}

const ofPerson = (projectId: string, personId: string) =>
  and(eq(membership.projectId, projectId), eq(membership.userId, personId));

async function memberNow(tx: Transaction, projectId: string, personId: string) {
  const [row] = await tx
    .select({ role: membership.role, name: user.name })
    .from(membership)
    .innerJoin(user, eq(user.id, membership.userId))
    .where(ofPerson(projectId, personId));
  if (!row) throw new RequestRefused(404, 'That person is not in this project any more');
  return row;
}

async function requireOtherOwner(tx: Transaction, projectId: string, personId: string): Promise<void> {
  const others = and(
    eq(membership.projectId, projectId),
    eq(membership.role, 'owner'),
    ne(membership.userId, personId),
  );
  const [other] = await tx.select({ id: membership.userId }).from(membership).where(others).limit(1);
  if (!other)
    throw new RequestRefused(409, 'A project has an owner. Make somebody else owner first, or delete the project');
}

/** What was changed about a member, for the audit list. */
export interface MemberChange {
  before: Role;
  after: Role | null;
}

/** Gives a member another role or other disciplines. */
export function changeMember(
  projectId: string,
  personId: string,
  to: { role?: Role; disciplines?: string[] },
): Promise<MemberChange> {
  return changeMembers(projectId, async (tx) => {
    const { role: before } = await memberNow(tx, projectId, personId);
    const after = to.role ?? before;
    if (before === 'owner' && after !== 'owner') await requireOtherOwner(tx, projectId, personId);
    const disciplines = after === 'consultant' ? to.disciplines : [];
    await tx
      .update(membership)
      .set({ role: after, ...(disciplines ? { disciplines } : {}) })
      .where(ofPerson(projectId, personId));
    return { before, after };
  });
}

/** Makes a member owner in the place of another, who goes on as designer. */
export function handOver(projectId: string, fromId: string, toId: string): Promise<MemberChange> {
  if (fromId === toId) throw new RequestRefused(422, 'You own this project already');
  return changeMembers(projectId, async (tx) => {
    const { role: before } = await memberNow(tx, projectId, toId);
    await tx.update(membership).set({ role: 'owner', disciplines: [] }).where(ofPerson(projectId, toId));
    await tx.update(membership).set({ role: 'designer' }).where(ofPerson(projectId, fromId));
    return { before, after: 'owner' };
  });
}

/** Takes a member out of a project. */
export function removeMember(projectId: string, personId: string): Promise<MemberChange> {
  return changeMembers(projectId, async (tx) => {
    const { role: before } = await memberNow(tx, projectId, personId);
    if (before === 'owner') await requireOtherOwner(tx, projectId, personId);
    await tx.delete(membership).where(ofPerson(projectId, personId));
    return { before, after: null };
  });
}
