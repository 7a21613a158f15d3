import { codeOf } from '../entry/audit';
import { RequestRefused } from '../entry/refusal';
import { log } from '../log';
import { auth } from './auth';
import { hub } from '../live/hub';

export interface SignedIn {
  id: string;
  name: string;
  email: string;
  /** Of the session, as the database knows it. */
  token: string;
}

/** For so long at most a session that was read is believed; its end is told at once by the database. */
const BELIEVED_MS = 20_000;
const MOST_KEPT = 2000;

interface Known {
  person: SignedIn;
  until: number;
}

const holder = globalThis as typeof globalThis & { spineSignedIn?: Map<string, Known> };

function known(): Map<string, Known> {
  if (!holder.spineSignedIn) {
    const made = (holder.spineSignedIn = new Map<string, Known>());
    hub().onPeople((userId) => {
      for (const [cookie, { person }] of made) if (userId === null || person.id === userId) made.delete(cookie);
    });
  }
  return holder.spineSignedIn;
}

const SESSION_COOKIE = /(?:^|;\s*)((?:__Secure-)?better-auth\.session_token=[^;]+)/;

/**
 * Who is signed in, from the request's cookie; null for nobody. What was read a moment ago is believed as long as this
 * process hears the database, which tells when a session ends.
 */
export async function whoIsSignedIn(headers: Headers): Promise<SignedIn | null> {
  const cookie = SESSION_COOKIE.exec(headers.get('cookie') ?? '')?.[1];
  if (cookie === undefined) return null;
  const kept = known().get(cookie);
  if (kept && kept.until > Date.now() && hub().hears()) return kept.person;
  const found = await auth()
    .api.getSession({ headers })
    .catch((error: unknown) => {
      // It hides a database that is away behind an error of its own. Waiting helps.
      log.warn({ code: codeOf(error) }, 'a session could not be read');
      throw new RequestRefused(
        503,
        'Who you are cannot be looked up just now; nothing was changed. Try again in a moment',
        {},
        { 'retry-after': '2' },
      );
    });
  if (!found) return null;
  const { user, session } = found;
  const person = { id: user.id, name: user.name, email: user.email, token: session.token };
  known().delete(cookie);
  known().set(cookie, { person, until: Math.min(Date.now() + BELIEVED_MS, session.expiresAt.getTime()) });
  const oldest = known().keys().next().value;
  if (known().size > MOST_KEPT && oldest !== undefined) known().delete(oldest);
  return person;
}
