import { spawn, type ChildProcess } from 'node:child_process';
import { createWriteStream, mkdirSync, readFileSync, readdirSync, type WriteStream } from 'node:fs';
import { join } from 'node:path';
import pg from 'pg';
import { urlOf } from '../scripts/roles.mjs';
import { secretsIn } from '../scripts/secrets.mjs';

/** The parts of a running installation that can be killed. */
export type Part = 'web' | 'jobs' | 'database' | 'supervisor';

interface Running {
  pid: number;
  parent: number;
  args: string[];
}

/** Every process of this machine that can be read. */
function processes(): Running[] {
  return readdirSync('/proc')
    .filter((name) => /^\d+$/.test(name))
    .flatMap((name) => {
      try {
        const args = readFileSync(`/proc/${name}/cmdline`, 'utf8').split('\0').filter(Boolean);
        const stat = readFileSync(`/proc/${name}/stat`, 'utf8');
        // The name in brackets may hold spaces.
        const parent = Number(stat.slice(stat.lastIndexOf(')') + 2).split(' ')[1]);
        return [{ pid: Number(name), parent, args }];
      } catch {
        return [];
      }
    });
}

const until = async <T>(what: string, longestMs: number, look: () => Promise<T | null> | T | null): Promise<T> => {
  const begun = performance.now();
  for (;;) {
    const found = await look();
    if (found !== null) return found;
    if (performance.now() - begun > longestMs) throw new Error(`${what} did not come within ${longestMs / 1000} s`);
    await new Promise((done) => setTimeout(done, 25));
  }
};

/** Zenith Spine as `npm start` starts it, on a data folder of its own, with its processes known one by one. */
export class Installation {
  private supervisor: ChildProcess | null = null;
  private readonly said: WriteStream;
  private databaseFolder: string | null = null;

  constructor(
    readonly data: string,
    readonly port: number,
    private readonly env: Record<string, string> = {},
  ) {
    mkdirSync(data, { recursive: true });
    this.said = createWriteStream(join(data, 'said.log'), { flags: 'a' });
  }

  get address(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  /** Starts it and waits until it can be used; answers how long that took, in milliseconds. */
  async start(): Promise<number> {
    const begun = performance.now();
    const supervisor = spawn(process.execPath, ['scripts/start.mjs'], {
      env: {
        ...process.env,
        SPINE_DATA: this.data,
        PORT: String(this.port),
        AUTH_RATE_LIMIT: '0',
        LOG_LEVEL: 'warn',
        ...this.env,
      },
      stdio: ['ignore', 'pipe', 'pipe'],
      detached: true,
    });
    supervisor.stdout.pipe(this.said, { end: false });
    supervisor.stderr.pipe(this.said, { end: false });
    this.supervisor = supervisor;
    await until('The start', 300_000, async () => {
      if (supervisor.exitCode !== null || supervisor.signalCode !== null)
        throw new Error(`The start ended by itself. What it said is in ${join(this.data, 'said.log')}`);
      return (await this.isReady()) ? true : null;
    });
    return performance.now() - begun;
  }

  /** Whether database, jobs and web server do their work, as they say themselves. */
  async isReady(): Promise<boolean> {
    try {
      const response = await fetch(`${this.address}/api/ready`, { signal: AbortSignal.timeout(2000) });
      return response.status === 200;
    } catch {
      return false;
    }
  }

  /** The process of a part; null while there is none. */
  pidOf(part: Part): number | null {
    if (part === 'supervisor') return this.supervisor?.pid ?? null;
    const all = processes();
    if (part === 'database') return this.databaseProcess(all)?.pid ?? null;
    const file = `/programs/${part}.mjs`;
    // The last of a chain of loaders is the process itself.
    return (
      all.find(({ parent, args }) => parent === this.supervisor?.pid && args.some((arg) => arg.endsWith(file)))?.pid ??
      null
    );
  }

  private databaseProcess(all: Running[]): Running | undefined {
    const isServer = ({ args }: Running) => args[0]?.endsWith('/postgres') === true && args.includes('-D');
    if (!this.databaseFolder) {
      const below = new Set([this.supervisor!.pid!]);
      for (let grown = true; grown;) {
        const more = all.filter(({ pid, parent }) => below.has(parent) && !below.has(pid));
        more.forEach(({ pid }) => below.add(pid));
        grown = more.length > 0;
      }
      const server = all.find((each) => below.has(each.pid) && isServer(each));
      this.databaseFolder = server ? server.args[server.args.indexOf('-D') + 1]! : null;
      return server;
    }
    return all.find((each) => isServer(each) && each.args.includes(this.databaseFolder!));
  }

  /**
   * Kills a part without a word and waits until everything works again; answers how long that took, in milliseconds. A
   * supervisor is started again, as whoever runs the machine would.
   */
  async kill(part: Part): Promise<number> {
    const pid = await until(`The ${part}’s process`, 60_000, () => this.pidOf(part));
    const begun = performance.now();
    process.kill(pid, 'SIGKILL');
    if (part === 'supervisor') {
      // What was started on its behalf ends by itself.
      await until('The end of what it kept', 10_000, () =>
        processes().some(({ parent, args }) => parent === pid && args.some((arg) => arg.includes('/programs/')))
          ? null
          : true,
      );
      return this.start();
    }
    await until(`Another ${part} process`, 60_000, () => {
      const now = this.pidOf(part);
      return now !== null && now !== pid ? now : null;
    });
    await until('Readiness', 60_000, async () => ((await this.isReady()) ? true : null));
    return performance.now() - begun;
  }

  /** Stops and lets go on a part: it hangs meanwhile. */
  async hang(part: Part, ms: number): Promise<void> {
    const pid = this.pidOf(part)!;
    process.kill(pid, 'SIGSTOP');
    try {
      await new Promise((done) => setTimeout(done, ms));
    } finally {
      process.kill(pid, 'SIGCONT');
    }
  }

  /** Its database's address, as its administrator. */
  async adminUrl(): Promise<string> {
    const server = await until('The database', 60_000, () => this.databaseProcess(processes()) ?? null);
    const port = Number(server.args.find((arg) => arg.startsWith('port='))!.slice(5));
    const password = (secretsIn(this.data) as Record<string, string>).DB_ADMIN_PASSWORD!;
    return urlOf('spine', password, port, 'spine') as string;
  }

  /** A query on its database, as its administrator. */
  async query<T extends object>(text: string, values: unknown[] = []): Promise<T[]> {
    const client = new pg.Client({ connectionString: await this.adminUrl() });
    client.on('error', () => undefined);
    await client.connect();
    try {
      return (await client.query(text, values)).rows as T[];
    } finally {
      await client.end();
    }
  }

  async stop(): Promise<void> {
    const { supervisor } = this;
    if (supervisor && supervisor.exitCode === null && supervisor.signalCode === null) {
      const ended = new Promise((done) => supervisor.once('exit', done));
      supervisor.kill('SIGTERM');
      await ended;
    }
    // A server that was taken over belongs to no start any more.
    const left = this.databaseFolder ? this.databaseProcess(processes()) : undefined;
    if (left) process.kill(left.pid, 'SIGINT');
    this.said.end();
  }
}
