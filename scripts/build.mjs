import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './ensure-packages.mjs';
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
let isBuilt = false;

/** How a program is run: built, once it is; from its source before. */
export const programArgs = (name) =>
  isBuilt ? [join(PROGRAMS_FOLDER, `${name}.mjs`)] : ['--import', 'tsx', join(ROOT, PROGRAMS[name])];

/** What processes of the built program must know to run more of it. */
export const programsEnv = () => (isBuilt ? { SPINE_PROGRAMS: PROGRAMS_FOLDER } : {});

/** Builds the pages, and the programs beside them, if what it is made of has changed since the last build. */
export async function ensureBuild() {
  const print = fingerprint();
  const isFresh = existsSync(MARK) && readFileSync(MARK, 'utf8') === print;
  if (!isFresh) await build(print);
  isBuilt = true;
}

async function build(print) {
  say('Building the program (about a minute) …');
  const built = spawnSync(process.execPath, [join(ROOT, 'node_modules/next/dist/bin/next'), 'build'], {
    cwd: ROOT,
    encoding: 'utf8',
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1', NODE_ENV: 'production' },
  });
  if (built.status !== 0) giveUp(`The build failed:\n${built.stdout}\n${built.stderr}`);
  const { build: bundle } = await import('esbuild');
  await bundle({
    entryPoints: Object.fromEntries(Object.entries(PROGRAMS).map(([name, file]) => [name, join(ROOT, file)])),
    outdir: PROGRAMS_FOLDER,
    outExtension: { '.js': '.mjs' },
    absWorkingDir: ROOT,
    bundle: true,
    splitting: true,
    platform: 'node',
    target: 'node20',
    format: 'esm',
    external: externalPackages(),
    sourcemap: true,
    logLevel: 'warning',
  });
  writeFileSync(MARK, print);
}

/** Packages of many small files, which are read much faster as one. All others stay as they are installed. */
const TAKEN_IN = ['zod', 'drizzle-orm', 'better-auth', '@noble/hashes', 'uuid', 'clipper2-ts', 'earcut', 'flatbush'];

function externalPackages() {
  const { dependencies } = JSON.parse(readFileSync(join(ROOT, 'package.json'), 'utf8'));
  return Object.keys(dependencies).filter((name) => !TAKEN_IN.includes(name));
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
  for (const file of [
    'package-lock.json',
    'scripts/build.mjs',
    'next.config.ts',
    'postcss.config.mjs',
    'tsconfig.json',
  ])
    hash.update(readFileSync(join(ROOT, file)));
  return hash.digest('hex');
}
