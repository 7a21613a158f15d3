import { randomUUID } from 'node:crypto';
import { and, desc, eq, gt, isNull, ne, sql } from 'drizzle-orm';
import { database, type Transaction } from '../db/connection';
import { account, membership, passwordLink, project, session, user } from '../db/schema';
import { countWrongTry, requireNoWait } from '../entry/limits';
import { RequestRefused } from '../entry/refusal';
import { settings } from '../settings';
import { passwordFault } from './password';
import type { SignedIn } from './signed-in';
import { isPassword, setPassword } from './stored-password';
import type { SignInPlace } from '@/core/people/told';

/** What stands in a history where an account is gone. */
const GONE = 'Former member';
const UNIQUE_VIOLATION = '23505';

/** The places a person is signed in at, the one used last first. */
export async function signInsOf({ id, token }: SignedIn): Promise<SignInPlace[]> {
  const rows = await database()
    .select()
    .from(session)
    .where(and(eq(session.userId, id), gt(session.expiresAt, new Date())))
    .orderBy(desc(session.updatedAt));
  return rows.map((row) => ({
    id: row.id,
    address: row.ipAddress ?? '',
    browser: browserIn(row.userAgent ?? ''),
    since: row.createdAt.toISOString(),
    lastSeen: row.updatedAt.toISOString(),
    isThis: row.token === token,
  }));
}

/** A browser and system in a few words, from what a browser says of itself. */
export function browserIn(userAgent: string): string {
  const pick = (names: readonly (readonly [RegExp, string])[]) => names.find(([sign]) => sign.test(userAgent))?.[1];
  const browser = pick([
    [/Edg\//, 'Edge'],
    [/OPR\//, 'Opera'],
    [/Firefox\//, 'Firefox'],
    [/Chrom(e|ium)\//, 'Chromium'],
    [/Safari\//, 'Safari'],
  ]);
  const system = pick([
    [/Android/, 'Android'],
    [/iPhone|iPad/, 'iOS'],
    [/Windows/, 'Windows'],
    [/Mac OS/, 'macOS'],
    [/Linux/, 'Linux'],
  ]);
  return [browser, system].filter((word) => word !== undefined).join(' on ') || 'Another program';
}

/** Refuses who does not know the account's password. Wrong tries are counted as those of signing in are. */
async function requirePassword({ id, email }: SignedIn, address: string, password: string): Promise<void> {
  const counts = settings().AUTH_RATE_LIMIT === '1';
  if (counts) await requireNoWait(email, address);
  if (await isPassword(database(), id, password)) return;
  if (counts) await countWrongTry(email, address);
  throw new RequestRefused(422, 'That is not your password', { path: ['password'] });
}

/** What was read of a person a moment ago is believed no more, in any process. */
const tellChanged = (tx: Transaction, userId: string) => tx.execute(sql`select pg_notify('spine_people', ${userId})`);

/** Changes what of a person others read, or they sign in with. */
const changePerson = (id: string, to: { name: string } | { email: string }): Promise<void> =>
  database().transaction(async (tx) => {
    await tx
      .update(user)
      .set({ ...to, updatedAt: new Date() })
      .where(eq(user.id, id));
    await tellChanged(tx, id);
  });

/** Changes a person's name. */
export const rename = ({ id }: SignedIn, name: string): Promise<void> => changePerson(id, { name });

/** Changes the e-mail a person signs in with; the password is asked for. */
export async function changeEmail(person: SignedIn, address: string, email: string, password: string): Promise<void> {
  await requirePassword(person, address, password);
  try {
    await changePerson(person.id, { email });
  } catch (error) {
    const code = ((error as { cause?: { code?: string } }).cause ?? (error as { code?: string })).code;
    if (code !== UNIQUE_VIOLATION) throw error;
    throw new RequestRefused(409, 'Somebody has an account with that e-mail already', { path: ['email'] });
  }
}

/** Changes a person's password; every other place they are signed in at is signed out. */
export async function changePassword(
  person: SignedIn,
  address: string,
  { password, next }: { password: string; next: string },
): Promise<void> {
  await requirePassword(person, address, password);
  const fault = passwordFault(next, [person.name, person.email]);
  if (fault) throw new RequestRefused(422, fault, { path: ['next'] });
  await database().transaction(async (tx) => {
    await setPassword(tx, person.id, next);
    await signOutElsewhere(tx, person);
  });
}

const signOutElsewhere = (tx: Transaction, { id, token }: SignedIn) =>
  tx.delete(session).where(and(eq(session.userId, id), ne(session.token, token)));

/** Signs a person out at one place. */
export async function signOutAt({ id }: SignedIn, sessionId: string): Promise<void> {
  const gone = await database()
    .delete(session)
    .where(and(eq(session.userId, id), eq(session.id, sessionId)))
    .returning({ id: session.id });
  if (gone.length === 0) throw new RequestRefused(404, 'That sign-in has ended already');
}

/** Signs a person out everywhere, here too. */
export async function signOutEverywhere({ id }: SignedIn): Promise<void> {
  await database().delete(session).where(eq(session.userId, id));
}

/**
 * Deletes an account: nobody can sign in to it, nothing of it is left but a neutral name at what was done with it. Whoever
 * is the only owner of a project hands it over or deletes it first.
 */
export async function deleteAccount(person: SignedIn, address: string, password: string): Promise<void> {
  await requirePassword(person, address, password);
  await database().transaction(async (tx) => {
    const owned = await tx
      .select({ id: project.id, name: project.name })
      .from(membership)
      .innerJoin(project, and(eq(project.id, membership.projectId), isNull(project.deletedAt)))
      .where(and(eq(membership.userId, person.id), eq(membership.role, 'owner')))
      .for('update', { of: project });
    for (const { id, name } of owned) {
      const [other] = await tx
        .select({ id: membership.userId })
        .from(membership)
        .where(and(eq(membership.projectId, id), eq(membership.role, 'owner'), ne(membership.userId, person.id)));
      if (!other) throw new RequestRefused(409, `You are the only owner of ${name}. Hand it over or delete it first`);
    }
    await tx.delete(membership).where(eq(membership.userId, person.id));
    await tx.delete(account).where(eq(account.userId, person.id));
    await tx.delete(passwordLink).where(eq(passwordLink.userId, person.id));
    await tx.delete(session).where(eq(session.userId, person.id));
    const email = `${randomUUID()}@gone.invalid`;
    await tx
      .update(user)
      .set({ name: GONE, email, image: null, isKeeper: false, isGone: true, updatedAt: new Date() })
      .where(eq(user.id, person.id));
  });
}
