import { randomUUID } from 'node:crypto';
import { hashPassword, verifyPassword } from 'better-auth/crypto';
import { and, eq } from 'drizzle-orm';
import type { Database, Transaction } from '../db/connection';
import { account } from '../db/schema';

const ofPerson = (userId: string) => and(eq(account.userId, userId), eq(account.providerId, 'credential'));

/** True if this is the person's password. One who has none is not known by any. */
export async function isPassword(db: Database | Transaction, userId: string, password: string): Promise<boolean> {
  const [known] = await db.select({ hash: account.password }).from(account).where(ofPerson(userId));
  return known?.hash ? verifyPassword({ hash: known.hash, password }) : false;
}

/** Gives a person this password in the place of the one they had. */
export async function setPassword(db: Database | Transaction, userId: string, password: string): Promise<void> {
  const hash = await hashPassword(password);
  const changed = await db
    .update(account)
    .set({ password: hash, updatedAt: new Date() })
    .where(ofPerson(userId))
    .returning({ id: account.id });
  if (changed.length > 0) return;
  const values = { id: randomUUID(), accountId: userId, providerId: 'credential', userId, password: hash };
  await db.insert(account).values(values);
}
