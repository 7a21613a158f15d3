import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { reportSchema } from '@/core/report/report';
import { TIDEWATER_YARD } from './tidewater-yard';

const folder = mkdtempSync(join(tmpdir(), 'spine-demo-'));
const at = (name: string) => join(folder, name);
const spine = (...args: string[]) =>
  spawnSync(process.execPath, ['--import', 'tsx', 'src/cli/main.ts', ...args], { encoding: 'utf8' });

it('is built by its script alone, the same bytes each time, with its findings said and exit code 1', () => {
  writeFileSync(at('demo.json'), JSON.stringify(TIDEWATER_YARD));
  for (const name of ['one', 'two']) {
    expect(spine('run', at('demo.json'), '--save', at(`${name}.spine.json`)).status).toBe(1);
  }
  expect(readFileSync(at('one.spine.json'))).toEqual(readFileSync(at('two.spine.json')));
  const { status, stdout } = spine('report', at('one.spine.json'));
  expect(status).toBe(1);
  const { findings, project, buildings } = reportSchema.parse(JSON.parse(stdout));
  expect([project, ...buildings.map(({ name }) => name)]).toContain('Tidewater Yard');
  expect(findings.filter(({ severity }) => severity === 'error').length).toBeGreaterThan(0);
}, 60_000);
