import { backUp, backupName } from './backup.mjs';
import { accessSync, constants, existsSync, mkdirSync, readFileSync, rmSync, statfsSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { ensureBuild } from './build.mjs';
import { ROOT, ensurePackages } from './ensure-packages.mjs';
import { KeepUp } from './keep-up.mjs';
import { takeFolder } from './lock.mjs';
import { startPostgres } from './postgres.mjs';
import { freePort, isFree } from './ports.mjs';
import { end, setUpData, startJobs, startWeb, untilAnswers } from './processes.mjs';
import { giveUp, say } from './say.mjs';
import { secretsIn } from './secrets.mjs';

const DATA = process.env.SPINE_DATA ?? join(ROOT, '.data');
/** Room a start needs: for the database's own journal before anything else. */
const LEAST_FREE_BYTES = 300_000_000;

let postgres = null;
let lock = null;
const kept = [];
let stopping = false;

async function stop(code) {
  if (stopping) return;
  stopping = true;
  await Promise.all(kept.map((each) => each.stop(end)));
  await postgres?.stop();
  rmSync(join(DATA, 'address'), { force: true });
  lock?.release();
  process.exit(code);
}

process.on('SIGTERM', () => void stop(0));
process.on('SIGINT', () => {
  process.stderr.write('\n');
  say('Stopping …');
  void stop(0);
});

/** The port asked for; refused in words if it is none. */
function wantedPort() {
  const text = process.env.PORT ?? '3000';
  const port = Number(text);
  if (!/^\d+$/.test(text) || port < 1 || port > 65535)
    throw new Error(`PORT is ${text}. A port is a whole number from 1 to 65535; leave PORT out for 3000`);
  return port;
}

/** The folder itself, or the nearest above it that is there. */
const nearestFolder = (folder) => (existsSync(folder) ? folder : nearestFolder(dirname(folder)));

/** The data folder, made if it is not there, writable and with room. */
function dataFolder() {
  try {
    accessSync(nearestFolder(DATA), constants.W_OK | constants.X_OK);
    mkdirSync(DATA, { recursive: true });
    accessSync(DATA, constants.W_OK | constants.X_OK);
    writeFileSync(join(DATA, 'written'), '');
    rmSync(join(DATA, 'written'));
  } catch (error) {
    if (error.code === 'ENOSPC') throw new Error(`The disk of ${DATA} is full. Make room and start again`);
    throw new Error(
      `The data folder ${DATA} cannot be written (${error.code}). Give this account the right to, or choose another folder with SPINE_DATA`,
    );
  }
  const { bavail, bsize } = statfsSync(DATA);
  if (bavail * bsize < LEAST_FREE_BYTES)
    throw new Error(
      `The disk of ${DATA} has ${Math.floor((bavail * bsize) / 1e6)} MB left; ${LEAST_FREE_BYTES / 1e6} are needed. Make room and start again`,
    );
}

/** Takes the data folder; where another start has it, says where that one serves and ends. */
async function ownFolder() {
  lock = await takeFolder(DATA);
  if (lock) return;
  say('Zenith Spine is started on this data already.');
  const file = join(DATA, 'address');
  for (let i = 0; i < 3000; i += 1) {
    if (existsSync(file)) {
      process.stdout.write(`\n  It is ready: ${readFileSync(file, 'utf8')}\n\n`);
      process.exit(0);
    }
    if (i === 10) say('It is still setting up; waiting for it …');
    await new Promise((resolve) => setTimeout(resolve, 200));
    // The other may give up: then this one takes its place.
    lock = i % 10 === 9 ? await takeFolder(DATA) : null;
    if (lock) return;
  }
  throw new Error('The other start does not get ready. End it and start again');
}

/** Where the database has to change for this version, what there is is backed up first; answers whether it has to. */
async function backUpBeforeUpgrade({ adminUrl, env }) {
  const { default: pg } = await import('pg');
  const journal = JSON.parse(readFileSync(join(ROOT, 'src/server/migrations/meta/_journal.json'), 'utf8'));
  const client = new pg.Client({ connectionString: adminUrl });
  await client.connect();
  let done = 0;
  try {
    const { rows } = await client.query(`select to_regclass('drizzle.__drizzle_migrations') is not null as known`);
    if (rows[0].known)
      done = Number((await client.query('select count(*) as n from drizzle.__drizzle_migrations')).rows[0].n);
  } finally {
    await client.end();
  }
  if (done >= journal.entries.length) return false;
  if (done === 0) return true;
  const folder = backupName('before-upgrade');
  say(`This version changes the database. Backing it up first, to ${folder} …`);
  await backUp({ adminUrl, env }, folder);
  return true;
}

/** A process's words go into its log; a process that is begun again goes on in the same file. */
async function logged(name, begin) {
  const { logFile } = await import('./log-file.mjs');
  const file = logFile(join(DATA, 'logs'), name);
  return () => {
    const child = begin('pipe');
    child.stderr.pipe(file, { end: false });
    return child;
  };
}

/** Watches the database: begun here it is a child, taken over it is asked. */
function keepDatabase() {
  let busy = false;
  let falls = 0;
  const again = async () => {
    if (stopping || busy) return;
    busy = true;
    say('The database ended by itself. Starting it again …');
    while (!stopping) {
      try {
        await postgres.again();
        say('The database runs again.');
        break;
      } catch (error) {
        falls += 1;
        const pauseMs = Math.min(30_000, 500 * 2 ** falls);
        say(`${error.message}. Trying again in ${pauseMs / 1000} s …`);
        await new Promise((resolve) => setTimeout(resolve, pauseMs));
      }
    }
    falls = 0;
    busy = false;
  };
  postgres.onEnd(() => void again());
  if (!postgres.takenOver) return;
  setInterval(() => void (busy || postgres.answers().then((does) => does || again())), 2000).unref();
}

async function main() {
  say('Zenith Spine');
  const wanted = wantedPort();
  dataFolder();
  await ownFolder();
  rmSync(join(DATA, 'address'), { force: true });
  ensurePackages();
  const secrets = secretsIn(DATA);
  postgres = await startPostgres(DATA, secrets);
  keepDatabase();
  const listen = process.env.LISTEN_ADDRESS ?? '127.0.0.1';
  let port = wanted;
  if (!(await isFree(port, listen))) {
    port = await freePort(wanted + 1, listen);
    say(`Port ${wanted} is taken by another program; using ${port} instead.`);
  }
  const address = process.env.APP_URL ?? `http://127.0.0.1:${port}`;
  const env = {
    AUTH_SECRET: secrets.AUTH_SECRET,
    DEMO_PASSWORD: secrets.DEMO_PASSWORD,
    ...postgres.env,
    APP_URL: address,
    SPINE_DATA: DATA,
    LISTEN_ADDRESS: listen,
    LOG_LEVEL: process.env.LOG_LEVEL ?? 'info',
    DEMO_MODE: process.env.DEMO_MODE ?? '1',
  };
  await ensureBuild();
  const mustChange = await backUpBeforeUpgrade(postgres);
  const setUp = () => setUpData({ ...env, LOG_LEVEL: 'warn' });
  if (mustChange) await setUp();
  const jobs = new KeepUp('The process for long work', await logged('jobs', (to) => startJobs(env, to)), say);
  const webEnv = { ...env, OWNER_DATABASE_URL: '' };
  const web = new KeepUp('The web server', await logged('web', (to) => startWeb(port, webEnv, to)), say);
  kept.push(jobs, web);
  // People wait for the pages; all else begins behind them.
  await web.start();
  await untilAnswers(`http://${listen === '0.0.0.0' ? '127.0.0.1' : listen}:${port}/api/health`, web.child);
  await jobs.start();
  writeFileSync(join(DATA, 'address'), address);
  process.stdout.write(`\n  Zenith Spine is ready: ${address}\n  Stop it with Ctrl-C.\n\n`);
  // A database that has its shape is served before it is looked whether the demo is there.
  if (!mustChange) setUp().catch((error) => say(error.message));
}

main().catch((error) => {
  if (stopping) return;
  process.stderr.write(`\n  ${error.message}\n\n`);
  void stop(1).catch(() => giveUp('It could not be stopped cleanly.'));
});
