import { guarded } from '@/server/entry/entry';
import { mayReadOutbox, readOutbox } from '@/server/people/outbox';
import { whoIsSignedIn } from '@/server/people/signed-in';
import { RequestRefused } from '@/server/entry/refusal';

/** The mails that stand in for e-mail. */
export const GET = guarded('GET /api/outbox', async ({ request }) => {
  if (!(await mayReadOutbox(await whoIsSignedIn(request.headers))))
    throw new RequestRefused(403, 'The outbox is read by who looks after this place');
  return Response.json({ mails: await readOutbox() });
});
