import { guarded } from '@/server/entry/entry';
import { eventStream } from '@/server/live/events';

export const dynamic = 'force-dynamic';

/** The live stream of one browser: heads of all its projects, changes as they are committed. */
export const GET = guarded('GET /api/events', ({ person, request }) => {
  return new Response(eventStream(person.id, person.token, request.signal), {
    headers: {
      'content-type': 'text/event-stream',
      'cache-control': 'no-cache, no-transform',
      'x-accel-buffering': 'no',
    },
  });
});
