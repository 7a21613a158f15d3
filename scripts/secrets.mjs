import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

const MADE = {
  AUTH_SECRET: () => randomBytes(32).toString('hex'),
  DEMO_PASSWORD: () => randomBytes(18).toString('base64url'),
  DB_ADMIN_PASSWORD: () => randomBytes(24).toString('base64url'),
  DB_OWNER_PASSWORD: () => randomBytes(24).toString('base64url'),
  DB_APP_PASSWORD: () => randomBytes(24).toString('base64url'),
  DB_READER_PASSWORD: () => randomBytes(24).toString('base64url'),
};

/** Secrets of this installation, made once and kept in the data folder for its owner only. */
export function secretsIn(folder) {
  const file = join(folder, 'secrets.json');
  mkdirSync(folder, { recursive: true });
  const known = existsSync(file) ? read(file) : {};
  const missing = Object.keys(MADE).filter((name) => known[name] === undefined);
  if (missing.length === 0) return known;
  const secrets = { ...known, ...Object.fromEntries(missing.map((name) => [name, MADE[name]()])) };
  // Written beside and put in its place: a start that is ended half way leaves the old ones.
  writeFileSync(`${file}.new`, JSON.stringify(secrets), { mode: 0o600 });
  renameSync(`${file}.new`, file);
  return secrets;
}

function read(file) {
  let secrets;
  try {
    secrets = JSON.parse(readFileSync(file, 'utf8'));
  } catch {
    secrets = null;
  }
  const isSound =
    secrets !== null &&
    typeof secrets === 'object' &&
    Object.values(secrets).every((value) => typeof value === 'string' && value.length >= 12) &&
    typeof secrets.AUTH_SECRET === 'string';
  if (isSound) return secrets;
  throw new Error(
    `The secrets of this installation are damaged: ${file}. Bring the file back from a backup (npm run restore)`,
  );
}
