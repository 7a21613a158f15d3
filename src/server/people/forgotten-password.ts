import { randomUUID } from 'node:crypto';
import { and, eq, gt, isNull } from 'drizzle-orm';
import { database } from '../db/connection';
import { passwordLink, session, user } from '../db/schema';
import { countLink } from '../entry/limits';
import { RequestRefused } from '../entry/refusal';
import { settings } from '../settings';
import { hashOfToken, isToken } from './links';
import { forgetLink, sendLink } from './outbox';
import { passwordFault } from './password';
import { setPassword } from './stored-password';

const VALID_HOURS = 2;

/** Sends a link for a new password, if there is such an account. Who asks is not told whether there is. */
export async function sendPasswordLink(email: string, address: string): Promise<void> {
  if (settings().AUTH_RATE_LIMIT === '1') await countLink(address);
  const [person] = await database()
    .select({ id: user.id, name: user.name })
    .from(user)
    .where(and(eq(user.email, email), eq(user.isGone, false)));
  if (!person) return;
  await database().transaction(async (tx) => {
    const { tokenHash } = await sendLink(tx, 'password', {
      to: email,
      subject: 'A new password for Zenith Spine',
      body: `${person.name}, somebody asked for a new password for this account. If it was you, open this link:\n[link]\n\nIt works once, for ${VALID_HOURS} hours. If it was not you, do nothing.`,
    });
    const expiresAt = new Date(Date.now() + VALID_HOURS * 3_600_000);
    await tx.insert(passwordLink).values({ id: randomUUID(), userId: person.id, tokenHash, expiresAt });
  });
}

/** Gives the account of a link a new password, and signs it out everywhere. */
export async function replacePassword(token: string, password: string): Promise<{ userId: string }> {
  return database().transaction(async (tx) => {
    const spent = new RequestRefused(410, 'This link was used or is too old. Ask for another');
    if (!isToken(token)) throw spent;
    const tokenHash = hashOfToken(token);
    const [row] = await tx
      .select({ id: passwordLink.id, userId: user.id, name: user.name, email: user.email })
      .from(passwordLink)
      .innerJoin(user, eq(user.id, passwordLink.userId))
      .where(
        and(eq(passwordLink.tokenHash, tokenHash), isNull(passwordLink.usedAt), gt(passwordLink.expiresAt, new Date())),
      )
      .for('update', { of: passwordLink });
    if (!row) throw spent;
    const fault = passwordFault(password, [row.name, row.email]);
    if (fault) throw new RequestRefused(422, fault, { path: ['password'] });
    await setPassword(tx, row.userId, password);
    // Every link that was sent for this account is spent.
    const others = await tx
      .update(passwordLink)
      .set({ usedAt: new Date() })
      .where(and(eq(passwordLink.userId, row.userId), isNull(passwordLink.usedAt)))
      .returning({ tokenHash: passwordLink.tokenHash });
    for (const other of others) await forgetLink(tx, other.tokenHash);
    await tx.delete(session).where(eq(session.userId, row.userId));
    return { userId: row.userId };
  });
}
