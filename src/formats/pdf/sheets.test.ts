import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { recogniseGrid } from '@/core/importing/recognise-grid';
import { settingOutPlan, type SettingOutPlan } from '@/core/drawing/setting-out-plan';
import { solve } from '@/core/solving/solve';
import { FURNISHED, given, levelId, step } from '@/core/testing/given';
import { formatElevation, formatLength } from '@/core/units/format-length';
import { readDxf } from '../dxf/read';
import { writeDxf } from '../dxf/write';
import { writeSvg } from '../svg/write';
import { writePdf } from './write';

const AT = new Date('2026-01-15T10:00:00Z');
const folder = mkdtempSync(join(tmpdir(), 'spine-sheets-'));
/** A grid with a bay of exactly 10 m. */
const framework = given(
  [
    ['grids.setBay', { line: '2', bayMm: 10_000, mode: 'push' }],
    ['columns.place', { place: 'B-4 + 1800,900', section: { shape: 'circle', diameterMm: 600 } }],
    ['project.start', { name: 'Tidewater <Yard> & "sons"' }],
  ],
  given(FURNISHED),
);
const solved = solve(framework);
const sheet = (scale: number, from = framework): SettingOutPlan =>
  settingOutPlan(solve(from), 'Tidewater <Yard> & "sons"', {
    level: levelId(from, '01'),
    scale,
    writeLength: formatLength,
    writeElevation: formatElevation,
  })!;
const run = (command: string, ...args: string[]) => {
  const { status, stdout, stderr } = spawnSync(command, args, { encoding: 'utf8' });
  return { status, stdout, stderr };
};

/** Distance between the first two grid lines as another program draws them, mm of paper: the dashed upright ones. */
function drawnBayMm(svg: string): number {
  const xs = [...svg.matchAll(/<path[^>]*stroke-dasharray[^>]*>/g)].flatMap(([path]) => {
    const [x0, , x1] = [...(/ d="M ([\d.]+) ([\d.]+) L ([\d.]+)/.exec(path) ?? [])].slice(1).map(Number);
    const matrix = / transform="matrix\(([^)]+)\)/.exec(path)?.[1]?.split(/[ ,]+/).map(Number) ?? [1, 0, 0, 1, 0, 0];
    return x0 !== undefined && x0 === x1 ? [x0 * matrix[0]! + matrix[4]!] : [];
  });
  const sorted = [...new Set(xs)].sort((a, b) => a - b);
  return ((sorted[1]! - sorted[0]!) / 72) * 25.4;
}

describe('the setting-out plan as PDF', () => {
  it.each([100, 200])('at 1 : %s draws a 10 m bay to 0.1 mm, measured by another program', async (scale) => {
    const file = join(folder, `plan-${scale}.pdf`);
    writeFileSync(file, await writePdf(sheet(scale), AT));
    expect(run('pdftocairo', '-svg', '-f', '1', '-l', '1', file, `${file}.svg`).status).toBe(0);
    expect(Math.abs(drawnBayMm(readFileSync(`${file}.svg`, 'utf8')) - 10_000 / scale)).toBeLessThan(0.1);
  });

  it('has its fonts embedded, its texts readable, the coordinates on their page, and the same bytes each time', async () => {
    const bytes = await writePdf(sheet(100), AT);
    expect(Buffer.from(await writePdf(sheet(100), AT)).equals(Buffer.from(bytes))).toBe(true);
    const file = join(folder, 'plan.pdf');
    writeFileSync(file, bytes);
    const fonts = run('pdffonts', file).stdout.trim().split('\n').slice(2);
    expect(fonts.length).toBeGreaterThanOrEqual(3);
    for (const font of fonts) expect(font).toMatch(/yes yes yes/);
    const text = run('pdftotext', '-layout', file, '-').stdout;
    for (const words of ['10000', 'Setting-out plan, level 01', '1 : 100 on A', 'crossings, mm from'])
      expect(text).toContain(words);
    expect(text).toMatch(/C-4\s+20800\.0\s+14400\.0/);
    const { title, paper } = sheet(100);
    expect([title.scale, paper.sheet]).toEqual([`1 : 100 on ${paper.sheet}`, 'A3']);
  });

  it('has eastings and northings where the survey is known', async () => {
    const surveyed = given(
      [['project.setSurvey', { eastingMm: '1000m', northingMm: '2000m', trueNorthDeg: 90 }]],
      framework,
    );
    // True north lies along −x: a crossing 20.8 m along x lies 20.8 m south, one 14.4 m up lies 14.4 m east.
    expect(sheet(100, surveyed).coordinates.find(({ label }) => label === 'C-4')).toMatchObject({
      eastingMm: expect.closeTo(1_000_000 + 14_400, 3),
      northingMm: expect.closeTo(2_000_000 - 20_800, 3),
    });
    const file = join(folder, 'surveyed.pdf');
    writeFileSync(file, await writePdf(sheet(100, surveyed), AT));
    expect(run('pdftotext', '-layout', file, '-').stdout).toMatch(
      /C-4\s+20800\.0\s+14400\.0\s+1014\.4000\s+1979\.2000/,
    );
  });

  it('is laid on the smallest sheet that holds it, and on none when none does', () => {
    expect([50, 100, 200, 500].map((scale) => sheet(scale).paper.sheet)).toEqual(['A1', 'A3', 'A4', 'A4']);
    const level = levelId(framework, '01');
    expect(settingOutPlan(solved, 'x', { level, scale: 10, writeLength: String, writeElevation: String })).toBeNull();
  });
});

describe('the setting-out plan as SVG', () => {
  it('is sound XML in millimetres of paper, with what people typed as text and not as markup', () => {
    const svg = writeSvg(sheet(100));
    writeFileSync(join(folder, 'plan.svg'), svg);
    expect(
      run('python3', '-c', 'import sys, xml.dom.minidom as m; m.parse(sys.argv[1])', join(folder, 'plan.svg')).status,
    ).toBe(0);
    expect(svg).toContain('width="420mm" height="297mm" viewBox="0 0 420 297"');
    expect(svg).toContain('Tidewater &lt;Yard&gt; &amp; &quot;sons&quot;');
    const lines = [...svg.matchAll(/d="M([\d.]+) ([\d.]+)L([\d.]+) ([\d.]+)"[^>]*dasharray/g)].map((match) =>
      match.slice(1, 5).map(Number),
    );
    const xs = [...new Set(lines.filter(([x0, , x1]) => x0 === x1).map(([x]) => x!))].sort((a, b) => a - b);
    expect(xs[1]! - xs[0]!).toBeCloseTo(100, 3);
  });
});

describe('the setting-out plan as DXF', () => {
  it('passes the audit of another program with nothing to mend', () => {
    const file = join(folder, 'plan.dxf');
    writeFileSync(file, writeDxf(sheet(100).drawing));
    const { stdout, stderr } = run('ezdxf', 'audit', file);
    expect(stdout + stderr).toMatch(/No errors found/);
    expect(stdout + stderr).not.toMatch(/fixes? applied|fixed/i);
  });

  it('has rings as true arcs and bays as dimensions with their points, and passes the audit so', () => {
    const radial = step(framework, 'grids.addRadial', {
      name: 'Fan',
      angles: '3@15',
      radii: '8m 4m',
      xMm: 40_000,
      labelsA: { first: '31' },
      labelsB: { first: 'R' },
    }).after;
    const file = join(folder, 'radial.dxf');
    writeFileSync(
      file,
      writeDxf(sheet(200, step(radial, 'grids.change', { system: 'Fan', bubble: 'hexagon' }).after).drawing),
    );
    const { stdout, stderr } = run('ezdxf', 'audit', file);
    expect(stdout + stderr).toMatch(/No errors found/);
    // Read by another program: radii of arcs on the grid's layer, and what each dimension measures.
    const script = [
      'import ezdxf, sys, json',
      'm = ezdxf.readfile(sys.argv[1]).modelspace()',
      'arcs = [round(e.dxf.radius, 3) for e in m.query(\'ARC[layer=="GRID"]\')]',
      "dims = sorted(round(e.get_measurement()) for e in m.query('DIMENSION'))",
      'print(json.dumps([arcs, dims]))',
    ].join('\n');
    const [arcs, dims] = JSON.parse(run('/usr/bin/python3', '-c', script, file).stdout) as [number[], number[]];
    expect(arcs).toEqual([8000, 12_000]);
    // Bays 10000, 7200, 3600, 7200 with their sum, 6600 and 7800 with theirs, and the bay of the rings.
    expect(dims).toEqual([3600, 4000, 6600, 7200, 7200, 7800, 10_000, 14_400, 28_000]);
  });

  it('reads back in millimetres with the grid, columns and outlines at the coordinates written', () => {
    const turned = step(framework, 'grids.change', { turnDeg: 6.1 }).after;
    const read = readDxf(Buffer.from(writeDxf(sheet(100, turned).drawing)));
    if (!read.ok) throw new Error(read.refusal.message);
    expect(read.value.unit).toBe('mm');
    const grid = recogniseGrid(read.value, { layer: 'GRID' });
    if (!grid.ok) throw new Error(grid.refusal.message);
    expect(grid.value.turnDeg).toBeCloseTo(6.1, 4);
    expect(grid.value.a.baysMm).toEqual([10_000, 7200, 3600, 7200].map((bay) => expect.closeTo(bay, 2)));
    expect(grid.value.a.labels.join('')).toBe('12345');
    const at = solve(turned)
      .columns.filter(({ level }) => level === levelId(turned, '01'))
      .map((piece) => piece.at);
    const centres = [
      ...read.value.outlines
        .filter(({ layer }) => layer === 'COLUMNS')
        .map(({ corners }) => ({
          x: corners.reduce((sum, { x }) => sum + x, 0) / corners.length,
          y: corners.reduce((sum, { y }) => sum + y, 0) / corners.length,
        })),
      ...read.value.circles.filter(({ layer }) => layer === 'COLUMNS').map((circle) => circle.at),
    ];
    expect(centres).toHaveLength(at.length);
    for (const { x, y } of at) expect(centres.some((c) => Math.hypot(c.x - x, c.y - y) < 1e-3)).toBe(true);
  });
});
