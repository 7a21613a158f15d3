import { writeAudit } from '../entry/audit';
import type { Entered } from '../entry/entry';
import { countSignUp, countWrongTry, forgetWrongTries, requireNoWait } from '../entry/limits';
import { RequestRefused } from '../entry/refusal';
import { settings } from '../settings';
import { auth } from './auth';
import { isInvited } from './invitations';
import { isFresh, makeFirstKeeper } from './keeper';

/** What of the sign-in library is reachable; all else it can do is not. */
const SERVED: readonly string[] = ['GET get-session', 'POST sign-in/email', 'POST sign-up/email', 'POST sign-out'];

const EVENTS: Record<string, string> = {
  'sign-in/email': 'signed in',
  'sign-up/email': 'made an account',
  'sign-out': 'signed out',
};

/** Signs in, up or out. Wrong tries are counted by account and by address, over all processes. */
export async function signInOrOut(entered: Entered): Promise<Response> {
  const { request, bytes, address, params } = entered;
  const what = params.all ?? '';
  if (!SERVED.includes(`${request.method} ${what}`)) throw new RequestRefused(404, 'There is nothing here');
  const counts = settings().AUTH_RATE_LIMIT === '1';
  const account = what === 'sign-in/email' ? emailIn(bytes) : '';
  const asked = what === 'sign-up/email' ? parted(bytes) : { bytes, invitation: '' };
  if (what === 'sign-up/email') await requireSignUp(asked.invitation);
  if (counts && what === 'sign-in/email') await requireNoWait(account, address);
  if (counts && what === 'sign-up/email') await countSignUp(address);
  const before = what === 'sign-out' ? await auth().api.getSession({ headers: request.headers }) : null;
  const response = await auth().handler(
    request.method === 'GET'
      ? request
      : new Request(request.url, {
          method: request.method,
          headers: withoutLength(request.headers),
          body: asked.bytes as BodyInit,
        }),
  );
  if (counts && what === 'sign-in/email') {
    if (response.status === 401) await countWrongTry(account, address);
    else if (response.ok) await forgetWrongTries(account);
  }
  if (what === 'sign-up/email' && response.ok) await makeFirstKeeper();
  const event = EVENTS[what];
  if (event && response.ok) {
    const userId = before?.user.id ?? (await userIdIn(response.clone()));
    const { requestId } = entered;
    void writeAudit({ event, userId, projectId: null, requestId, address, route: what, status: response.status });
  }
  // The library's answer may be shared; its headers are added to.
  return new Response(response.body, response);
}

/** Refuses the making of an account where that is not open, by invitation or by being the first. */
async function requireSignUp(invitation: string): Promise<void> {
  const { SIGN_UP } = settings();
  if (SIGN_UP === 'open' || (await isFresh())) return;
  if (SIGN_UP === 'off') throw new RequestRefused(403, 'No accounts are made here. Ask who looks after this place');
  if (!(await isInvited(invitation)))
    throw new RequestRefused(403, 'Accounts are made by invitation here. Ask a colleague for one');
}

/** What the sign-in library is sent, and the invitation that came with it. */
function parted(bytes: Uint8Array): { bytes: Uint8Array; invitation: string } {
  try {
    const { invitation, ...rest } = JSON.parse(new TextDecoder().decode(bytes)) as { invitation?: unknown };
    return {
      bytes: Buffer.from(JSON.stringify(rest)),
      invitation: typeof invitation === 'string' ? invitation : '',
    };
  } catch {
    return { bytes, invitation: '' };
  }
}

/** The length of what is passed on is another than that of what came. */
function withoutLength(headers: Headers): Headers {
  const passed = new Headers(headers);
  passed.delete('content-length');
  return passed;
}

/** The e-mail of a try, for counting; nothing if it holds none. */
function emailIn(bytes: Uint8Array): string {
  try {
    const { email } = JSON.parse(new TextDecoder().decode(bytes)) as { email?: unknown };
    return typeof email === 'string' ? email.slice(0, 320) : '';
  } catch {
    return '';
  }
}

/** Writes into the audit list that somebody signed in. */
export const noteSignedIn = (
  { requestId, address }: Pick<Entered, 'requestId' | 'address'>,
  userId: string | null,
  status: number,
): Promise<void> =>
  writeAudit({ event: 'signed in', userId, projectId: null, requestId, address, route: 'demo', status });

/** Whom an answer of the sign-in library is about. */
export async function userIdIn(response: Response): Promise<string | null> {
  const body = (await response.json().catch(() => null)) as { user?: { id?: string } } | null;
  return body?.user?.id ?? null;
}
