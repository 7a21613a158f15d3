import { and, eq } from 'drizzle-orm';
import { auth } from './auth';
import { database, type Database, type Transaction } from './db/connection';
import { membership, type Role } from './db/schema';

export interface Person {
  id: string;
  name: string;
  email: string;
}

/** Something a person may not do or see, with the status the answer carries. */
export class AccessRefused extends Error {
  constructor(
    readonly status: 401 | 403 | 404,
    message: string,
  ) {
    super(message);
  }
}

/** Who is signed in, from the request's headers; null for nobody. */
export async function personOf(headers: Headers): Promise<Person | null> {
  const found = await auth().api.getSession({ headers });
  return found ? { id: found.user.id, name: found.user.name, email: found.user.email } : null;
}

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

export async function requirePerson(headers: Headers): Promise<Person> {
  const person = await personOf(headers);
  if (!person) throw new AccessRefused(401, 'Sign in first');
  return person;
}

/** The person and role behind a request on a project. A project one is no member of looks as if it were not there. */
export async function requireMember(headers: Headers, projectId: string): Promise<{ person: Person; role: Role }> {
  const person = await requirePerson(headers);
  if (!/^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/.test(projectId))
    throw new AccessRefused(404, 'There is no such project');
  const role = await roleIn(database(), projectId, person.id);
  if (!role) throw new AccessRefused(404, 'There is no such project, or you are not a member of it');
  return { person, role };
}
