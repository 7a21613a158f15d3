import { memberOrLeave } from '@/server/people/member-page';
import { PeoplePage } from '@/ui/people/people-page';

export const dynamic = 'force-dynamic';

/** Who is in a project. */
export default async function People({ params }: { params: Promise<{ projectId: string }> }) {
  const { projectId } = await params;
  await memberOrLeave(projectId, 'look');
  return <PeoplePage projectId={projectId} />;
}
