import { existsSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { installDebian } from '../scripts/install-debian.mjs';
import { freePort } from '../scripts/ports.mjs';
import { clockFile, KILLS, OTHER_FAULTS, smallDisk, type Fault } from './faults';
import { FilesTrial, type FilesOutcome } from './files';
import { Installation } from './installation';
import { behindProxy } from './proxy';
import { writeFilesReport, writeReport, type Outcome } from './report';
import { failingStarts, secondStart, type StartOutcome } from './starts';
import { Trial } from './trial';
import { Way } from './way';

const FAKETIME = '/usr/lib/x86_64-linux-gnu/faketime/libfaketime.so.1';
const DISK_MB = 1500;

const { values, positionals } = parseArgs({
  options: {
    short: { type: 'boolean', default: false },
    kills: { type: 'string' },
    only: { type: 'string' },
    each: { type: 'string' },
  },
  allowPositionals: true,
});
const say = (text: string) => process.stdout.write(`${text}\n`);
/** A restart must be usable within this. Times are laws only where the machine does nothing else. */
const USABLE_WITHIN_MS = values.short ? 60_000 : 5000;
const wants = (part: string) => positionals.length === 0 || positionals.includes(part);

/** What happens, in turn: the kills so often each, then everything else once. */
function course(): Fault[] {
  const rounds = Number(values.kills ?? (values.short ? 4 : 100)) / KILLS.length;
  const all = [...Array.from({ length: rounds }, () => KILLS).flat(), ...OTHER_FAULTS];
  const { only } = values;
  if (only === undefined) return all;
  const chosen = all.filter(({ name }) => name.includes(only));
  if (chosen.length > 0) return chosen;
  throw new Error(`There is no fault named "${only}": ${[...new Set(all.map(({ name }) => name))].join(', ')}`);
}

/** Lets one fault happen while everybody edits, and holds the laws against what came of it. */
async function attempt(trial: Trial, fault: Fault): Promise<Outcome> {
  const madeBefore = trial.madeCount;
  let times: number[] = [];
  const faults: string[] = [];
  trial.work();
  try {
    await new Promise((done) => setTimeout(done, 700));
    times = await fault.happen(trial);
    await new Promise((done) => setTimeout(done, 700));
  } catch (error) {
    faults.push((error as Error).message);
  } finally {
    await trial.rest();
  }
  const count = await trial.settle();
  faults.push(...count.faults);
  const slow = times.filter((ms) => ms > USABLE_WITHIN_MS);
  if (slow.length > 0) faults.push(`It was usable only after ${(Math.max(...slow) / 1000).toFixed(1)} s`);
  return { fault, madeCount: trial.madeCount - madeBefore, times, faults, count };
}

/** Lets everything go wrong in turn; answers what came of it. */
async function letGoWrong(trial: Trial, canFillDisk: boolean): Promise<Outcome[]> {
  const outcomes: Outcome[] = [];
  say(`${trial.people.length} people edit ${trial.projects.length} projects.`);
  for (const fault of course()) {
    if (fault.name === 'disk full' && !canFillDisk) {
      say('— disk full: cannot be tried, this account may make no disk of its own');
      continue;
    }
    const outcome = await attempt(trial, fault);
    outcomes.push(outcome);
    const { madeCount, times, faults, count } = outcome;
    const usable = times.map((ms) => `, usable after ${(ms / 1000).toFixed(1)} s`).join('');
    say(`${mark(faults)} ${fault.name}: ${madeCount} edits made${usable}; ${count.committed} in the logs`);
    for (const each of faults.slice(0, 8)) say(`    ${each}`);
  }
  return outcomes;
}

/** Brings damaged files of every format; answers what came of them. */
async function bringFiles(trial: Trial): Promise<FilesOutcome[]> {
  const outcomes: FilesOutcome[] = [];
  const files = new FilesTrial(trial.at, trial.people[0]!, trial.projects[0]!);
  files.mostBlockedMs = values.short ? 2000 : 100;
  await files.run(Number(values.each ?? (values.short ? 25 : 1000)), (outcome) => {
    outcomes.push(outcome);
    const { name, sent, taken, refused, slowestMs, longestBlockMs, faults } = outcome;
    const took = `slowest ${(slowestMs / 1000).toFixed(1)} s, web process held up ${Math.round(longestBlockMs)} ms`;
    say(`${mark(faults)} ${name}: ${sent} sent, ${taken} taken, ${refused} refused; ${took}`);
    for (const each of [...new Set(faults)].slice(0, 8)) say(`    ${each}`);
  });
  return outcomes;
}

const mark = (faults: readonly string[]): string => (faults.length === 0 ? '✓' : '✗');

/** Everything that is wanted, one after the other; `folder` is on a disk of its own where that could be made. */
async function tryAll(folder: string, canFillDisk: boolean): Promise<{ faults: string[] }[]> {
  const outcomes: { faults: string[] }[] = [];
  const isWhole = !values.short && !values.only && !values.kills && !values.each;
  const tell = (each: StartOutcome) => {
    outcomes.push(each);
    say(`${mark(each.faults)} ${each.name}`);
    for (const fault of each.faults) say(`    ${fault}`);
  };
  if (wants('starts')) (await failingStarts(folder)).forEach(tell);
  if (wants('proxy')) {
    const faults = await behindProxy(folder);
    tell({ name: 'behind nginx, with TLS', faults });
  }
  if (!wants('files') && !wants('kills')) return outcomes;
  const data = join(folder, 'data');
  mkdirSync(data, { recursive: true });
  writeFileSync(clockFile(data), '+0\n');
  const at = new Installation(data, await freePort(3500), {
    LD_PRELOAD: FAKETIME,
    FAKETIME_TIMESTAMP_FILE: clockFile(data),
    FAKETIME_CACHE_DURATION: '1',
    FAKETIME_DONT_FAKE_MONOTONIC: '1',
  });
  const way = new Way(at.port);
  const trial = new Trial(at, way);
  try {
    say('Starting an installation of its own …');
    await at.start();
    await way.open();
    await trial.setUp();
    tell(await secondStart(at));
    if (wants('files')) {
      const files = await bringFiles(trial);
      outcomes.push(...files);
      if (isWhole) await writeFilesReport(files);
    }
    if (wants('kills')) {
      const kills = await letGoWrong(trial, canFillDisk);
      outcomes.push(...kills);
      if (isWhole) await writeReport(kills);
    }
  } finally {
    trial.close();
    way.close();
    await at.stop();
  }
  return outcomes;
}

async function main(): Promise<number> {
  if (!existsSync(FAKETIME)) installDebian(['faketime'], 'the library that sets a clock for one program');
  const folder = mkdtempSync(join(tmpdir(), 'spine-faults-'));
  const unmount = smallDisk(folder, DISK_MB);
  const outcomes = await tryAll(folder, unmount !== null);
  const failed = outcomes.filter(({ faults }) => faults.length > 0).length;
  if (failed > 0) say(`What the installation said is in ${folder}`);
  else {
    unmount?.();
    rmSync(folder, { recursive: true, force: true });
  }
  mkdirSync('test-results', { recursive: true });
  writeFileSync('test-results/faults.json', JSON.stringify({ passed: outcomes.length - failed, failed }));
  say(`\n${outcomes.length - failed} passed, ${failed} failed`);
  return failed > 0 || outcomes.length === 0 ? 1 : 0;
}

main().then(
  (code) => process.exit(code),
  (error: unknown) => {
    process.stderr.write(`${(error as Error).stack}\n`);
    process.exit(1);
  },
);
