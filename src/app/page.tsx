import { headers } from 'next/headers';
import { whoIsSignedIn } from '@/server/people/signed-in';
import { projectsOf } from '@/server/projects/projects';
import { settings } from '@/server/settings';
import { ProjectList } from '@/ui/projects/project-list';
import { SignIn } from '@/ui/projects/sign-in';

export const dynamic = 'force-dynamic';

/** The front page: signing in, then the person's projects. */
export default async function FrontPage() {
  const demo = settings().DEMO_MODE === '1';
  const person = await whoIsSignedIn(await headers());
  if (!person) return <SignIn demo={demo} signUp={settings().SIGN_UP === 'open'} />;
  return <ProjectList person={person.name} demo={demo} projects={await projectsOf(person.id)} />;
}
