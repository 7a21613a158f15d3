import { z } from 'zod';
import { ROLES } from '@/core/people/powers';
import { writeAudit } from '@/server/entry/audit';
import { guarded, type EnteredByMember } from '@/server/entry/entry';
import { disciplinesSchema } from '@/server/people/fields';
import { changeMember, handOver, removeMember, type MemberChange } from '@/server/people/members';

const changeSchema = z.union([
  z.strictObject({ role: z.enum(ROLES).optional(), disciplines: disciplinesSchema.optional() }),
  z.strictObject({ handOver: z.literal(true) }),
]);

const told = async (entered: EnteredByMember, event: string, { before, after }: MemberChange): Promise<Response> => {
  const { person, projectId, requestId, address, params, request } = entered;
  const aboutId = params.personId ?? null;
  const line = { event, userId: person.id, projectId, requestId, address, aboutId };
  const detail = after === null ? before : before === after ? after : `${before} → ${after}`;
  await writeAudit({ ...line, detail, route: `${request.method} people`, status: 200 });
  return Response.json({ role: after });
};

/** Changes a member's role or disciplines, or hands the project over to them. */
export const PATCH = guarded('PATCH /api/projects/[projectId]/people/[personId]', async (entered) => {
  const { projectId, person, params, json } = entered;
  const change = json(changeSchema);
  const personId = params.personId ?? '';
  return 'handOver' in change
    ? told(entered, 'handed over to', await handOver(projectId, person.id, personId))
    : told(entered, 'changed the role of', await changeMember(projectId, personId, change));
});

/** Takes a member out of a project. */
export const DELETE = guarded('DELETE /api/projects/[projectId]/people/[personId]', async (entered) =>
  told(entered, 'removed', await removeMember(entered.projectId, entered.params.personId ?? '')),
);
