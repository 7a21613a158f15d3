import { headers } from 'next/headers';
import { redirect } from 'next/navigation';
import { signInsOf } from '@/server/people/account';
import { whoIsSignedIn } from '@/server/people/signed-in';
import { AccountPage } from '@/ui/account/account-page';

export const dynamic = 'force-dynamic';

/** One's own account. */
export default async function Account() {
  const person = await whoIsSignedIn(await headers());
  if (!person) redirect('/');
  return <AccountPage name={person.name} email={person.email} signIns={await signInsOf(person)} />;
}
