import { headers } from 'next/headers';
import { notFound, redirect } from 'next/navigation';
import { personOf } from '@/server/access';
import { projectNamed } from '@/server/projects/projects';
import { Workspace } from '@/ui/frame/workspace';

export const dynamic = 'force-dynamic';

interface PageProps {
  params: Promise<{ projectId: string }>;
}

/** The workspace of a project, for its members. */
export default async function ProjectPage({ params }: PageProps) {
  const { projectId } = await params;
  const person = await personOf(await headers());
  if (!person) redirect('/');
  const isId = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/.test(projectId);
  if (!isId || !(await projectNamed(projectId, person.id))) notFound();
  return <Workspace projectId={projectId} />;
}
