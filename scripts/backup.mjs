import { spawnSync } from 'node:child_process';
import { copyFileSync, existsSync, mkdirSync, readFileSync, renameSync, rmSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { ROOT, ensurePackages } from './ensure-packages.mjs';
import { binaries, startPostgres } from './postgres.mjs';
import { runScript } from './processes.mjs';
import { giveUp, say } from './say.mjs';
import { secretsIn } from './secrets.mjs';

export const DATA = process.env.SPINE_DATA ?? join(ROOT, '.data');

/** Runs a program of the database's to its end. */
export function runDatabaseProgram(program, args) {
  const ran = spawnSync(join(binaries(), program), args, { encoding: 'utf8', maxBuffer: 50_000_000 });
  if (ran.status !== 0) throw new Error(`${program} failed: ${(ran.stderr ?? '').trim().split('\n').at(-1)}`);
}

/**
 * Writes everything of an installation into a folder: the database, its secrets, and what every framework's fingerprint is, for
 * proving a restore. The folder gets its name when it is whole.
 */
export async function backUp(postgres, folder) {
  const making = `${folder}.part`;
  rmSync(making, { recursive: true, force: true });
  mkdirSync(making, { recursive: true, mode: 0o700 });
  await runScript('src/server/maintenance/fingerprints.ts', { ...postgres.env, ...secretsIn(DATA) }, undefined, [
    join(making, 'fingerprints.json'),
  ]);
  runDatabaseProgram('pg_dump', ['--format=custom', `--file=${join(making, 'database.dump')}`, postgres.adminUrl]);
  copyFileSync(join(DATA, 'secrets.json'), join(making, 'secrets.json'));
  renameSync(making, folder);
  return Object.keys(JSON.parse(readFileSync(join(folder, 'fingerprints.json'), 'utf8'))).length;
}

/** A name for a backup made now. */
export const backupName = (why) =>
  join(DATA, 'backups', `${why}-${new Date().toISOString().replace(/[:.]/g, '-').slice(0, 19)}`);

async function main() {
  ensurePackages();
  if (!existsSync(join(DATA, 'secrets.json'))) throw new Error(`There is nothing to back up in ${DATA}`);
  const folder = resolve(process.argv[2] ?? backupName('backup'));
  if (existsSync(folder)) throw new Error(`${folder} is there already. Choose another name`);
  const postgres = await startPostgres(DATA, secretsIn(DATA));
  try {
    const count = await backUp(postgres, folder);
    say(`Backed up ${count} ${count === 1 ? 'project' : 'projects'} to ${folder}`);
  } finally {
    if (!postgres.takenOver) await postgres.stop();
  }
}

if (process.argv[1] === fileURLToPath(import.meta.url))
  main().then(
    () => process.exit(0),
    (error) => giveUp(error.message),
  );
