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
    maxBuffer: 64e6,
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
  // The file's grid and columns come back in as they were.
  const fresh = ['--kind', 'grid', '--open', at('x.spine.json'), '--save', at('grid.spine.json')];
  expect(spine('import', at('f.ifc'), ...fresh).status).toBe(0);
  const taken = ['--kind', 'columns', '--open', at('grid.spine.json'), '--save', at('columns.spine.json')];
  expect(spine('import', at('f.ifc'), ...taken).status).toBe(0);
  const back = report(at('columns.spine.json'));
  const crossings = ({ crossings: all }: typeof found) => all.map(({ label, xMm, yMm }) => [label, xMm, yMm]);
  expect(crossings(back)).toEqual(crossings(found));
  expect(new Set(back.columns.map(({ stack }) => stack)).size).toBe(35);
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

it('means one building where there are several: by name, never silently the first; all outputs or none', () => {
  const steps = script('two.json', [
    { command: 'buildings.add', input: { name: 'North', xMm: 10_000, yMm: 5000, turnDeg: 90 } },
    { command: 'levels.setUp', input: { building: 'North', above: '2@3.3m' } },
    { command: 'grids.add', input: { building: 'North', baysA: '2@6000', baysB: "6000 7'6" } },
    { command: 'buildings.add', input: { name: 'South' } },
    { command: 'levels.setUp', input: { building: 'South', above: '4m' } },
  ]);
  const two = at('two.spine.json');
  expect(spine('run', steps, '--save', two).status).toBe(0);
  const plan = (...more: string[]) => spine('export', two, '--plan', at('n.dxf'), '--level', '00', ...more);
  expect(plan()).toMatchObject({
    status: 2,
    stderr: 'spine: There are 2 levels named 00: in North, South. Say --building NAME\n',
  });
  expect(plan('--building', 'North').status).toBe(0);
  expect(plan('--building', 'West').stderr).toBe('spine: There is no building named West. There are: North, South\n');
  // A corner of the grid, 6 m along the building's x axis: on the site 6 m north of 10, 5.
  const drawn = (file: string) => readFileSync(file, 'utf8').replace(/\s+/g, ' ');
  expect(plan('--building', 'North', '--axes', 'site').status).toBe(0);
  expect(drawn(at('n.dxf'))).toMatch(/ 10 (10000|9999.9\d*|10000.0\d*) /);
  expect(plan('--building', 'North', '--axes', 'survey').stderr).toMatch(/survey is not known/);
  expect(plan('--axes', 'moon').stderr).toMatch(/--axes is one of building, site, survey/);

  expect(spine('export', two, '--levels', at('all.csv')).status).toBe(0);
  expect(readFileSync(at('all.csv'), 'utf8').trim().split(/\r?\n/)).toHaveLength(1 + 3 + 2);
  expect(spine('export', two, '--levels', at('one.csv'), '--building', 'South').status).toBe(0);
  expect(readFileSync(at('one.csv'), 'utf8')).not.toMatch(/North|Building/);
  const brought = ['import', at('one.csv'), '--kind', 'levels', '--open', two, '--save', at('x.spine.json')];
  expect(spine(...brought).stderr).toBe('spine: Say which building is meant, --building NAME: North, South\n');
  expect(spine(...brought, '--building', 'South').status).toBe(0);

  // The plan cannot be written: the table that could is not either.
  const none = spine('export', two, '--levels', at('never.csv'), '--ifc', at('no/such/folder.ifc'));
  expect([none.status, existsSync(at('never.csv')), existsSync(at('never.csv.part'))]).toEqual([2, false, false]);

  const own = JSON.parse(spine('report', two, '--building', 'South').stdout) as ReturnType<typeof report>;
  expect([own.buildings.map(({ name }) => name), own.levels.length, own.gridLines.length]).toEqual([['South'], 2, 0]);
});

it('writes the demo, and reads files that begin with a byte-order mark', () => {
  const file = at('demo.spine.json');
  expect(spine('demo').stderr).toMatch(/Say where to save the demo/);
  expect([0, 1]).toContain(spine('demo', '--save', file).status);
  const marked = at('marked.spine.json');
  writeFileSync(marked, `\ufeff${readFileSync(file, 'utf8')}`);
  const demo = report(marked);
  expect(demo.project).toBe('Tidewater Yard');
  expect(demo.rooms.length).toBeGreaterThan(20);
  expect(demo.rooms.find(({ name }) => name !== '')).toEqual({
    id: expect.stringMatching(/^[0-9a-f-]{36}$/),
    building: expect.any(String),
    number: expect.any(String),
    name: expect.any(String),
    use: expect.any(String),
    level: expect.any(String),
    areaM2: expect.any(Number),
    perimeterM: expect.any(Number),
    clearMm: expect.any(Number),
  });
  writeFileSync(at('marked.json'), `\ufeff${JSON.stringify([{ command: 'buildings.add', input: { name: 'B' } }])}`);
  expect(spine('run', at('marked.json'), '--save', at('m.spine.json')).status).toBe(0);
});

it('refuses a dimension that would leave a slab less than nothing, and a file that holds one', () => {
  const steps = [
    { command: 'buildings.add', input: { name: 'House' } },
    { command: 'levels.setUp', input: { above: '2@3.3m' } },
    { command: 'dimensions.define', input: { name: 'w', value: 250 } },
    {
      command: 'floors.add',
      input: { name: 'Plate', outline: { type: 'rectangle', widthMm: 9000, depthMm: 6000 }, thicknessMm: 'w' },
    },
  ];
  expect(spine('run', script('w.json', steps), '--save', at('w.spine.json')).status).toBe(0);
  const worse = script('worse.json', [{ command: 'dimensions.define', input: { name: 'w', value: -500 } }]);
  expect(spine('run', worse, '--open', at('w.spine.json'), '--save', at('never.spine.json'))).toMatchObject({
    status: 2,
    stderr:
      'spine: Step 1, dimensions.define: Dimension w cannot be −500 mm: floor plate Plate would have a thickness of −500 mm (at least 20 mm)\n',
  });
  expect(existsSync(at('never.spine.json'))).toBe(false);
  const text = readFileSync(at('w.spine.json'), 'utf8').replace(/("value":\s*)250/, '$1-500');
  writeFileSync(at('hand.spine.json'), text);
  expect(spine('report', at('hand.spine.json'))).toMatchObject({
    status: 2,
    stderr: expect.stringMatching(/thickness of floor plate Plate must be at least 20 mm .* by dimension w/),
  });
});

it('prints the ways to climb a storey and a rise, and says what it cannot read', () => {
  const stairs = spine(
    'solve-stair',
    '--form',
    'halfLanding',
    '--height',
    '3300',
    '--well',
    '5200x2500',
    '--width',
    '1150',
    '--rules',
    'public',
  );
  expect(stairs.status).toBe(0);
  const found = JSON.parse(stairs.stdout) as { risers: number; flights: number[]; verdict: string }[];
  expect(found[0]).toEqual({
    risers: 19,
    riserMm: 173.684211,
    goingMm: 283,
    flights: [10, 9],
    paceMm: 630.368421,
    pitchDeg: 31.538486,
    runMm: 4811,
    landingMm: 2653,
    wellMm: [5200, 2500],
    verdict: 'ok',
  });
  expect(
    JSON.parse(spine('solve-stair', '--form', 'straight', '--height', '9000', '--rules', 'public').stdout),
  ).toEqual([]);
  const down = JSON.parse(spine('solve-ramp', '--rise', '-180', '--rules', 'public').stdout) as { runMm: number }[];
  expect(down[0]!.runMm).toBe(2160);
  for (const [words, ...args] of [
    [/--form is one of/, 'solve-stair', '--form', 'bent', '--height', '3000'],
    [/how high/, 'solve-stair', '--form', 'straight'],
    [/--well is LxW/, 'solve-stair', '--form', 'straight', '--height', '3000', '--well', 'big'],
    [/--rules is one of/, 'solve-ramp', '--rise', '300', '--rules', 'steep'],
    [/one too many/, 'solve-ramp', 'file.json', '--rise', '300'],
  ] as [RegExp, ...string[]][]) {
    const { status, stderr } = spine(...args);
    expect(status).toBe(2);
    expect(stderr).toMatch(words);
  }
});

it('roofs an outline without a framework: slopes in degrees, ratio and percent, gables, an overhang, a courtyard; refusals say what to do', () => {
  const faces = (...args: string[]) => {
    const { status, stdout, stderr } = spine('solve-roof', ...args);
    expect(stderr).toBe('');
    expect(status).toBe(0);
    return JSON.parse(stdout) as { slopeDeg: number; areaM2: number; points: [number, number, number][] }[];
  };
  const rectangle = '0,0 10000,0 10000,6000 0,6000';
  const hip = faces('--outline', rectangle, '--slopes', '45', '--eaves', '3000');
  expect(hip.map(({ areaM2 }) => areaM2)).toEqual([21, 9, 21, 9].map((m2) => expect.closeTo(m2 * Math.SQRT2, 4)));
  expect(hip[1]!.points).toEqual([
    [10_000, 0, 3000],
    [10_000, 6000, 3000],
    [7000, 3000, 6000],
  ]);
  // The same with 500 over its edges, one of them a gable: the eaves are where it ends.
  const over = faces('--outline', rectangle, '--slopes', '1:1,gable,100%,45', '--overhang', '500');
  expect(over).toHaveLength(3);
  expect(over.reduce((sum, { areaM2 }) => sum + areaM2, 0)).toBeCloseTo(11 * 7 * Math.SQRT2, 4);
  expect(Math.max(...over.flatMap(({ points }) => points.map(([, , z]) => z)))).toBeCloseTo(3500, 3);
  // Given clockwise, slopes stay with their edges.
  const clockwise = faces('--outline', '0,0 0,6000 10000,6000 10000,0', '--slopes', '30,45,45,gable');
  expect(clockwise.map(({ slopeDeg }) => slopeDeg)).toEqual([30, 45, 45]);
  const court = faces(
    '--outline',
    '0,0 12000,0 12000,12000 0,12000',
    '--hole',
    '4000,4000 8000,4000 8000,8000 4000,8000',
    '--slopes',
    '30',
  );
  expect(court).toHaveLength(8);
  expect(faces('--outline', rectangle, '--slopes', '70>1000>30')).toHaveLength(8);
  for (const [words, ...args] of [
    [/what it stands on/, '--slopes', '40'],
    [/how steep/, '--outline', rectangle],
    [/one for each of the 4 edges/, '--outline', rectangle, '--slopes', '40,40'],
    [/not "steep"/, '--outline', rectangle, '--slopes', 'steep'],
    [/No edge of the roof slopes/, '--outline', rectangle, '--slopes', 'gable'],
    [/touches itself/, '--outline', '0,0 5000,5000 5000,0 0,5000', '--slopes', '40'],
    [/corners in millimetres/, '--outline', 'a,b 1,2 3,4', '--slopes', '40'],
    [/--overhang is a number/, '--outline', rectangle, '--slopes', '40', '--overhang', '-5'],
  ] as [RegExp, ...string[]][]) {
    const { status, stderr } = spine('solve-roof', ...args);
    expect(status).toBe(2);
    expect(stderr).toMatch(words);
  }
});
