import { headers } from 'next/headers';
import { whoIsSignedIn } from '@/server/people/signed-in';
import { settings } from '@/server/settings';
import { Join } from '@/ui/people/join';

export const dynamic = 'force-dynamic';

/** Where an invitation's link leads. Its secret part stands behind the # and does not come here. */
export default async function JoinPage() {
  const person = await whoIsSignedIn(await headers());
  return <Join person={person?.name ?? null} signUp={settings().SIGN_UP} />;
}
