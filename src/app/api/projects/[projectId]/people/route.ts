import { may } from '@/core/people/powers';
import { guarded } from '@/server/entry/entry';
import { invitationsOf } from '@/server/people/invitations';
import { membersOf, powersInWords } from '@/server/people/members';
import { projectOf } from '@/server/projects/project-settings';

/** Who is in a project and what each may do; for who invites, the invitations too. */
export const GET = guarded('GET /api/projects/[projectId]/people', async ({ projectId, person, role }) => {
  const { name, inviters, disciplines } = await projectOf(projectId);
  const mayInvite = may(role, 'invite', inviters);
  return Response.json({
    project: name,
    me: { id: person.id, role, mayInvite, mayManage: may(role, 'people') },
    members: await membersOf(projectId),
    invitations: mayInvite ? await invitationsOf(projectId) : [],
    powers: powersInWords(inviters),
    disciplines,
  });
});
