import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { reportSchema } from '@/core/report/report';

const folder = mkdtempSync(join(tmpdir(), 'spine-cli-'));
const at = (name: string) => join(folder, name);
const spine = (...args: string[]) => {
  const { status, stdout, stderr } = spawnSync(process.execPath, ['scripts/spine.mjs', ...args], {
    encoding: 'utf8',
  });
  return { status, stdout, stderr };
};
const script = (name: string, steps: unknown) => {
  writeFileSync(at(name), JSON.stringify(steps));
  return at(name);
};
const report = (file: string) => reportSchema.parse(JSON.parse(spine('report', file).stdout));

jest.setTimeout(120_000);

it('imports levels, grid and columns, runs a script, reports and exports', () => {
  expect(spine('import', 'e2e/fixtures/levels.csv', '--kind', 'levels', '--save', at('l.spine.json'))).toEqual({
    status: 0,
    stdout: '',
    stderr: '',
  });
  const grid = ['import', 'e2e/fixtures/structure-grid-mm.dxf', '--kind', 'grid'];
  expect(spine(...grid, '--open', at('l.spine.json'), '--save', at('g.spine.json')).status).toBe(0);
  const columns = ['import', 'e2e/fixtures/structure-columns-site-m.dxf', '--kind', 'columns'];
  expect(spine(...columns, '--open', at('g.spine.json'), '--save', at('c.spine.json')).status).toBe(0);
  const steps = script('steps.json', [
    { command: 'floors.add', input: { name: 'Plate', outline: { type: 'gridOffset', offsetMm: '300mm' } } },
    {
      command: 'shafts.add',
      input: { name: 'S1', outline: { type: 'rectangle', place: 'B-4 + 1m,1m', widthMm: 2400, depthMm: 2700 } },
    },
    { command: 'levels.setElevation', input: { level: '01', fflMm: '5.4m + 150', mode: 'push' } },
  ]);
  expect(spine('run', steps, '--open', at('c.spine.json'), '--save', at('f.spine.json')).status).toBe(0);
  const found = report(at('f.spine.json'));
  expect(found.levels.find(({ name }) => name === 'RF')).toMatchObject({ fflMm: 48750, storeyHeightMm: null });
  expect(
    found.gridLines.map(({ direction, label, offsetMm }) => `${direction} ${label} ${offsetMm}`).slice(2, 4),
  ).toEqual(['a 3 14400', 'a 4 18000']);
  expect(found.crossings).toHaveLength(35);
  expect(new Set(found.columns.map(({ stack }) => stack)).size).toBe(35);
  expect(found.floors).toHaveLength(16);
  expect(found.floors.find(({ level }) => level === '05')).toMatchObject({ areaM2: 40.2 * 29.4 - 2.4 * 2.7, holes: 1 });
  expect(found.shafts[0]!.cuts).toHaveLength(14);
  expect(spine('export', at('f.spine.json'), '--ifc', at('f.ifc')).status).toBe(0);
  expect(readFileSync(at('f.ifc'), 'utf8')).toMatch(/END-ISO-10303-21;\n$/);
  expect(spine('export', at('f.spine.json'), '--plan', at('p.pdf'), '--level', '02', '--scale', '200').status).toBe(0);
  expect(readFileSync(at('p.pdf')).subarray(0, 5).toString()).toBe('%PDF-');
  expect(spine('export', at('f.spine.json'), '--levels', at('levels.xlsx')).status).toBe(0);
  expect(spine('import', at('levels.xlsx'), '--kind', 'levels', '--save', at('x.spine.json')).status).toBe(0);
  // A table brought again says what it would change, and changes nothing it does not speak of.
  const bare = 'Level,FFL (m)\n01,5.5\nRF,48.75\n';
  writeFileSync(at('bare.csv'), bare);
  const again = ['import', at('bare.csv'), '--kind', 'levels', '--open', at('f.spine.json')];
  expect(spine(...again, '--dry-run')).toEqual({ status: 0, stdout: 'level 01: +5.550 → +5.500\n', stderr: '' });
  expect(spine(...again, '--save', at('y.spine.json')).status).toBe(0);
  const kept = report(at('y.spine.json')).levels;
  expect(kept.map(({ fflMm: _, sslMm: __, storeyHeightMm: ___, ...level }) => level)).toEqual(
    found.levels.map(({ fflMm: _, sslMm: __, storeyHeightMm: ___, ...level }) => level),
  );
  expect(report(at('x.spine.json')).levels.map(({ name, fflMm }) => [name, fflMm])).toEqual(
    found.levels.map(({ name, fflMm }) => [name, fflMm]),
  );
  expect(spine('report', at('f.spine.json'), '--out', at('report.json')).stdout).toBe('');
  expect(JSON.parse(readFileSync(at('report.json'), 'utf8'))).toEqual(found);
});

describe('bad input ends with code 2, one readable line and no file', () => {
  const bad = (args: string[], says: RegExp) => {
    const { status, stdout, stderr } = spine(...args);
    expect({ status, stdout }).toEqual({ status: 2, stdout: '' });
    expect(stderr).toMatch(says);
    expect(stderr.trimEnd().split('\n')).toHaveLength(1);
    expect(existsSync(at('none.spine.json'))).toBe(false);
  };
  const save = ['--save', at('none.spine.json')];
  it.each<[string, RegExp]>([
    ['binary-noise.dxf', /not a DXF/],
    ['empty.dxf', /empty/],
    ['not-a-number.dxf', /not a number/],
    ['overflow.dxf', /lies nowhere/],
    ['truncated.dxf', /cut off/],
    ['future.spine.json', /not a DXF/],
  ])('%s', (name, says) => bad(['import', `e2e/fixtures/malformed/${name}`, '--kind', 'grid', ...save], says));
  it('other files and options', () => {
    bad(['import', 'e2e/fixtures/malformed/levels.csv', '--kind', 'levels', ...save], /Rows 2 and 3 both name level A/);
    bad(['report', 'e2e/fixtures/malformed/future.spine.json'], /version 99/);
    bad(['import', 'e2e/fixtures/old-grid-inches-r12.dxf', '--kind', 'grid', ...save], /does not say its unit/);
    bad(['import', 'none.dxf', '--kind', 'grid', ...save], /cannot be read/);
    bad(['import', 'e2e/fixtures/levels.csv', '--kind', 'walls', ...save], /levels, grid or columns/);
    bad(['import', 'e2e/fixtures/levels.csv', '--kind', 'levels', '--unit', 'mile', ...save], /one of mm/);
    bad(['import', 'e2e/fixtures/levels.csv', '--kind', 'levels'], /--save/);
    bad(['report', 'x', '--bogus'], /bogus/);
    bad(['fly', 'x'], /no "fly"/);
    const plan = (...args: string[]) => ['export', at('f.spine.json'), '--plan', ...args];
    bad(plan(at('none.doc'), '--level', '01'), /ends in .pdf/);
    bad(plan(at('none.pdf'), '--level', 'Q'), /no level named Q/);
    bad(plan(at('none.pdf'), '--level', '01', '--scale', '10'), /no sheet up to A0/);
    bad(['report'], /which file/);
  });
  it('a script that is none, or whose step is refused', () => {
    bad(['run', script('a.json', {}), ...save], /JSON array/);
    bad(
      ['run', script('b.json', [{ command: 'levels.setUp', input: { above: '3m' } }]), ...save],
      /Step 1.*no building/,
    );
    bad(['run', script('c.json', [{ input: {} }]), ...save], /names no command/);
    writeFileSync(at('d.json'), '[');
    bad(['run', at('d.json'), ...save], /does not hold JSON/);
  });
});

it('lists its commands with schemas and explains itself', () => {
  const commands = JSON.parse(spine('commands').stdout) as { name: string }[];
  expect(commands.map(({ name }) => name)).toContain('levels.setElevation');
  expect(spine('--help')).toMatchObject({ status: 0, stdout: expect.stringContaining('spine import FILE') });
});
