import { randomUUID } from 'node:crypto';
import { and, count, desc, eq, gt, isNull, sql } from 'drizzle-orm';
import { may, powersOf, type Role } from '@/core/people/powers';
import { database, type Transaction } from '../db/connection';
import { invitation, membership, project, user } from '../db/schema';
import { RequestRefused } from '../entry/refusal';
import { hashOfToken, isToken } from './links';
import { forgetLink, sendLink } from './outbox';
import type { InvitationState, Invited, ListedInvitation } from '@/core/people/told';

const MOST_OPEN = 200;
const DAY_MS = 86_400_000;

interface Times {
  usedAt: Date | null;
  revokedAt: Date | null;
  expiresAt: Date;
}

const stateOf = ({ usedAt, revokedAt, expiresAt }: Times): InvitationState =>
  usedAt ? 'used' : revokedAt ? 'taken back' : expiresAt <= new Date() ? 'expired' : 'open';

/** Why a link that was opened does not work any more. */
const SPENT: Record<Exclude<InvitationState, 'open'>, string> = {
  used: 'This invitation was used already. Each works once: ask for another',
  expired: 'This invitation is too old. Ask for another',
  'taken back': 'This invitation was taken back',
};

/** The invitations of a project, the latest first. */
export async function invitationsOf(projectId: string): Promise<ListedInvitation[]> {
  const rows = await database()
    .select({
      row: invitation,
      by: user.name,
      usedBy: sql<string | null>`(select name from "user" where id = ${invitation.usedBy})`,
    })
    .from(invitation)
    .innerJoin(user, eq(user.id, invitation.invitedBy))
    .where(eq(invitation.projectId, projectId))
    .orderBy(desc(invitation.createdAt))
    .limit(500);
  return rows.map(({ row, by, usedBy }) => ({
    id: row.id,
    email: row.email,
    role: row.role,
    disciplines: row.disciplines,
    invitedBy: by,
    at: row.createdAt.toISOString(),
    until: row.expiresAt.toISOString(),
    state: stateOf(row),
    usedBy,
  }));
}

interface Wanted {
  email: string;
  role: Role;
  disciplines: string[];
  days: number;
}

/** Invites somebody by a link, whose mail goes to the outbox; answers the link, which is shown this once. */
export async function invite(
  projectId: string,
  by: { id: string; name: string; role: Role },
  { email, role, disciplines, days }: Wanted,
): Promise<{ link: string }> {
  const [row] = await database()
    .select({ name: project.name, inviters: project.inviters })
    .from(project)
    .where(eq(project.id, projectId));
  if (!row || !may(by.role, 'invite', row.inviters))
    throw new RequestRefused(403, 'In this project owners invite. Ask one of them', { role: by.role });
  if (role === 'owner' && by.role !== 'owner')
    throw new RequestRefused(403, 'Only an owner makes others owners', { role: by.role });
  const [member] = await database()
    .select({ name: user.name })
    .from(membership)
    .innerJoin(user, eq(user.id, membership.userId))
    .where(and(eq(membership.projectId, projectId), eq(user.email, email)));
  if (member) throw new RequestRefused(409, `${member.name} is in this project already`);
  return database().transaction(async (tx) => {
    // One after the other for a project, so that the count below holds.
    await tx.select().from(project).where(eq(project.id, projectId)).for('update');
    const open = and(
      eq(invitation.projectId, projectId),
      isNull(invitation.usedAt),
      isNull(invitation.revokedAt),
      gt(invitation.expiresAt, new Date()),
    );
    const [counted] = await tx.select({ n: count() }).from(invitation).where(open);
    if ((counted?.n ?? 0) >= MOST_OPEN)
      throw new RequestRefused(409, `${MOST_OPEN} invitations are open already. Take some back first`);
    const expiresAt = new Date(Date.now() + days * DAY_MS);
    const as = disciplines.length > 0 ? `${role} (${disciplines.join(', ')})` : role;
    const { link, tokenHash } = await sendLink(tx, 'join', {
      to: email,
      subject: `${by.name} invites you to ${row.name}`,
      body: `${by.name} invites you to the project ${row.name} as ${as}.\n\nOpen this link, and sign in or make an account:\n[link]\n\nIt works once, until ${expiresAt.toLocaleDateString('en-GB', { dateStyle: 'medium', timeZone: 'UTC' })}.`,
    });
    const values = { id: randomUUID(), projectId, tokenHash, email, role, disciplines, invitedBy: by.id, expiresAt };
    await tx.insert(invitation).values(values);
    return { link };
  });
}

/** Takes an invitation back: its link works no more. */
export async function takeBackInvitation(projectId: string, id: string): Promise<void> {
  const [row] = await database()
    .update(invitation)
    .set({ revokedAt: new Date() })
    .where(
      and(
        eq(invitation.id, id),
        eq(invitation.projectId, projectId),
        isNull(invitation.usedAt),
        isNull(invitation.revokedAt),
      ),
    )
    .returning({ tokenHash: invitation.tokenHash });
  if (!row) throw new RequestRefused(404, 'That invitation is not open any more');
  await forgetLink(database(), row.tokenHash);
}

/** What a link invites to. Refuses in words a link that works no more. */
export async function invitedBy(token: string): Promise<Invited> {
  const { row, name, inviters, by } = await openInvitation(database(), token);
  return {
    projectId: row.projectId,
    project: name,
    role: row.role,
    disciplines: row.disciplines,
    invitedBy: by,
    email: row.email,
    may: powersOf(row.role, inviters),
  };
}

async function openInvitation(db: ReturnType<typeof database> | Transaction, token: string, lock = false) {
  const unknown = new RequestRefused(404, 'This link leads nowhere. Open it whole, as it stands in the mail');
  if (!isToken(token)) throw unknown;
  const asked = db
    .select({ row: invitation, name: project.name, inviters: project.inviters, by: user.name })
    .from(invitation)
    .innerJoin(project, and(eq(project.id, invitation.projectId), isNull(project.deletedAt)))
    .innerJoin(user, eq(user.id, invitation.invitedBy))
    .where(eq(invitation.tokenHash, hashOfToken(token)));
  const [found] = await (lock ? asked.for('update', { of: invitation }) : asked);
  if (!found) throw unknown;
  const state = stateOf(found.row);
  if (state !== 'open') throw new RequestRefused(410, SPENT[state]);
  return found;
}

/** Lets a person into the project a link invites to. Of two who use it at once one is in. */
export async function join(token: string, userId: string): Promise<{ projectId: string; role: Role }> {
  return database().transaction(async (tx) => {
    const { row } = await openInvitation(tx, token, true);
    const { projectId, role, disciplines, id, tokenHash } = row;
    const [added] = await tx
      .insert(membership)
      .values({ projectId, userId, role, disciplines })
      .onConflictDoNothing()
      .returning({ role: membership.role });
    if (!added)
      throw new RequestRefused(409, 'You are in this project already. The invitation can still be used by another', {
        projectId,
      });
    await tx.update(invitation).set({ usedAt: new Date(), usedBy: userId }).where(eq(invitation.id, id));
    await forgetLink(tx, tokenHash);
    return { projectId, role };
  });
}

/** True if a token invites somebody now: they may make an account where accounts are by invitation. */
export const isInvited = (token: string): Promise<boolean> =>
  openInvitation(database(), token).then(
    () => true,
    () => false,
  );
