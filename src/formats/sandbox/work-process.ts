import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Socket } from 'node:net';
import type { Readable } from 'node:stream';
import { refuse, type Refusal, type Result } from '@/core/model/result';
import { Incoming } from './bytes-across';
import type { JobInputs, JobName, TellPart } from './jobs';

/** What one job may take. */
export interface Limits {
  longestMs: number;
  /** Of everything the process holds, not only of the engine's own heap. */
  mostBytes: number;
}

export const LIMITS: Limits = { longestMs: 20_000, mostBytes: 1_200_000_000 };

/** An answer as bytes that can be passed on as they are. */
export interface Answer {
  json: Uint8Array;
  file?: Uint8Array;
}

/** The pipe answers come by. What is large never goes by messages: those hold up whoever writes or reads them. */
export const ANSWERS_FD = 4;

/** What a process is asked to do; the bytes come by its standard input. */
export interface Asked {
  job: JobName;
  input: never;
  byteCount: number;
}

/** What a process says: which part of its job has begun, or how it ended; the answer's bytes come by their pipe. */
export type Said = { part: string } | { jsonCount: number; fileCount: number | null } | { refusal: Refusal };

/** How often the memory of a process at work is looked at, beside the limit the system itself keeps. */
const WATCH_MS = 200;
/** Who runs here has no rights: Debian's account for that. */
const NOBODY = 65534;

/** Where it runs as root, a process of this kind gives up its rights, if the account without any reaches the program. */
const givesUpRights = (() => {
  let known: boolean | undefined;
  return (): boolean =>
    (known ??=
      process.getuid?.() === 0 &&
      spawnSync('setpriv', [`--reuid=${NOBODY}`, `--regid=${NOBODY}`, '--clear-groups', 'test', '-r', 'package.json'])
        .status === 0);
})();

/** What draws pictures takes a gigabyte at once where it can get it, and then lacks it: pieces of this size will do. */
const SMALL_ARENAS = { MIMALLOC_ARENA_RESERVE: '64MiB' };

/** The program of these processes: built where the program is, from its source otherwise. */
const ownChild = (): string =>
  process.env.SPINE_PROGRAMS
    ? join(process.env.SPINE_PROGRAMS, 'work.mjs')
    : join(process.cwd(), 'src/formats/sandbox/work-child.ts');

function command(child: string, { mostBytes }: Limits): [string, string[]] {
  const node = [
    'prlimit',
    `--data=${mostBytes}`,
    '--core=0',
    // Whoever waits for a page or a command comes first.
    'nice',
    '-n',
    '10',
    process.execPath,
    `--max-old-space-size=${Math.round(mostBytes / 2e6)}`,
    ...(child.endsWith('.ts') ? ['--import', 'tsx'] : []),
    child,
  ];
  const [first, ...rest] = givesUpRights()
    ? ['setpriv', `--reuid=${NOBODY}`, `--regid=${NOBODY}`, '--clear-groups', '--no-new-privs', ...node]
    : node;
  return [first!, rest];
}

/**
 * A process that does one job at a time: with a time limit, memory that the system limits, no secrets in its environment and
 * no rights. What reads the files of others may hang, crash or grow there, and only there.
 */
export class WorkProcess {
  private readonly process: ChildProcess;
  private readonly incoming: Incoming;
  private readonly ready: Promise<boolean>;
  private isEnded = false;

  constructor(
    private readonly limits: Limits = LIMITS,
    child = ownChild(),
  ) {
    const [program, args] = command(child, limits);
    this.process = spawn(program, args, {
      stdio: ['pipe', 'ignore', 'ignore', 'ipc', 'pipe'],
      env: { PATH: process.env.PATH, NODE_ENV: 'production', HOME: '/tmp', LANG: 'C.UTF-8', ...SMALL_ARENAS },
    });
    this.process.on('error', () => this.end());
    // A process that ended takes no more: who asked it is told by its end.
    this.process.stdin!.on('error', () => undefined);
    this.incoming = new Incoming(this.process.stdio[ANSWERS_FD] as Readable);
    this.process.once('exit', () => (this.isEnded = true));
    this.ready = new Promise((resolve) => {
      this.process.once('message', () => resolve(true));
      this.process.once('exit', () => resolve(false));
      this.process.once('error', () => resolve(false));
    });
    this.hold('unref');
  }

  /** At rest it keeps nobody waiting who has nothing else to do. */
  private hold(how: 'ref' | 'unref'): void {
    this.process[how]();
    this.process.channel?.[how]();
    (this.process.stdin as Socket)[how]();
    (this.process.stdio[ANSWERS_FD] as Socket)[how]();
  }

  get lives(): boolean {
    return !this.isEnded;
  }

  end(): void {
    this.isEnded = true;
    this.process.kill('SIGKILL');
  }

  /** Does a job. A process that did not keep to its limits, or whose asker went away, is ended. */
  async run<N extends JobName>(
    job: N,
    input: JobInputs[N],
    bytes: Uint8Array,
    signal?: AbortSignal,
    tell: TellPart = () => undefined,
  ): Promise<Result<Answer>> {
    this.hold('ref');
    let timer: NodeJS.Timeout | undefined;
    let begun = () => {};
    let watch: NodeJS.Timeout | undefined;
    let onExit = () => {};
    const gone = new Promise<Result<Answer>>((resolve) => {
      const stop = (message: string) => {
        this.end();
        resolve(refuse(message));
      };
      // A machine that is busy may take long to begin a process: that is no fault of the file.
      timer = setTimeout(() => stop(NOT_STARTED), START_MS);
      begun = () => {
        clearTimeout(timer);
        timer = setTimeout(() => stop(TOO_LONG), this.limits.longestMs);
      };
      watch = setInterval(() => {
        if (this.memoryBytes() > this.limits.mostBytes) stop(TOO_LARGE);
      }, WATCH_MS);
      signal?.addEventListener('abort', () => stop('Cancelled; nothing was changed'), { once: true });
      if (signal?.aborted) stop('Cancelled; nothing was changed');
      onExit = () => resolve(refuse(TOO_LARGE));
      this.process.once('exit', onExit);
    });
    const work = async (): Promise<Result<Answer>> => {
      if (!(await this.ready)) return refuse(NOT_STARTED);
      begun();
      const answer = new Promise<Result<Answer>>((resolve) => {
        this.process.on('message', (said: Said) => {
          if ('part' in said) tell(said.part);
          else if ('refusal' in said) resolve({ ok: false, refusal: said.refusal });
          else void this.answer(said).then(resolve);
        });
      });
      this.process.send({ job, input, byteCount: bytes.length });
      this.process.stdin!.write(bytes);
      return answer;
    };
    try {
      return await Promise.race([work(), gone]);
    } finally {
      clearTimeout(timer);
      clearInterval(watch);
      this.process.off('exit', onExit);
      this.process.removeAllListeners('message');
      this.hold('unref');
    }
  }

  private async answer({
    jsonCount,
    fileCount,
  }: {
    jsonCount: number;
    fileCount: number | null;
  }): Promise<Result<Answer>> {
    const json = await this.incoming.take(jsonCount);
    if (fileCount === null) return { ok: true, value: { json } };
    return { ok: true, value: { json, file: await this.incoming.take(fileCount) } };
  }

  /** What the process holds in memory now; 0 where that cannot be read. */
  private memoryBytes(): number {
    try {
      const pages = Number(readFileSync(`/proc/${this.process.pid}/statm`, 'utf8').split(' ')[1]);
      return pages * 4096;
    } catch {
      return 0;
    }
  }
}

/** How long a process may take to begin. */
const START_MS = 30_000;

const NOT_STARTED = 'No process could be started to read the file. Try again';
const TOO_LONG = 'Reading the file took too long and was stopped. Save only what is needed of it';
const TOO_LARGE = 'Reading the file failed or took too much memory. Save only what is needed of it';

/** Does one job in a process begun for it alone; answers what it holds. */
export async function workApart<T, N extends JobName>(
  job: N,
  input: JobInputs[N],
  bytes: Uint8Array,
  limits?: Limits,
): Promise<Result<T>> {
  const apart = new WorkProcess(limits);
  try {
    const answer = await apart.run(job, input, bytes);
    return answer.ok ? { ok: true, value: JSON.parse(Buffer.from(answer.value.json).toString()) as T } : answer;
  } finally {
    apart.end();
  }
}
