import { spawn } from 'node:child_process';
import { EventEmitter } from 'node:events';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { Writable } from 'node:stream';
import { join } from 'node:path';

interface Kept {
  start: () => Promise<void>;
  stop: (end: (child: unknown) => Promise<void>) => Promise<void>;
}
type KeepUpMaker = new (name: string, begin: () => Promise<EventEmitter>, say: (words: string) => void) => Kept;
type TakeFolder = (folder: string) => Promise<{ release: () => void } | null>;

const load = async <T>(file: string): Promise<T> => (await import(join(process.cwd(), 'scripts', file))) as T;

describe('a process that is kept up', () => {
  beforeEach(() => void jest.useFakeTimers());
  afterEach(() => void jest.useRealTimers());

  it('is begun again after pauses that grow, says so, and is well again once it has run for a while', async () => {
    const { KeepUp } = await load<{ KeepUp: KeepUpMaker }>('keep-up.mjs');
    const begun: EventEmitter[] = [];
    const said: string[] = [];
    const begin = () => {
      const child = new EventEmitter();
      begun.push(child);
      return Promise.resolve(child);
    };
    const kept = new KeepUp('The web server', begin, (words) => said.push(words));
    await kept.start();
    const fall = async (afterMs: number) => {
      await jest.advanceTimersByTimeAsync(afterMs);
      const count = begun.length;
      begun.at(-1)!.emit('exit', 1, null);
      let waitedMs = 0;
      while (begun.length === count && waitedMs < 60_000) {
        await jest.advanceTimersByTimeAsync(100);
        waitedMs += 100;
      }
      return waitedMs;
    };
    const pauses: number[] = [];
    for (let i = 0; i < 9; i += 1) pauses.push(await fall(10));
    expect(pauses).toEqual([500, 1000, 2000, 4000, 8000, 16_000, 30_000, 30_000, 30_000]);
    expect(await fall(61_000)).toBe(500);
    expect(said[0]).toBe('The web server ended by itself (1). Starting it again in 0.5 s …');
    await kept.stop(() => Promise.resolve());
    const count = begun.length;
    begun.at(-1)!.emit('exit', 0, null);
    await jest.advanceTimersByTimeAsync(60_000);
    expect(begun.length).toBe(count);
  });

  it('that cannot be begun again is tried again, with what is wrong', async () => {
    const { KeepUp } = await load<{ KeepUp: KeepUpMaker }>('keep-up.mjs');
    const said: string[] = [];
    let works = true;
    const first = new EventEmitter();
    const begin = () => (works ? Promise.resolve(first) : Promise.reject(new Error('The disk is full')));
    const kept = new KeepUp('The database', begin, (words) => said.push(words));
    await kept.start();
    works = false;
    first.emit('exit', null, 'SIGKILL');
    await jest.advanceTimersByTimeAsync(5000);
    expect(said.some((words) => words.includes('did not start: The disk is full. Trying again'))).toBe(true);
    works = true;
    await jest.advanceTimersByTimeAsync(60_000);
    expect(said.at(-1)).toBe('The database runs again.');
  });
});

describe('a log file', () => {
  it('that cannot be written drops its words, troubles nobody, and is opened again', async () => {
    type LogFile = (folder: string, name: string, open: () => Writable) => Writable;
    const { logFile } = await load<{ logFile: LogFile }>('log-file.mjs');
    const written: string[] = [];
    let isFull = true;
    const open = () =>
      new Writable({
        write: (words: Buffer, _, done) => {
          if (isFull) return done(new Error('ENOSPC'));
          written.push(words.toString());
          done();
        },
      });
    const now = jest.spyOn(Date, 'now');
    const log = logFile('', 'web', open);
    const say = async (words: string) => {
      log.write(words);
      await new Promise((done) => setImmediate(done));
    };
    await say('lost');
    await say('lost too');
    isFull = false;
    now.mockReturnValue(Date.now() + 6000);
    await say('kept');
    expect(written).toEqual(['kept']);
    now.mockRestore();
  });
});

describe('the lock of a data folder', () => {
  it('is one start’s at a time, and goes however that start ends', async () => {
    const { takeFolder } = await load<{ takeFolder: TakeFolder }>('lock.mjs');
    const folder = mkdtempSync(join(tmpdir(), 'spine-lock-'));
    const first = await takeFolder(folder);
    expect(first).not.toBeNull();
    expect(await takeFolder(folder)).toBeNull();
    first!.release();
    const until = async () => {
      for (let i = 0; i < 100; i += 1) {
        const taken = await takeFolder(folder);
        if (taken) return taken;
        await new Promise((done) => setTimeout(done, 50));
      }
      return null;
    };
    const second = await until();
    expect(second).not.toBeNull();
    second!.release();
    // Held by a process that is killed: nothing of it blocks the next.
    const holder = join(folder, 'holder.mjs');
    writeFileSync(
      holder,
      `import { takeFolder } from ${JSON.stringify(join(process.cwd(), 'scripts/lock.mjs'))};
       for (;;) { if (await takeFolder(${JSON.stringify(folder)})) break; await new Promise((done) => setTimeout(done, 50)); }
       console.log('held'); setInterval(() => {}, 1000);`,
    );
    const child = spawn(process.execPath, [holder], { stdio: ['ignore', 'pipe', 'inherit'] });
    await new Promise((held) => child.stdout.once('data', held));
    expect(await takeFolder(folder)).toBeNull();
    child.kill('SIGKILL');
    const third = await until();
    expect(third).not.toBeNull();
    third!.release();
  });
});
