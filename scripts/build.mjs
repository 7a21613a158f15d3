import { spawnSync } from 'node:child_process';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { bundle } from './bundle.mjs';
import { ROOT } from './ensure-packages.mjs';
import { fingerprintOf } from './fingerprint.mjs';
import { giveUp, say } from './say.mjs';

const MARK = join(ROOT, '.next/built-from');
const PROGRAMS_FOLDER = join(ROOT, '.next/programs');
/** Programs that run beside the pages, by name. Built into one file each they start in a third of the time. */
const PROGRAMS = {
  web: 'src/server/web/main.ts',
  jobs: 'src/server/jobs/main.ts',
  seed: 'src/demo/seed.ts',
  work: 'src/formats/sandbox/work-child.ts',
};
const MADE_WITH = [
  'package-lock.json',
  'scripts/build.mjs',
  'scripts/bundle.mjs',
  'next.config.ts',
  'postcss.config.mjs',
  'tsconfig.json',
  'tsconfig.build.json',
];
let isBuilt = false;

/** How a program is run: built, once it is; from its source before. */
export const programArgs = (name) =>
  isBuilt ? [join(PROGRAMS_FOLDER, `${name}.mjs`)] : ['--import', 'tsx', join(ROOT, PROGRAMS[name])];

/** What processes of the built program must know to run more of it. */
export const programsEnv = () => (isBuilt ? { SPINE_PROGRAMS: PROGRAMS_FOLDER } : {});

/** Builds the pages, and the programs beside them, if what it is made of has changed since the last build. */
export async function ensureBuild() {
  const print = fingerprintOf(['src'], MADE_WITH);
  const isFresh = existsSync(MARK) && readFileSync(MARK, 'utf8') === print;
  if (!isFresh) await build(print);
  isBuilt = true;
}

/** A build that an ended start left behind holds the folder until it is done. */
const OTHER_BUILD = 'Another next build process is already running';
const TRIES = 60;
const BETWEEN_MS = 5000;

function buildPages() {
  return spawnSync(process.execPath, [join(ROOT, 'node_modules/next/dist/bin/next'), 'build'], {
    cwd: ROOT,
    encoding: 'utf8',
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1', NODE_ENV: 'production' },
  });
}

async function build(print) {
  say('Building the program (about a minute) …');
  let built = buildPages();
  for (let tries = 1; tries < TRIES && `${built.stdout}${built.stderr}`.includes(OTHER_BUILD); tries += 1) {
    if (tries === 1) say('Another build of this folder is still running. Waiting for it …');
    await new Promise((done) => setTimeout(done, BETWEEN_MS));
    built = buildPages();
  }
  if (built.status !== 0) giveUp(`The build failed:\n${built.stdout}\n${built.stderr}`);
  await bundle(PROGRAMS, PROGRAMS_FOLDER);
  writeFileSync(MARK, print);
}
