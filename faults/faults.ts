import { execFileSync } from 'node:child_process';
import { openSync, closeSync, writeSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Part } from './installation';
import type { Trial } from './trial';

const pause = (ms: number) => new Promise((done) => setTimeout(done, ms));

/** Something that goes wrong while people edit. What it answers are times in milliseconds until all worked again. */
export interface Fault {
  name: string;
  /** What is done, for the report. */
  does: string;
  happen: (trial: Trial) => Promise<number[]>;
}

const kill = (part: Part, words: string): Fault => ({
  name: `${part} killed`,
  does: words,
  happen: async ({ at }) => [await at.kill(part)],
});

export const KILLS: readonly Fault[] = [
  kill('web', 'The web server is killed without a word'),
  kill('jobs', 'The process for long work is killed without a word'),
  kill('database', 'The database server is killed without a word'),
  kill('supervisor', 'What keeps everything up is killed without a word, and started again'),
];

/** File in which the time that the installation believes is set, as an offset. */
export const clockFile = (data: string): string => join(data, 'clock');

export const OTHER_FAULTS: readonly Fault[] = [
  {
    name: 'connection cut',
    does: 'Every connection is broken off for 4 s, answers on their way are lost',
    happen: async ({ way }) => {
      way.cut();
      await pause(4000);
      way.mend();
      return [];
    },
  },
  {
    name: 'stream stalled',
    does: 'Live streams stay open and say nothing more; edits go on for 2 s and then stop; tabs notice within 25 s',
    happen: async (trial) => {
      if (trial.way.stallStreams() === 0) throw new Error('There was no stream to stall');
      await pause(2000);
      // What others did last comes by nothing that happens later.
      await trial.rest();
      await pause(27_000);
      return [];
    },
  },
  {
    name: 'web server hangs',
    does: 'The web server is stopped for 6 s and goes on',
    happen: async ({ at }) => {
      await at.hang('web', 6000);
      return [];
    },
  },
  {
    name: 'disk full',
    does: 'The disk that the data are on is filled to its last byte for 6 s',
    happen: async ({ at }) => {
      const file = join(at.data, 'filler');
      const block = Buffer.alloc(1 << 20, 1);
      const open = openSync(file, 'w');
      const fill = () => {
        for (let size = block.length; size >= 512;)
          try {
            writeSync(open, block, 0, size);
          } catch {
            size >>= 1;
          }
      };
      try {
        for (let i = 0; i < 6; i += 1) {
          fill();
          await pause(1000);
        }
      } finally {
        closeSync(open);
        rmSync(file);
      }
      const begun = performance.now();
      while (!(await at.isReady())) {
        if (performance.now() - begun > 60_000) throw new Error('It did not come back when there was room again');
        await pause(50);
      }
      return [performance.now() - begun];
    },
  },
  {
    name: 'clock set',
    does: 'The machine’s clock is set three hours forward, then a day back, then right',
    happen: async ({ at }) => {
      for (const [offset, hours] of [
        ['+3h', 3],
        ['-1d', -24],
        ['+0', 0],
      ] as const) {
        writeFileSync(clockFile(at.data), `${offset}\n`);
        await pause(4000);
        const [clock] = await at.query<{ ms: number }>('select extract(epoch from now())::float * 1000 as ms');
        if (Math.abs(clock!.ms - Date.now() - hours * 3_600_000) > 60_000) throw new Error('The clock was not set');
      }
      return [];
    },
  },
  {
    name: 'session ended',
    does: 'Half the people are signed out, which their streams tell; the others’ browsers lose their cookies, which only answers tell; they sign in again in place',
    happen: async ({ at, people, way }) => {
      const half = (odd: number) => people.filter((_, i) => i % 2 === odd);
      await at.query('delete from session where user_id = any($1)', [half(0).map(({ id }) => id)]);
      await pause(3000);
      way.stallStreams();
      for (const person of half(1)) person.cookie = '';
      await pause(3000);
      return [];
    },
  },
  {
    name: 'member removed',
    does: 'Two people are taken out of their projects, one by one: the first is told by the stream, the second by an answer; they are let in again 4 s later',
    happen: async (trial) => {
      const removed = [trial.people[0]!, trial.people[5]!];
      for (const { id } of removed) {
        await trial.at.query('delete from membership where user_id = $1', [id]);
        await pause(1000);
        trial.way.stallStreams();
      }
      await pause(4000);
      if (removed.some(({ tabs }) => tabs.some(({ phase }) => phase !== 'outOfProject')))
        throw new Error('A tab does not know that its person is out');
      for (const person of removed) for (const { projectId } of person.tabs) await trial.let(person, projectId);
      return [];
    },
  },
];

/** A disk of its own for the data, small enough to be filled; null where this account may not make one. */
export function smallDisk(folder: string, megabytes: number): (() => void) | null {
  try {
    execFileSync('mount', ['-t', 'tmpfs', '-o', `size=${megabytes}m,mode=755`, 'tmpfs', folder], { stdio: 'ignore' });
    return () => execFileSync('umount', ['-l', folder], { stdio: 'ignore' });
  } catch {
    return null;
  }
}
