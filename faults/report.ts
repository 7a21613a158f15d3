import { readFileSync, writeFileSync } from 'node:fs';
import { cpus, totalmem } from 'node:os';
import { format } from 'prettier';
import type { Fault } from './faults';
import type { FilesOutcome } from './files';
import type { Count } from './trial';

/** What came of one fault. */
export interface Outcome {
  fault: Fault;
  madeCount: number;
  times: number[];
  faults: string[];
  count: Count;
}

const REPORT = 'docs/faults.md';

const seconds = (ms: number): string => (ms / 1000).toFixed(1);

function spread(times: number[]): string {
  if (times.length === 0) return '—';
  const sorted = [...times].sort((a, b) => a - b);
  const at = (part: number) => seconds(sorted[Math.min(sorted.length - 1, Math.floor(part * sorted.length))]!);
  return sorted.length === 1 ? at(0) : `${at(0.5)} (at most ${at(1)})`;
}

/** Puts text between two marks of the report. */
async function writePart(mark: string, text: string): Promise<void> {
  const before = readFileSync(REPORT, 'utf8');
  const pattern = new RegExp(`(<!-- ${mark} -->)[^]*(<!-- end of ${mark} -->)`);
  if (!pattern.test(before)) throw new Error(`${REPORT} has no place for ${mark}`);
  const after = before.replace(pattern, (_, begin: string, end: string) => `${begin}\n\n${text}\n\n${end}`);
  writeFileSync(REPORT, await format(after, { parser: 'markdown', printWidth: 120 }));
}

const machineWords = (): string => `${cpus().length} cores, ${Math.round(totalmem() / 2 ** 30)} GiB`;

/** Writes what came of all faults into the report, one line for each sort. */
export async function writeReport(outcomes: Outcome[]): Promise<void> {
  const names = [...new Set(outcomes.map(({ fault }) => fault.name))];
  const rows = names.map((name) => {
    const own = outcomes.filter(({ fault }) => fault.name === name);
    const made = own.reduce((sum, { madeCount }) => sum + madeCount, 0);
    const bad = own.filter(({ faults }) => faults.length > 0);
    return `| ${name} | ${own[0]!.fault.does} | ${own.length} | ${made} | ${spread(own.flatMap(({ times }) => times))} | ${bad.length === 0 ? 'all laws held' : bad.map(({ faults }) => faults[0]).join('; ')} |`;
  });
  const last = outcomes.at(-1)!.count;
  await writePart(
    'faults',
    [
      `Run on ${new Date().toISOString().slice(0, 10)}, ${machineWords()}.`,
      '',
      '| fault | what is done | times | edits made meanwhile | usable again after, s | outcome |',
      '| --- | --- | --- | --- | --- | --- |',
      ...rows,
      '',
      `In the end: ${last.made} edits made, ${last.acknowledged} acknowledged, ${last.refused} refused for what others had changed, ${last.committed} rows in the logs.`,
    ].join('\n'),
  );
}

/** Writes what came of the damaged files into the report. */
export async function writeFilesReport(outcomes: FilesOutcome[]): Promise<void> {
  const rows = outcomes.map(
    ({ name, sent, taken, refused, slowestMs, longestBlockMs, faults }) =>
      `| ${name} | ${sent} | ${taken} | ${refused} | ${seconds(slowestMs)} | ${Math.round(longestBlockMs)} | ${faults[0] ?? 'all laws held'} |`,
  );
  await writePart(
    'files',
    [
      `Run on ${new Date().toISOString().slice(0, 10)}, ${machineWords()}.`,
      '',
      '| format or bomb | sent | taken | refused | slowest answer, s | web process held up at most, ms | outcome |',
      '| --- | --- | --- | --- | --- | --- | --- |',
      ...rows,
    ].join('\n'),
  );
}
