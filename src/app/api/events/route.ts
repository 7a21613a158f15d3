import { auth } from '@/server/auth';
import { AccessRefused } from '@/server/access';
import { handle } from '@/server/handle';
import { eventStream } from '@/server/live/events';

export const dynamic = 'force-dynamic';

/** The live stream of one browser: new heads of all its projects. */
export const GET = (request: Request) =>
  handle(async () => {
    const found = await auth().api.getSession({ headers: request.headers });
    if (!found) throw new AccessRefused(401, 'Sign in first');
    return new Response(eventStream(found.user.id, found.session.token, request.signal), {
      headers: {
        'content-type': 'text/event-stream',
        'cache-control': 'no-cache, no-transform',
        'x-accel-buffering': 'no',
      },
    });
  });
