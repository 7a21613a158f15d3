import { headers } from 'next/headers';
import { notFound, redirect } from 'next/navigation';
import { isUuid } from '@/core/model/ids';
import { may, type Power, type Role } from '@/core/people/powers';
import { database } from '../db/connection';
import { roleIn } from './membership';
import { whoIsSignedIn, type SignedIn } from './signed-in';

/** Who opens a page of a project. Others are led to the front page, or told that there is nothing. */
export async function memberOrLeave(projectId: string, power: Power): Promise<{ person: SignedIn; role: Role }> {
  const person = await whoIsSignedIn(await headers());
  if (!person) redirect('/');
  const role = isUuid(projectId) ? await roleIn(database(), projectId, person.id) : null;
  if (!role || !may(role, power)) notFound();
  return { person, role };
}
