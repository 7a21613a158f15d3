import { isUuid } from '@/core/model/ids';
import { guarded } from '@/server/entry/entry';
import { RequestRefused } from '@/server/entry/refusal';
import { takeBackInvitation } from '@/server/people/invitations';

/** Takes an invitation back. */
export const DELETE = guarded('DELETE /api/projects/[projectId]/invitations/[invitationId]', async (entered) => {
  const id = entered.params.invitationId ?? '';
  if (!isUuid(id)) throw new RequestRefused(404, 'There is no such invitation');
  await takeBackInvitation(entered.projectId, id);
  return Response.json({ takenBack: true });
});
