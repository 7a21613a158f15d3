import { randomUUID } from 'node:crypto';
import type { Role } from '@/core/people/powers';
import { database } from '../db/connection';
import { membership, session, user } from '../db/schema';
import type { SignedIn } from '../people/signed-in';
import { setPassword } from '../people/stored-password';

/** The password of everybody who has one in tests. */
export const PASSWORD = 'mortar oriel 4711 gable';

/** A person with an account, and a place where they are signed in. */
export async function newPerson(name: string): Promise<SignedIn> {
  const id = randomUUID();
  const person = { id, name, email: `${id}@test.example`, token: randomUUID() };
  await database().insert(user).values({ id, name, email: person.email });
  await setPassword(database(), id, PASSWORD);
  await signInAgain(person);
  return person;
}

/** Another place where a person is signed in: by its token the one that is asked for. */
export async function signInAgain({ id, token }: Pick<SignedIn, 'id' | 'token'>): Promise<void> {
  await database()
    .insert(session)
    .values({ id: randomUUID(), token, userId: id, expiresAt: new Date(Date.now() + 3_600_000) });
}

/** Gives a person a role in a project, or another one. */
export async function setMember(projectId: string, userId: string, role: Role): Promise<void> {
  await database()
    .insert(membership)
    .values({ projectId, userId, role })
    .onConflictDoUpdate({ target: [membership.projectId, membership.userId], set: { role } });
}
