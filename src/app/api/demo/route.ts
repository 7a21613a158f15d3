import { z } from 'zod';
import { guarded } from '@/server/entry/entry';
import { RequestRefused } from '@/server/entry/refusal';
import { auth } from '@/server/people/auth';
import { DEMO_DOORS, DEMO_PEOPLE } from '@/server/people/demo-people';
import { noteSignedIn, userIdIn } from '@/server/people/sign-in';
import { settings } from '@/server/settings';

const bodySchema = z.strictObject({ as: z.enum(DEMO_DOORS) });

/** Enters the demo as one of its made-up people. Only while the demo mode is on. */
export const POST = guarded('POST /api/demo', async (entered) => {
  const { request, json } = entered;
  const { DEMO_MODE, DEMO_PASSWORD } = settings();
  if (DEMO_MODE !== '1' || !DEMO_PASSWORD)
    throw new RequestRefused(404, 'The demo mode is off. Sign in with your account');
  const { as } = json(bodySchema);
  const { email } = DEMO_PEOPLE.find((person) => person.as === as)!;
  const response = await auth().api.signInEmail({
    body: { email, password: DEMO_PASSWORD },
    headers: request.headers,
    asResponse: true,
  });
  if (response.ok) await noteSignedIn(entered, await userIdIn(response.clone()), response.status);
  return response;
});
