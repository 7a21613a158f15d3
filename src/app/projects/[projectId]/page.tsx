import { headers } from 'next/headers';
import { notFound, redirect } from 'next/navigation';
import { isUuid } from '@/core/model/ids';
import { whoIsSignedIn } from '@/server/people/signed-in';
import { settings } from '@/server/settings';
import { projectNamed } from '@/server/projects/projects';
import { Workspace } from '@/ui/frame/workspace';

export const dynamic = 'force-dynamic';

interface PageProps {
  params: Promise<{ projectId: string }>;
}

/** The workspace of a project, for its members. */
export default async function ProjectPage({ params }: PageProps) {
  const { projectId } = await params;
  const person = await whoIsSignedIn(await headers());
  if (!person) redirect('/');
  if (!isUuid(projectId) || !(await projectNamed(projectId, person.id))) notFound();
  return <Workspace projectId={projectId} demo={settings().DEMO_MODE === '1'} />;
}
