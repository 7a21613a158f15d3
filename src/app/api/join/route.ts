import { z } from 'zod';
import { writeAudit } from '@/server/entry/audit';
import { guarded } from '@/server/entry/entry';
import { invitedBy, join } from '@/server/people/invitations';

const bodySchema = z.strictObject({ token: z.string().max(100) });

/** What a link invites to. */
export const POST = guarded('POST /api/join', async ({ json }) => {
  const { token } = json(bodySchema);
  return Response.json(await invitedBy(token));
});

/** Lets who is signed in into the project that a link invites to. */
export const PUT = guarded('PUT /api/join', async ({ json, person, requestId, address }) => {
  const { projectId, role } = await join(json(bodySchema).token, person.id);
  const line = { event: 'joined', userId: person.id, projectId, requestId, address, detail: role };
  await writeAudit({ ...line, route: 'PUT /api/join', status: 200 });
  return Response.json({ projectId, role });
});
