import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './ensure-packages.mjs';
import { giveUp, say } from './say.mjs';

const MARK = join(ROOT, '.next/built-from');

/** Builds the web application if what it is made of has changed since the last build. */
export function ensureBuild() {
  const print = fingerprint();
  if (existsSync(MARK) && readFileSync(MARK, 'utf8') === print) return;
  say('Building the program (about a minute) …');
  const built = spawnSync(process.execPath, [join(ROOT, 'node_modules/next/dist/bin/next'), 'build'], {
    cwd: ROOT,
    encoding: 'utf8',
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1', NODE_ENV: 'production' },
  });
  if (built.status !== 0) giveUp(`The build failed:\n${built.stdout}\n${built.stderr}`);
  writeFileSync(MARK, print);
}

function fingerprint() {
  const hash = createHash('sha256');
  const add = (path) => {
    for (const entry of readdirSync(path, { withFileTypes: true }).sort((a, b) => (a.name < b.name ? -1 : 1))) {
      const full = join(path, entry.name);
      if (entry.isDirectory()) add(full);
      else if (!/\.test\.tsx?$/.test(entry.name)) hash.update(full.slice(ROOT.length)).update(readFileSync(full));
    }
  };
  add(join(ROOT, 'src'));
  for (const file of ['package-lock.json', 'next.config.ts', 'postcss.config.mjs', 'tsconfig.json'])
    hash.update(readFileSync(join(ROOT, file)));
  return hash.digest('hex');
}
