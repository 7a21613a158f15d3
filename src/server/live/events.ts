import { eq } from 'drizzle-orm';
import { database } from '../db/connection';
import { session } from '../db/schema';
import { RequestRefused } from '../entry/refusal';
import { countStreams } from '../metrics';
import { headsOf } from '../people/membership';
import { eventBytes, hub } from './hub';

const HEARTBEAT_MS = 10_000;
/** Streams one person may have open in a process: browsers, not tabs, which share one. */
const MOST_STREAMS = 16;
/** Bytes a stream may be behind: a browser that reads no more is let go, and comes back. */
const MOST_BEHIND_BYTES = 4_000_000;

async function isSignedIn(token: string): Promise<boolean> {
  const [row] = await database().select({ expiresAt: session.expiresAt }).from(session).where(eq(session.token, token));
  return row !== undefined && row.expiresAt > new Date();
}

/**
 * A stream of server-sent events for one browser: `heads` with number and role for every project the person is a member
 * of, at once when memberships change and every ten seconds; `change` with each commit in them; `head` for a commit
 * too large to send along; `out` when the session has ended.
 */
export function eventStream(userId: string, sessionToken: string, signal: AbortSignal): ReadableStream<Uint8Array> {
  if (hub().streamsOf(userId) >= MOST_STREAMS)
    throw new RequestRefused(429, 'You have this open in too many browsers. Close some', {}, { 'retry-after': '30' });
  let stop = () => {};
  return new ReadableStream<Uint8Array>(
    {
      async start(controller) {
        let ended = false;
        let reading = false;
        let readAgain = false;
        const tell = (bytes: Uint8Array) => {
          if (ended) return;
          if ((controller.desiredSize ?? 0) < -MOST_BEHIND_BYTES) return end();
          controller.enqueue(bytes);
        };
        const end = () => {
          if (ended) return;
          ended = true;
          clearInterval(timer);
          place.leave();
          countStreams(-1);
          controller.close();
        };
        /** Reads session and memberships and tells them; what is asked for meanwhile is read once more after. */
        const beat = async (): Promise<void> => {
          if (reading) {
            readAgain = true;
            return;
          }
          reading = true;
          try {
            if (!(await isSignedIn(sessionToken))) {
              tell(eventBytes('out', null));
              return end();
            }
            let heads = await headsOf(database(), userId);
            if (ended) return;
            // A commit between reading and following would be in neither: heads are read again once followed.
            if (place.follow(Object.keys(heads))) heads = await headsOf(database(), userId);
            tell(eventBytes('heads', heads));
          } catch {
            // A database that cannot be asked is no reason to end; silence tells the browser.
          } finally {
            reading = false;
          }
          if (readAgain && !ended) {
            readAgain = false;
            await beat();
          }
        };
        const place = hub().listen(userId, { tell, readAnew: () => void beat(), end });
        countStreams(1);
        const timer = setInterval(() => void beat(), HEARTBEAT_MS);
        stop = end;
        signal.addEventListener('abort', end);
        if (signal.aborted) return end();
        await beat();
      },
      cancel: () => stop(),
    },
    new ByteLengthQueuingStrategy({ highWaterMark: 64_000 }),
  );
}
