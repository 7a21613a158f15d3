import { settings } from '../settings';
import { RequestRefused } from './refusal';

/** Addresses pages of ours are served from. */
export function ownOrigins(): string[] {
  const { origin, hostname, port, protocol } = new URL(settings().APP_URL);
  // On loopback both names lead here.
  const twin = { '127.0.0.1': 'localhost', localhost: '127.0.0.1' }[hostname];
  return twin ? [origin, `${protocol}//${twin}${port ? `:${port}` : ''}`] : [origin];
}

/**
 * Refuses what another page sends with somebody's session. Browsers say where a request that changes something comes
 * from; a program that is no browser says nothing, and has no session of anybody else's.
 */
export function requireOwnOrigin(request: Request): void {
  if (request.method === 'GET' || request.method === 'HEAD') return;
  const origin = request.headers.get('origin');
  const site = request.headers.get('sec-fetch-site');
  const isOwn =
    origin === null ? site === null || site === 'same-origin' || site === 'none' : isOwnOrigin(origin, request);
  if (!isOwn) throw new RequestRefused(403, 'This was sent by a page of another address. Open the program itself');
}

/** One of the configured addresses; several processes on loopback each serve their own. */
const isOwnOrigin = (origin: string, request: Request): boolean => {
  const own = ownOrigins();
  if (own.includes(origin)) return true;
  const host = request.headers.get('host');
  const onLoopback = own.some((each) => /^http:\/\/(127\.0\.0\.1|localhost)(:|$)/.test(each));
  return onLoopback && /^(127\.0\.0\.1|localhost)(:\d+)?$/.test(host ?? '') && origin === `http://${host}`;
};
