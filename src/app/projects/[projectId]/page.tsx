import { memberOrLeave } from '@/server/people/member-page';
import { settings } from '@/server/settings';
import { Workspace } from '@/ui/frame/workspace';

export const dynamic = 'force-dynamic';

/** The workspace of a project, for its members. */
export default async function ProjectPage({ params }: { params: Promise<{ projectId: string }> }) {
  const { projectId } = await params;
  await memberOrLeave(projectId, 'look');
  return <Workspace projectId={projectId} demo={settings().DEMO_MODE === '1'} />;
}
