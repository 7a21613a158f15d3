import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { DATA, runDatabaseProgram } from './backup.mjs';
import { ensurePackages } from './ensure-packages.mjs';
import { takeFolder } from './lock.mjs';
import { startPostgres } from './postgres.mjs';
import { runScript } from './processes.mjs';
import { setUpRoles } from './roles.mjs';
import { giveUp, say } from './say.mjs';
import { secretsIn } from './secrets.mjs';

/** Puts an empty database in the place of the one there is, which is kept under another name. */
async function emptyDatabase(adminUrl) {
  const { default: pg } = await import('pg');
  const url = new URL(adminUrl);
  url.pathname = '/postgres';
  const client = new pg.Client({ connectionString: url.toString() });
  await client.connect();
  try {
    const before = `spine_before_${new Date().toISOString().replace(/\D/g, '').slice(0, 14)}`;
    await client.query(`alter database spine rename to ${before}`);
    await client.query('create database spine owner spine_owner');
    return before;
  } finally {
    await client.end();
  }
}

async function main() {
  const [given] = process.argv.slice(2);
  if (!given) throw new Error('Say which backup: npm run restore -- FOLDER');
  const folder = resolve(given);
  for (const file of ['database.dump', 'secrets.json', 'fingerprints.json'])
    if (!existsSync(join(folder, file))) throw new Error(`${folder} is no backup: ${file} is missing`);
  ensurePackages();
  mkdirSync(DATA, { recursive: true });
  const lock = await takeFolder(DATA);
  if (!lock) throw new Error('Zenith Spine runs on this data. Stop it first');
  // Sessions and the demo's doors go on; the database's passwords are this installation's.
  const { AUTH_SECRET, DEMO_PASSWORD } = JSON.parse(readFileSync(join(folder, 'secrets.json'), 'utf8'));
  const file = join(DATA, 'secrets.json');
  const own = existsSync(file) ? secretsIn(DATA) : {};
  writeFileSync(file, JSON.stringify({ ...own, AUTH_SECRET, DEMO_PASSWORD }), { mode: 0o600 });
  const secrets = secretsIn(DATA);
  const postgres = await startPostgres(DATA, secrets);
  try {
    const before = await emptyDatabase(postgres.adminUrl);
    runDatabaseProgram('pg_restore', ['--exit-on-error', '--dbname', postgres.adminUrl, join(folder, 'database.dump')]);
    const admin = new URL(postgres.adminUrl);
    admin.pathname = '/postgres';
    await setUpRoles(admin.toString(), secrets);
    await runScript('src/demo/seed.ts', { ...postgres.env, ...secrets, DEMO_MODE: '0' });
    await runScript('src/server/maintenance/fingerprints.ts', { ...postgres.env, ...secrets }, undefined, [
      '--compare',
      join(folder, 'fingerprints.json'),
    ]);
    say(`Restored from ${folder}. What was there before is kept as the database ${before}`);
  } finally {
    await postgres.stop();
    lock.release();
  }
}

main().then(
  () => process.exit(0),
  (error) => giveUp(error.message),
);
