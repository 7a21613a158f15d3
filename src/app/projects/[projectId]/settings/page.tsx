import { memberOrLeave } from '@/server/people/member-page';
import { detailsOf, projectOf } from '@/server/projects/project-settings';
import { SettingsPage } from '@/ui/projects/settings-page';

export const dynamic = 'force-dynamic';

/** What an owner sets about a project. */
export default async function Settings({ params }: { params: Promise<{ projectId: string }> }) {
  const { projectId } = await params;
  await memberOrLeave(projectId, 'project');
  return <SettingsPage projectId={projectId} settings={await projectOf(projectId)} {...await detailsOf(projectId)} />;
}
