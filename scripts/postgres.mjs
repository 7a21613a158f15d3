import { spawn, spawnSync } from 'node:child_process';
import { chownSync, existsSync, mkdirSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { connect } from 'node:net';
import { join } from 'node:path';
import { answers, installDebian } from './install-debian.mjs';
import { freePort } from './ports.mjs';
import { giveUp, say } from './say.mjs';

const VERSIONS = '/usr/lib/postgresql';

/** Folder with the newest installed server's programs; installs Debian's package when there is none. */
function binaries() {
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
  return find() ?? giveUp('The PostgreSQL server was installed but its programs are not where Debian puts them');
}

/** PostgreSQL refuses to run as root: there it runs as Debian's postgres account. */
function account() {
  if (process.getuid?.() !== 0) return null;
  if (!answers('id', ['postgres'])) return giveUp('There is no postgres account. Install Debian’s postgresql package');
  const id = (flag) => Number(spawnSync('id', [flag, 'postgres'], { encoding: 'utf8' }).stdout);
  return { uid: id('-u'), gid: id('-g') };
}

const as = (who, command, args) =>
  who ? ['setpriv', [`--reuid=${who.uid}`, `--regid=${who.gid}`, '--init-groups', command, ...args]] : [command, args];

const accepts = (port) =>
  new Promise((resolve) => {
    const socket = connect({ port, host: '127.0.0.1' }, () => {
      socket.destroy();
      resolve(true);
    });
    socket.once('error', () => resolve(false));
  });

/** The account must be able to reach the data folder; a home folder often keeps others out. */
function dataFolder(folder, who) {
  if (!who) return folder;
  const reaches = spawnSync(...as(who, 'test', ['-x', join(folder, '..', '..')])).status === 0;
  return reaches
    ? folder
    : join('/var/lib/postgresql', `zenith-spine-${Buffer.from(folder).toString('hex').slice(-24)}`);
}

/**
 * Starts a database server of our own on a free loopback port, with its data in `folder`, and answers its address
 * and how to stop it. Nothing listens but loopback, and each data folder has one server at a time.
 */
export async function startPostgres(folder, { port: wantedPort = 54320 } = {}) {
  const bin = binaries();
  const who = account();
  const data = join(dataFolder(folder, who), 'pg');
  mkdirSync(join(data, '..'), { recursive: true });
  if (who) chownSync(join(data, '..'), who.uid, who.gid);
  if (!existsSync(join(data, 'PG_VERSION'))) {
    say('Setting up the database …');
    rmSync(data, { recursive: true, force: true });
    const made = spawnSync(
      ...as(who, join(bin, 'initdb'), [
        '-D',
        data,
        '-U',
        'spine',
        '-A',
        'trust',
        '-E',
        'UTF8',
        '--locale=C.UTF-8',
        '--no-sync',
      ]),
      {
        encoding: 'utf8',
      },
    );
    if (made.status !== 0)
      giveUp(`The database could not be set up: ${(made.stderr || made.stdout || '').trim().split('\n').at(-1)}`);
  }
  const portFile = join(folder, 'pg-port');
  mkdirSync(folder, { recursive: true });
  const pidFile = join(data, 'postmaster.pid');
  if (existsSync(pidFile)) {
    const [pid, , , port] = readFileSync(pidFile, 'utf8').split('\n');
    if (isAlive(Number(pid)) && (await accepts(Number(port)))) {
      return {
        url: `postgres://spine@127.0.0.1:${port}/spine`,
        port: Number(port),
        shared: true,
        stop: async () => {},
      };
    }
    rmSync(pidFile, { force: true });
  }
  const port = await freePort(wantedPort);
  writeFileSync(portFile, String(port));
  const options = [
    '-D',
    data,
    '-p',
    String(port),
    '-h',
    '127.0.0.1',
    '-k',
    '',
    '-c',
    'logging_collector=off',
    '-c',
    'log_min_messages=fatal',
    '-c',
    'max_connections=120',
  ];
  const server = spawn(...as(who, join(bin, 'postgres'), options), {
    stdio: ['ignore', 'ignore', 'pipe'],
    detached: true,
  });
  let complaint = '';
  server.stderr.on('data', (text) => (complaint = `${complaint}${text}`.slice(-2000)));
  let ended = false;
  server.once('exit', () => (ended = true));
  for (let i = 0; !(await accepts(port)); i += 1) {
    if (ended || i > 300) giveUp(`The database server did not start: ${complaint.trim().split('\n').at(-1)}`);
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  const stop = () =>
    new Promise((resolve) => {
      if (ended) return resolve();
      server.once('exit', resolve);
      server.kill('SIGINT');
      setTimeout(() => server.kill('SIGQUIT'), 8000).unref();
    });
  await createDatabase(bin, who, port);
  return { url: `postgres://spine@127.0.0.1:${port}/spine`, port, shared: false, stop };
}

/** Alive and not a zombie. */
function isAlive(pid) {
  try {
    return !/^State:\s+Z/m.test(readFileSync(`/proc/${pid}/status`, 'utf8'));
  } catch {
    return false;
  }
}

async function createDatabase(bin, who, port) {
  for (let i = 0; i < 50; i += 1) {
    const made = spawnSync(
      ...as(who, join(bin, 'createdb'), ['-h', '127.0.0.1', '-p', String(port), '-U', 'spine', 'spine']),
      { encoding: 'utf8' },
    );
    if (made.status === 0 || /already exists/.test(made.stderr)) return;
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
  giveUp('The database could not be created in the database server');
}
