import { z } from 'zod';
import { DEMO_PEOPLE } from '@/server/demo-people';
import { auth } from '@/server/auth';
import { handle, readJson, RequestRefused } from '@/server/handle';
import { settings } from '@/server/settings';

const bodySchema = z.strictObject({ as: z.enum(['designer', 'consultant', 'viewer']) });

/** Enters the demo as one of its made-up people. Only while the demo mode is on. */
export const POST = (request: Request) =>
  handle(async () => {
    const { DEMO_MODE, DEMO_PASSWORD } = settings();
    if (DEMO_MODE !== '1' || !DEMO_PASSWORD)
      throw new RequestRefused(404, 'The demo mode is off. Sign in with your account');
    const { as } = await readJson(request, bodySchema);
    const { email } = DEMO_PEOPLE.find((person) => person.as === as)!;
    return auth().api.signInEmail({
      body: { email, password: DEMO_PASSWORD },
      headers: request.headers,
      asResponse: true,
    });
  });
