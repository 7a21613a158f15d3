import { headers } from 'next/headers';
import { isFresh } from '@/server/people/keeper';
import { mayReadOutbox } from '@/server/people/outbox';
import { whoIsSignedIn } from '@/server/people/signed-in';
import { projectsOf } from '@/server/projects/project-list';
import { settings } from '@/server/settings';
import { ProjectList } from '@/ui/projects/project-list';
import { SignIn } from '@/ui/projects/sign-in';

export const dynamic = 'force-dynamic';

/** The front page: signing in, then the person's projects. */
export default async function FrontPage() {
  const demo = settings().DEMO_MODE === '1';
  const person = await whoIsSignedIn(await headers());
  if (!person) {
    const fresh = await isFresh();
    return <SignIn demo={demo} fresh={fresh} signUp={fresh ? 'open' : settings().SIGN_UP} />;
  }
  return (
    <ProjectList
      person={person.name}
      demo={demo}
      outbox={await mayReadOutbox(person)}
      projects={await projectsOf(person.id)}
    />
  );
}
