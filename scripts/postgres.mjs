import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import {
  chownSync,
  existsSync,
  mkdirSync,
  readFileSync,
  readdirSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { join, resolve } from 'node:path';
import { answers, installDebian } from './install-debian.mjs';
import { freePort } from './ports.mjs';
import { say } from './say.mjs';
import { setUpRoles, urlOf } from './roles.mjs';

const VERSIONS = '/usr/lib/postgresql';
const ADMIN = 'spine';

/** Folder with the newest installed server's programs; installs Debian's package when there is none. */
export function binaries() {
  const find = () => {
    const versions = existsSync(VERSIONS)
      ? readdirSync(VERSIONS).filter((v) => existsSync(join(VERSIONS, v, 'bin/postgres')))
      : [];
    const newest = versions.sort((a, b) => Number(b) - Number(a))[0];
    return newest && join(VERSIONS, newest, 'bin');
  };
  if (!find()) {
    // Debian's package would start a server of its own; ours is the only one wanted.
    if (process.getuid?.() === 0) {
      mkdirSync('/etc/postgresql-common', { recursive: true });
      const file = '/etc/postgresql-common/createcluster.conf';
      if (!existsSync(file)) writeFileSync(file, 'create_main_cluster = false\n');
    }
    installDebian(['postgresql'], 'the PostgreSQL server');
  }
  const found = find();
  if (!found) throw new Error('The PostgreSQL server was installed but its programs are not where Debian puts them');
  return found;
}

/** PostgreSQL refuses to run as root: there it runs as Debian's postgres account. */
function account() {
  if (process.getuid?.() !== 0) return null;
  if (!answers('id', ['postgres']))
    throw new Error('There is no postgres account. Install Debian’s postgresql package');
  const id = (flag) => Number(spawnSync('id', [flag, 'postgres'], { encoding: 'utf8' }).stdout);
  return { uid: id('-u'), gid: id('-g') };
}

const as = (who, command, args) =>
  who ? ['setpriv', [`--reuid=${who.uid}`, `--regid=${who.gid}`, '--init-groups', command, ...args]] : [command, args];

const lastLine = (text) => (text ?? '').trim().split('\n').at(-1);

/** Runs a program of the server's to its end; its last line is what is wrong where it fails. */
function runAs(who, what, command, args, input) {
  const ran = spawnSync(...as(who, command, args), { encoding: 'utf8', input, cwd: '/' });
  if (ran.status !== 0) throw new Error(`${what}: ${lastLine(ran.stderr || ran.stdout) ?? 'it gave no reason'}`);
  return ran.stdout;
}

/**
 * Where the server's files are. The account must be able to reach them; a home folder often keeps others out. Then they are
 * with Debian's, under a name that no other installation's folder has.
 */
function homeOf(folder, who) {
  if (!who) return folder;
  if (spawnSync(...as(who, 'test', ['-x', join(folder, '..', '..')])).status === 0) return folder;
  const own = createHash('sha256').update(resolve(folder)).digest('hex').slice(0, 24);
  const home = join('/var/lib/postgresql', `zenith-spine-${own}`);
  // As it was named before, by the end of its path; taken over by the first that says it is its own.
  const before = join('/var/lib/postgresql', `zenith-spine-${Buffer.from(folder).toString('hex').slice(-24)}`);
  if (!existsSync(home) && existsSync(before)) renameSync(before, home);
  return home;
}

/** Makes the database's files, all of them or none: only what is whole gets its name. */
function initialise(bin, who, data, password) {
  say('Setting up the database …');
  const made = `${data}.new`;
  rmSync(made, { recursive: true, force: true });
  const passwordFile = `${data}.password`;
  writeFileSync(passwordFile, password, { mode: 0o600 });
  if (who) chownSync(passwordFile, who.uid, who.gid);
  try {
    const args = ['-D', made, '-U', ADMIN, '-A', 'scram-sha-256', `--pwfile=${passwordFile}`, '--data-checksums'];
    runAs(who, 'The database could not be set up', join(bin, 'initdb'), [
      ...args,
      '-E',
      'UTF8',
      '--locale=C.UTF-8',
      '--no-sync',
    ]);
  } finally {
    rmSync(passwordFile, { force: true });
  }
  renameSync(made, data);
}

/** A database of an earlier version let in anybody on this machine: it gets passwords, and checksums. */
function secure(bin, who, data, password) {
  const file = join(data, 'pg_hba.conf');
  const rules = readFileSync(file, 'utf8');
  if (!/^(?!#).*\btrust\s*$/m.test(rules)) return;
  say('Giving the database passwords and checksums …');
  const sql = `alter role ${ADMIN} password '${password.replaceAll("'", "''")}';\n`;
  runAs(
    who,
    'The database could not be given a password',
    join(bin, 'postgres'),
    ['--single', '-D', data, 'template1'],
    sql,
  );
  writeFileSync(file, rules.replace(/^((?!#).*)\btrust\s*$/gm, '$1scram-sha-256'));
  runAs(who, 'The database could not be given checksums', join(bin, 'pg_checksums'), ['--enable', '-D', data]);
}

/** What no other database has: a number made with its files. */
const identifierOf = (bin, who, data) =>
  /system identifier:\s+(\d+)/i.exec(
    runAs(who, 'The database’s files cannot be read', join(bin, 'pg_controldata'), ['-D', data]),
  )?.[1];

/** The server that runs on these very files, whoever began it: it says so itself. Null if none does. */
async function running(bin, who, data, password) {
  const pidFile = join(data, 'postmaster.pid');
  if (!existsSync(pidFile)) return null;
  const port = Number(readFileSync(pidFile, 'utf8').split('\n')[3]);
  if (!Number.isInteger(port) || port <= 0) return null;
  const said = await askServer(port, password);
  if (!said) return null;
  const isOurs = said.folder === data && said.identifier === identifierOf(bin, who, data);
  return isOurs ? port : null;
}

async function askServer(port, password) {
  const { default: pg } = await import('pg');
  const client = new pg.Client({
    connectionString: urlOf(ADMIN, password, port, 'postgres'),
    connectionTimeoutMillis: 3000,
  });
  client.on('error', () => undefined);
  try {
    await client.connect();
    const { rows } = await client.query(
      `select current_setting('data_directory') as folder, system_identifier::text as identifier from pg_control_system()`,
    );
    return rows[0];
  } catch {
    return null;
  } finally {
    await client.end().catch(() => undefined);
  }
}

/** How the server is to run: on loopback only, and with a log that is kept, rotated, and holds no values. */
const options = (data, port, logs) =>
  Object.entries({
    listen_addresses: '127.0.0.1',
    port: String(port),
    unix_socket_directories: '',
    max_connections: '120',
    logging_collector: 'on',
    log_directory: logs,
    log_filename: 'postgres-%a.log',
    log_truncate_on_rotation: 'on',
    log_rotation_age: '1d',
    log_rotation_size: '20MB',
    log_min_messages: 'warning',
    log_min_error_statement: 'panic',
    log_error_verbosity: 'terse',
    log_parameter_max_length: '0',
    log_parameter_max_length_on_error: '0',
  }).reduce((args, [name, value]) => [...args, '-c', `${name}=${value}`], ['-D', data]);

/**
 * Starts a database server of our own on a free loopback port, with its data in `folder`, or takes over the one that runs on
 * it. Answers its addresses by role, how to tell that it ended, and how to stop it.
 */
export async function startPostgres(folder, secrets, { port: wantedPort = 54320 } = {}) {
  const bin = binaries();
  const who = account();
  const home = homeOf(resolve(folder), who);
  const data = join(home, 'pg');
  const logs = join(home, 'pg-log');
  mkdirSync(logs, { recursive: true });
  if (who) for (const each of [home, logs]) chownSync(each, who.uid, who.gid);
  if (!existsSync(join(data, 'PG_VERSION'))) initialise(bin, who, data, secrets.DB_ADMIN_PASSWORD);
  else secure(bin, who, data, secrets.DB_ADMIN_PASSWORD);
  const found = await running(bin, who, data, secrets.DB_ADMIN_PASSWORD);
  const port = found ?? (await freePort(wantedPort));
  let server = found === null ? await begin(bin, who, home, data, logs, port, secrets) : null;
  const onEnd = [];
  const watch = () => server?.process.once('exit', () => onEnd.forEach((call) => call()));
  watch();
  await setUpRoles(urlOf(ADMIN, secrets.DB_ADMIN_PASSWORD, port, 'postgres'), secrets);
  return {
    port,
    env: {
      DATABASE_URL: urlOf('spine_app', secrets.DB_APP_PASSWORD, port, 'spine'),
      OWNER_DATABASE_URL: urlOf('spine_owner', secrets.DB_OWNER_PASSWORD, port, 'spine'),
    },
    readerUrl: urlOf('spine_reader', secrets.DB_READER_PASSWORD, port, 'spine'),
    adminUrl: urlOf(ADMIN, secrets.DB_ADMIN_PASSWORD, port, 'spine'),
    takenOver: found !== null,
    pid: () => Number(readFileSync(join(data, 'postmaster.pid'), 'utf8').split('\n')[0]),
    answers: async () => (await askServer(port, secrets.DB_ADMIN_PASSWORD)) !== null,
    onEnd: (call) => onEnd.push(call),
    /** Begins it again on the same port, after it ended by itself. */
    again: async () => {
      server = await begin(bin, who, home, data, logs, port, secrets);
      watch();
    },
    stop: async () => {
      onEnd.length = 0;
      spawnSync(...as(who, join(bin, 'pg_ctl'), ['stop', '-D', data, '-m', 'fast', '-t', '20', '-s']), { cwd: '/' });
    },
  };
}

/**
 * Begins the server under a lock on a file beside its data, which it and all its processes hold: no second one begins on the
 * same files, from wherever it is started. The server itself finds out whether its own mark of an earlier run is stale.
 */
async function begin(bin, who, home, data, logs, port, secrets) {
  const lock = join(home, 'pg-lock');
  if (!existsSync(lock)) writeFileSync(lock, '');
  if (who) chownSync(lock, who.uid, who.gid);
  const command = ['--nonblock', '--conflict-exit-code', '99', '--no-fork', lock, join(bin, 'postgres')];
  const child = spawn(...as(who, 'flock', [...command, ...options(data, port, logs)]), {
    stdio: ['ignore', 'ignore', 'pipe'],
    detached: true,
    cwd: '/',
  });
  let complaint = '';
  child.stderr.on('data', (text) => (complaint = `${complaint}${text}`.slice(-2000)));
  let ended = null;
  child.once('exit', (code) => (ended = code ?? 1));
  for (let i = 0; !(await askServer(port, secrets.DB_ADMIN_PASSWORD)); i += 1) {
    if (ended === 99) throw new Error(`Another database server uses the files in ${data}. End it first`);
    if (ended !== null) throw new Error(`The database server did not start: ${reason(complaint, logs)}`);
    if (i > 600) throw new Error(`The database server does not answer on port ${port}. Its log is in ${logs}`);
    await new Promise((done) => setTimeout(done, 100));
  }
  child.unref();
  child.stderr.unref?.();
  return { process: child };
}

/** The last thing the server said, of what it wrote itself or into its log. */
function reason(complaint, logs) {
  const ours = complaint.split('\n').filter((line) => /FATAL|PANIC|ERROR/.test(line) && !/HINT/.test(line));
  if (ours.length > 0) return ours.at(-1).replace(/^.*?(FATAL|PANIC|ERROR):\s*/, '');
  return `see its log in ${logs}`;
}
