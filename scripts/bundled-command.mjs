import { existsSync, mkdirSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { bundle } from './bundle.mjs';
import { ROOT } from './ensure-packages.mjs';
import { fingerprintOf } from './fingerprint.mjs';

const CACHE = join(ROOT, 'node_modules/.cache/spine');
const MADE_OF = ['src/core', 'src/formats', 'src/cli', 'src/demo'];
const MADE_WITH = ['package-lock.json', 'scripts/bundle.mjs'];
/** What was made longer ago is used by nobody any more. */
const FORGOTTEN_MS = 86_400_000;

/**
 * The folder with the headless command (`main.mjs`) and the process it reads foreign files in (`work.mjs`), bundled anew when
 * what they are made of has changed. Several processes may make it at once: one puts its own in place.
 */
export async function bundledCommand() {
  const folder = join(CACHE, fingerprintOf(MADE_OF, MADE_WITH).slice(0, 16));
  if (existsSync(folder)) return folder;
  mkdirSync(CACHE, { recursive: true });
  for (const name of readdirSync(CACHE)) {
    const old = join(CACHE, name);
    const at = statSync(old, { throwIfNoEntry: false })?.mtimeMs ?? Infinity;
    if (Date.now() - at > FORGOTTEN_MS) rmSync(old, { recursive: true, force: true });
  }
  const beside = `${folder}-${process.pid}`;
  await bundle({ main: 'src/cli/main.ts', work: 'src/formats/sandbox/work-child.ts' }, beside);
  try {
    renameSync(beside, folder);
  } catch {
    rmSync(beside, { recursive: true, force: true });
  }
  return folder;
}
