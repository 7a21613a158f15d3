import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** Secrets of this installation, made once and kept in the data folder for its owner only. */
export function secretsIn(folder) {
  const file = join(folder, 'secrets.json');
  if (!existsSync(file)) {
    mkdirSync(folder, { recursive: true });
    const secrets = {
      AUTH_SECRET: randomBytes(32).toString('hex'),
      DEMO_PASSWORD: randomBytes(18).toString('base64url'),
    };
    writeFileSync(file, JSON.stringify(secrets), { mode: 0o600 });
  }
  return JSON.parse(readFileSync(file, 'utf8'));
}
