import { spawn } from 'node:child_process';
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { smallDisk } from './faults';
import type { Installation } from './installation';

/** What a start said, and how it ended. */
interface Ended {
  code: number | null;
  said: string;
}

function startWith(env: Record<string, string>): Promise<Ended> {
  return new Promise((resolve) => {
    const child = spawn(process.execPath, ['scripts/start.mjs'], {
      env: { ...process.env, ...env },
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    let said = '';
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (part: Buffer) => (said += part.toString()));
    const timer = setTimeout(() => child.kill('SIGKILL'), 60_000);
    child.once('exit', (code) => {
      clearTimeout(timer);
      resolve({ code, said });
    });
  });
}

export interface StartOutcome {
  name: string;
  faults: string[];
}

/** A start that must fail, and say what is wrong and what to do. */
async function mustFail(name: string, env: Record<string, string>, words: RegExp): Promise<StartOutcome> {
  const { code, said } = await startWith(env);
  const faults: string[] = [];
  if (code !== 1) faults.push(`It ended with ${code}`);
  if (!words.test(said)) faults.push(`It said: ${said.trim().replaceAll('\n', ' ⏎ ')}`);
  if (/\n\s+at /.test(said)) faults.push('It showed where in the program it failed, not what to do');
  return { name, faults };
}

/** Starts that cannot be: each says what, where and what to do. */
export async function failingStarts(folder: string): Promise<StartOutcome[]> {
  const at = (name: string) => {
    const made = join(folder, 'starts', name);
    mkdirSync(made, { recursive: true });
    return made;
  };
  const outcomes = [
    await mustFail(
      'start on a port that is none',
      { PORT: '99999', SPINE_DATA: at('port') },
      /PORT is 99999\. A port is a whole number from 1 to 65535/,
    ),
    await mustFail(
      'start in a folder that cannot be written',
      { SPINE_DATA: '/dev/null/spine' },
      /data folder \/dev\/null\/spine cannot be written .*SPINE_DATA/,
    ),
  ];
  const damaged = at('secrets');
  writeFileSync(join(damaged, 'secrets.json'), '{"AUTH_SECRET": 3');
  outcomes.push(
    await mustFail('start with damaged secrets', { SPINE_DATA: damaged }, /secrets .* are damaged: .*npm run restore/),
  );
  const full = at('disk');
  const unmount = smallDisk(full, 20);
  if (!unmount) return outcomes;
  try {
    outcomes.push(
      await mustFail(
        'start on a full disk',
        { SPINE_DATA: full },
        /disk of .* has \d+ MB left; 300 are needed\. Make room/,
      ),
    );
  } finally {
    unmount();
  }
  return outcomes;
}

/** A second start on data that another start has: it says so, shows the address, and leaves the first alone. */
export async function secondStart(at: Installation): Promise<StartOutcome> {
  const { code, said } = await startWith({ SPINE_DATA: at.data, PORT: String(at.port) });
  const faults: string[] = [];
  if (code !== 0) faults.push(`It ended with ${code}`);
  if (!said.includes('started on this data already') || !said.includes(at.address))
    faults.push(`It said: ${said.trim().replaceAll('\n', ' ⏎ ')}`);
  if (!(await at.isReady())) faults.push('The first start does not work any more');
  return { name: 'second start on the same data', faults };
}
