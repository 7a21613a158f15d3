import { eq } from 'drizzle-orm';
import { database } from '../db/connection';
import { membership, project, session } from '../db/schema';
import { hub } from './hub';

const HEARTBEAT_MS = 10_000;
const SOON_MS = 250;

/** Heads of all projects a person is a member of. */
async function headsOf(userId: string): Promise<Record<string, number>> {
  const rows = await database()
    .select({ id: project.id, headSeq: project.headSeq })
    .from(membership)
    .innerJoin(project, eq(project.id, membership.projectId))
    .where(eq(membership.userId, userId));
  return Object.fromEntries(rows.map(({ id, headSeq }) => [id, headSeq]));
}

async function isSignedIn(token: string): Promise<boolean> {
  const [row] = await database().select({ expiresAt: session.expiresAt }).from(session).where(eq(session.token, token));
  return row !== undefined && row.expiresAt > new Date();
}

/**
 * A stream of server-sent events for one browser: `head` events for every project the person is a member of, at
 * once when something is committed and all together every ten seconds, when membership and session are read anew.
 */
export function eventStream(userId: string, sessionToken: string, signal: AbortSignal): ReadableStream<Uint8Array> {
  const encoder = new TextEncoder();
  let stop = () => {};
  return new ReadableStream<Uint8Array>({
    async start(controller) {
      let heads: Record<string, number> = {};
      let ended = false;
      const send = (event: string, data: unknown) => {
        if (!ended) controller.enqueue(encoder.encode(`event: ${event}\ndata: ${JSON.stringify(data)}\n\n`));
      };
      const end = () => {
        if (ended) return;
        ended = true;
        clearInterval(timer);
        clearTimeout(soon ?? undefined);
        unlisten();
        controller.close();
      };
      const unlisten = hub().listen((projectId, seq) => {
        if (projectId in heads) send('head', { [projectId]: seq });
        else beatSoon();
      }, end);
      // A project not known yet may be new to this person: looked up soon, once for many commits elsewhere.
      let soon: NodeJS.Timeout | null = null;
      const beatSoon = () => {
        soon ??= setTimeout(() => {
          soon = null;
          void beat();
        }, SOON_MS);
      };
      const beat = async () => {
        try {
          if (!(await isSignedIn(sessionToken))) return end();
          heads = await headsOf(userId);
          send('head', heads);
        } catch {
          send('trouble', {});
        }
      };
      const timer = setInterval(() => void beat(), HEARTBEAT_MS);
      stop = end;
      signal.addEventListener('abort', end);
      await beat();
    },
    cancel: () => stop(),
  });
}
