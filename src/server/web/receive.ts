import { randomBytes, randomUUID } from 'node:crypto';
import type { IncomingMessage, ServerResponse } from 'node:http';
import proxyaddr from 'proxy-addr';
import { ADDRESS_HEADER, REQUEST_ID_HEADER } from '../entry/address';
import { log } from '../log';
import { settings } from '../settings';

/** What a page may load and run: only what comes from here, and scripts only with this answer's own mark. */
export const contentPolicy = (nonce: string): string =>
  [
    `default-src 'self'`,
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'`,
    `style-src 'self' 'unsafe-inline'`,
    `img-src 'self' data: blob:`,
    `font-src 'self'`,
    `connect-src 'self'`,
    `worker-src 'self' blob:`,
    `object-src 'none'`,
    `base-uri 'none'`,
    `form-action 'self'`,
    `frame-ancestors 'none'`,
  ].join('; ');

type Trust = (address: string, hops: number) => boolean;

let trust: Trust | undefined;
function trusted(): Trust {
  const listed = settings()
    .TRUSTED_PROXIES.split(',')
    .map((each) => each.trim())
    .filter((each) => each !== '');
  return (trust ??= proxyaddr.compile(listed));
}

/** Who sends a request: the connection's address, or what a configured proxy says of it. */
export const senderOf = (request: IncomingMessage, believes: Trust): string => proxyaddr(request, believes);

/**
 * Marks a request before it goes on: with an id, and with where it comes from, whatever it says itself. Sets what every
 * answer carries. False if the request is answered already.
 */
export function receive(request: IncomingMessage, response: ServerResponse): boolean {
  const id = randomUUID();
  const address = senderOf(request, trusted());
  request.headers[REQUEST_ID_HEADER] = id;
  request.headers[ADDRESS_HEADER] = address;
  // Nobody else says what these are.
  delete request.headers['content-security-policy'];
  delete request.headers['x-middleware-subrequest'];
  const path = (request.url ?? '/').split('?')[0]!;
  const isApi = path.startsWith('/api/');
  response.setHeader('X-Content-Type-Options', 'nosniff');
  response.setHeader('X-Frame-Options', 'DENY');
  response.setHeader('Referrer-Policy', 'same-origin');
  response.setHeader('Permissions-Policy', 'camera=(), microphone=(), geolocation=()');
  response.setHeader('Cross-Origin-Opener-Policy', 'same-origin');
  if (settings().APP_URL.startsWith('https:'))
    response.setHeader('Strict-Transport-Security', 'max-age=31536000; includeSubDomains');
  if (isApi) {
    response.setHeader('Content-Security-Policy', "default-src 'none'; frame-ancestors 'none'");
    return true;
  }
  const nonce = randomBytes(18).toString('base64');
  const policy = contentPolicy(nonce);
  // The pages' renderer reads the mark for its scripts from here.
  request.headers['content-security-policy'] = policy;
  response.setHeader('Content-Security-Policy', policy);
  response.setHeader(REQUEST_ID_HEADER, id);
  if (request.method !== 'GET' && request.method !== 'HEAD') {
    // Pages take nothing: what is sent to them is not read.
    response.writeHead(405, { allow: 'GET, HEAD', connection: 'close' });
    response.end();
    return false;
  }
  if (!path.startsWith('/_next/')) {
    const begun = performance.now();
    response.once('close', () =>
      log.info(
        { id, route: 'page', ms: Math.round(performance.now() - begun), status: response.statusCode },
        'request',
      ),
    );
  }
  return true;
}
