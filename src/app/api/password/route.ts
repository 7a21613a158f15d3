import { z } from 'zod';
import { writeAudit } from '@/server/entry/audit';
import { guarded } from '@/server/entry/entry';
import { emailSchema, typedPassword } from '@/server/people/fields';
import { replacePassword, sendPasswordLink } from '@/server/people/forgotten-password';

const bodySchema = z.union([
  z.strictObject({ email: emailSchema }),
  z.strictObject({ token: z.string().max(100), password: typedPassword }),
]);

/** Sends a link for a new password; with such a link, gives the account a new one. */
export const POST = guarded('POST /api/password', async ({ json, address, requestId }) => {
  const body = json(bodySchema);
  if ('email' in body) {
    await sendPasswordLink(body.email, address);
    return Response.json({ sent: true });
  }
  const { userId } = await replacePassword(body.token, body.password);
  const line = { event: 'got a new password by a link', userId, projectId: null, requestId, address };
  await writeAudit({ ...line, route: 'POST /api/password', status: 200 });
  return Response.json({ changed: true });
});
