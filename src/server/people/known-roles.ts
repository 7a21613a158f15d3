import type { Role } from '@/core/people/powers';
import { database } from '../db/connection';
import { hub } from '../live/hub';
import { roleIn } from './membership';

/** For so long at most a role that was read is believed; its end is told at once by the database. */
const BELIEVED_MS = 20_000;
const MOST_KEPT = 5000;

interface Known {
  role: Role;
  until: number;
}

const holder = globalThis as typeof globalThis & { spineRoles?: Map<string, Map<string, Known>> };

/** Roles by person, then by project. */
function known(): Map<string, Map<string, Known>> {
  if (!holder.spineRoles) {
    const made = (holder.spineRoles = new Map<string, Map<string, Known>>());
    hub().onPeople((userId) => (userId === null ? made.clear() : made.delete(userId)));
  }
  return holder.spineRoles;
}

/**
 * Role of a person in a project, as it was read a moment ago, as long as this process hears the database; null if they are
 * no member. Only for what looks again itself when it writes: a change of role may be on its way here.
 */
export async function knownRole(projectId: string, userId: string): Promise<Role | null> {
  const kept = known().get(userId)?.get(projectId);
  if (kept && kept.until > Date.now() && hub().hears()) return kept.role;
  const role = await roleIn(database(), projectId, userId);
  if (role) {
    const own = known().get(userId) ?? new Map<string, Known>();
    own.set(projectId, { role, until: Date.now() + BELIEVED_MS });
    known().delete(userId);
    known().set(userId, own);
    const oldest = known().keys().next().value;
    if (known().size > MOST_KEPT && oldest !== undefined) known().delete(oldest);
  }
  return role;
}
