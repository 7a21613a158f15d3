import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { join } from 'node:path';
import { giveUp, say } from './say.mjs';

export const ROOT = fileURLToPath(new URL('..', import.meta.url));
const MARK = join(ROOT, 'node_modules/.installed-lock');

/**
 * Installs the packages of the lock file if they are not there or not those. `npm install --no-save` and not
 * `npm ci`: the lock lists optional packages of other platforms that a registry need not serve.
 */
export function ensurePackages() {
  const lock = readFileSync(join(ROOT, 'package-lock.json'));
  const wanted = createHash('sha256').update(lock).update(process.version).digest('hex');
  if (existsSync(MARK) && readFileSync(MARK, 'utf8') === wanted) return;
  say('Installing the packages the program is made of (one to three minutes) …');
  const args = ['install', '--no-save', '--no-audit', '--no-fund', '--loglevel=error', '--include=dev'];
  for (let tries = 1; ; tries += 1) {
    const result = spawnSync('npm', args, { cwd: ROOT, stdio: ['ignore', 'ignore', 'inherit'] });
    if (result.status === 0) break;
    if (tries === 3) giveUp('The packages could not be installed. Check that the package registry can be reached');
    say('That failed; trying again …');
  }
  writeFileSync(MARK, wanted);
}

if (process.argv[1] === fileURLToPath(import.meta.url)) ensurePackages();
