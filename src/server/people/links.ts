import { createCipheriv, createDecipheriv, createHash, hkdfSync, randomBytes } from 'node:crypto';
import { settings } from '../settings';

const TOKEN = /^[\w-]{43}$/;
const CIPHER = 'aes-256-gcm';
const NONCE_BYTES = 12;
const TAG_BYTES = 16;

/** The secret part of a link: what nobody guesses. */
export const newToken = (): string => randomBytes(32).toString('base64url');

/** True of what could be a link's secret part. */
export const isToken = (text: string): boolean => TOKEN.test(text);

/** What is kept of a link. The token is random, so that nothing slower is needed. */
export const hashOfToken = (token: string): string => createHash('sha256').update(token).digest('base64url');

/**
 * The link to a page with a token. It stands behind the `#`: browsers send that to no server, so it is in no log on the
 * way, and the page takes it out of the address at once.
 */
export const linkTo = (page: 'join' | 'password', token: string): string =>
  `${settings().APP_URL.replace(/\/$/, '')}/${page}#${token}`;

const sealKey = (): Buffer => Buffer.from(hkdfSync('sha256', settings().AUTH_SECRET, '', 'links in the outbox', 32));

/** A text that only this installation can read: in base64url the nonce, the tag and the cipher text (AES-256-GCM). */
export function seal(text: string): string {
  const nonce = randomBytes(NONCE_BYTES);
  const cipher = createCipheriv(CIPHER, sealKey(), nonce);
  const sealed = Buffer.concat([cipher.update(text, 'utf8'), cipher.final()]);
  return Buffer.concat([nonce, cipher.getAuthTag(), sealed]).toString('base64url');
}

/** What was sealed; null if it was sealed with another secret, or altered. */
export function unseal(sealed: string): string | null {
  const bytes = Buffer.from(sealed, 'base64url');
  try {
    const decipher = createDecipheriv(CIPHER, sealKey(), bytes.subarray(0, NONCE_BYTES));
    decipher.setAuthTag(bytes.subarray(NONCE_BYTES, NONCE_BYTES + TAG_BYTES));
    return Buffer.concat([decipher.update(bytes.subarray(NONCE_BYTES + TAG_BYTES)), decipher.final()]).toString('utf8');
  } catch {
    return null;
  }
}
