import { z } from 'zod';
import { ROLES } from '@/core/people/powers';
import { writeAudit } from '@/server/entry/audit';
import { guarded } from '@/server/entry/entry';
import { disciplinesSchema, emailSchema } from '@/server/people/fields';
import { invite } from '@/server/people/invitations';

const bodySchema = z.strictObject({
  email: emailSchema,
  role: z.enum(ROLES),
  disciplines: disciplinesSchema.default([]),
  days: z.number().int().min(1).max(90).default(14),
});

/** Invites somebody by a link. */
export const POST = guarded('POST /api/projects/[projectId]/invitations', async (entered) => {
  const { projectId, person, role, json, requestId, address } = entered;
  const wanted = json(bodySchema);
  const { link } = await invite(projectId, { id: person.id, name: person.name, role }, wanted);
  const line = { event: 'invited', userId: person.id, projectId, requestId, address, detail: wanted.role };
  await writeAudit({ ...line, route: 'POST invitations', status: 201 });
  return Response.json({ link }, { status: 201 });
});
