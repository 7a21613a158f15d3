import { readFileSync } from 'node:fs';
import { gridInput, recogniseGrid } from '@/core/importing/recognise-grid';
import { recogniseColumns } from '@/core/importing/recognise-columns';
import type { Sheet } from '@/core/importing/sheet';
import { recordsOf } from '@/core/model/framework';
import type { Result } from '@/core/model/result';
import { solve } from '@/core/solving/solve';
import { given, SMALL_TOWER } from '@/core/testing/given';
import { readDxf } from './read';

const fixture = (name: string) => readFileSync(`e2e/fixtures/${name}`);
const truth = <T>(name: string) => JSON.parse(fixture(name).toString()) as T;
function take<T>(result: Result<T>): T {
  if (!result.ok) throw new Error(result.refusal.message);
  return result.value;
}
const message = <T>(result: Result<T>) => (result.ok ? 'taken' : result.refusal.message);

interface SiteTruth {
  baysX: number[];
  baysY: number[];
  moved: Record<string, [number, number]>;
  missing: string[];
  resized: Record<string, number>;
  withinTolerance: Record<string, [number, number]>;
  extra: { at: [number, number] }[];
}

describe('a structural engineer’s grid in millimetres', () => {
  const sheet = take(readDxf(fixture('structure-grid-mm.dxf')));
  const site = truth<SiteTruth>('structure-columns-site-m.truth.json');

  it('says its unit and gives the bays, labels and turn that were drawn', () => {
    const grid = take(recogniseGrid(sheet));
    expect(grid.unit).toBe('mm');
    expect(grid.a.baysMm).toEqual(site.baysX);
    expect(grid.b.baysMm).toEqual(site.baysY);
    expect(grid.a.labels.join('')).toBe('1234567');
    expect(grid.b.labels.join('')).toBe('ABCDE');
    expect([grid.turnDeg, grid.a.way, grid.b.way]).toEqual([0, 1, 1]);
  });

  it('is read the same in pieces, with lines the other way round and in another order', () => {
    const broken: Sheet = {
      ...sheet,
      lines: sheet.lines
        .flatMap(({ a, b, layer }) => {
          const middle = { x: a.x + (b.x - a.x) * 0.4, y: a.y + (b.y - a.y) * 0.4 };
          return [
            { a: b, b: middle, layer },
            { a, b: middle, layer },
          ];
        })
        .reverse(),
    };
    const [whole, pieces] = [take(recogniseGrid(sheet)), take(recogniseGrid(broken))];
    expect({ ...pieces, joinedPieces: 0, ignoredLines: 0 }).toEqual({ ...whole, joinedPieces: 0, ignoredLines: 0 });
    expect(pieces.joinedPieces).toBeGreaterThanOrEqual(12);
  });

  it('is found when it is turned by 13.1° and far from the zero, where it is set at the zero', () => {
    const [s, c] = [Math.sin((13.1 * Math.PI) / 180), Math.cos((13.1 * Math.PI) / 180)];
    const put = ({ x, y }: { x: number; y: number }) => ({ x: 5.2e7 + x * c - y * s, y: 2.1e7 + x * s + y * c });
    const grid = take(
      recogniseGrid({
        ...sheet,
        lines: sheet.lines.map((line) => ({ ...line, a: put(line.a), b: put(line.b) })),
        circles: sheet.circles.map((circle) => ({ ...circle, at: put(circle.at) })),
        texts: sheet.texts.map((text) => ({ ...text, at: put(text.at) })),
      }),
    );
    expect(grid.turnDeg).toBeCloseTo(13.1, 4);
    expect(grid.a.baysMm.map(Math.round)).toEqual(site.baysX);
    expect(gridInput(grid)).not.toHaveProperty('xMm');
    expect(gridInput(take(recogniseGrid(sheet)))).toHaveProperty('xMm');
  });

  it('is refused in words on a layer that is not there, and without two directions', () => {
    expect(message(recogniseGrid(sheet, { layer: 'X' }))).toMatch(/no lines on layer X/);
    const oneWay = { ...sheet, lines: sheet.lines.filter(({ a, b }) => Math.abs(a.x - b.x) < 1) };
    expect(message(recogniseGrid(oneWay))).toMatch(/No two directions/);
    expect(message(recogniseGrid({ ...sheet, lines: [] }))).toMatch(/holds no lines/);
  });
});

describe('an old drawing in inches that does not say so', () => {
  const sheet = take(readDxf(fixture('old-grid-inches-r12.dxf')));
  const old = truth<{ baysX: number[]; baysYTopDown: number[] }>('old-grid-inches-r12.truth.json');

  it('is refused until the person says the unit, and then gives the bays drawn, letters from the top down', () => {
    expect(message(recogniseGrid(sheet))).toMatch(/does not say its unit/);
    const grid = take(recogniseGrid(sheet, { unit: 'inch' }));
    expect(grid.a.baysMm.map((mm) => mm / 25.4)).toEqual(old.baysX.map((bay) => expect.closeTo(bay, 4)));
    expect(grid.b.baysMm.map((mm) => mm / 25.4)).toEqual(old.baysYTopDown.map((bay) => expect.closeTo(bay, 4)));
    expect([grid.b.labels[0], grid.b.way]).toEqual(['A', -1]);
  });
});

describe('an engineer’s columns in metres, in site coordinates', () => {
  const site = truth<SiteTruth>('structure-columns-site-m.truth.json');
  const framework = given([
    ['buildings.add', { name: 'Hall' }],
    ['levels.setUp', { above: '3@4m' }],
    ['grids.add', { baysA: site.baysX, baysB: site.baysY }],
  ]);
  const building = recordsOf(framework, 'building')[0]!.id;
  const read = take(recogniseColumns(framework, building, take(readDxf(fixture('structure-columns-site-m.dxf')))));

  it('are laid over our grid by the lines both have, each found where the truth has it', () => {
    expect(read.registeredBy).toEqual({ labels: ['1', 'A'] });
    const xs = [0, ...site.baysX].map((_, i) => site.baysX.slice(0, i).reduce((sum, bay) => sum + bay, 0));
    const ys = [0, ...site.baysY].map((_, i) => site.baysY.slice(0, i).reduce((sum, bay) => sum + bay, 0));
    const expected = ys.flatMap((y, j) =>
      xs.flatMap((x, i) => {
        const label = `${'ABCDE'[j]}-${i + 1}`;
        if (site.missing.includes(label)) return [];
        const [dx, dy] = site.moved[label] ?? site.withinTolerance[label] ?? [0, 0];
        const side = site.resized[label] ?? 500;
        const section =
          i === 2 ? { shape: 'circle', diameterMm: 550 } : { shape: 'rectangle', widthMm: side, depthMm: side };
        return [{ x: x + dx, y: y + dy, section }];
      }),
    );
    for (const { x, y, section } of expected) {
      const found = read.columns.filter((column) => Math.hypot(column.xMm - x, column.yMm - y) < 0.5);
      expect(found).toHaveLength(1);
      expect(found[0]!.section).toEqual(
        Object.fromEntries(
          Object.entries(section).map(([key, value]) => [
            key,
            typeof value === 'number' ? expect.closeTo(value, 1) : value,
          ]),
        ),
      );
      expect(found[0]!.turnDeg).toBeCloseTo(0, 3);
    }
    expect(read.columns).toHaveLength(expected.length + site.extra.length);
    const [extra] = site.extra;
    expect(read.columns.some(({ xMm, yMm }) => Math.hypot(xMm - extra!.at[0], yMm - extra!.at[1]) < 0.5)).toBe(true);
  });

  it('are held to the crossings they stand near, and stand free elsewhere', () => {
    const taken = given([['columns.take', { columns: read.columns }]], framework);
    const stacks = recordsOf(taken, 'columnStack');
    expect(stacks.filter(({ place }) => place.lines === null).map(({ name }) => name)).toEqual(['X1']);
    const a6 = solve(taken).columns.find(({ mark }) => mark === 'A-6')!;
    expect(a6.at.x).toBeCloseTo(32475, 1);
  });
});

describe('files that are no sound drawing', () => {
  it.each([
    ['binary-noise.dxf', /not a DXF drawing/],
    ['empty.dxf', /empty/],
    ['not-a-number.dxf', /line 2216: "NaN" is not a number/],
    ['overflow.dxf', /lies nowhere/],
    ['truncated.dxf', /cut off/],
    ['future.spine.json', /not a DXF drawing/],
  ])('%s is refused in words', (name, says) => expect(message(readDxf(fixture(`malformed/${name}`)))).toMatch(says));

  it('every cut of a sound drawing is refused or read, and never throws', () => {
    const whole = fixture('old-grid-inches-r12.dxf');
    for (let i = 0; i < 40; i += 1) {
      const cut = whole.subarray(0, Math.floor((whole.length * (i + 0.5)) / 40));
      expect(message(readDxf(cut))).toMatch(/cut off|not a DXF|expected|not a number/);
    }
  });

  it('a drawing with signs changed at random places is refused or read, and never throws', () => {
    const whole = fixture('structure-grid-mm.dxf').toString('latin1');
    for (let i = 1; i <= 60; i += 1) {
      const at = (i * 7919) % whole.length;
      const changed = `${whole.slice(0, at)}${'~9-\n.'[i % 5]}${whole.slice(at + 1)}`;
      expect(typeof readDxf(Buffer.from(changed, 'latin1')).ok).toBe('boolean');
    }
  });
});

it('columns are asked for their unit and layer when the drawing says neither', () => {
  const tower = given(SMALL_TOWER);
  const building = recordsOf(tower, 'building')[0]!.id;
  const sheet = take(readDxf(fixture('structure-columns-site-m.dxf')));
  expect(message(recogniseColumns(tower, building, { ...sheet, unit: null }))).toMatch(/does not say its unit/);
  expect(message(recogniseColumns(tower, building, sheet, { layer: 'none' }))).toMatch(/on layer none/);
});

describe('curves', () => {
  const pairs = (...values: (string | number)[]) => values.join('\n');
  const drawing = (entities: string) =>
    new TextEncoder().encode(
      [pairs(0, 'SECTION', 2, 'ENTITIES'), entities, pairs(0, 'ENDSEC', 0, 'EOF'), ''].join('\n'),
    );
  const arc = pairs(0, 'ARC', 8, 'WALLS', 10, 1000, 20, 2000, 40, 500, 50, 0, 51, 90);

  it('are read as chords that lie on them: a quarter circle from its first point to its last', () => {
    const [curve] = take(readDxf(drawing(arc))).curves;
    expect(curve!.layer).toBe('WALLS');
    expect([curve!.points[0], curve!.points.at(-1)]).toEqual([
      { x: expect.closeTo(1500, 6), y: expect.closeTo(2000, 6) },
      { x: expect.closeTo(1000, 6), y: expect.closeTo(2500, 6) },
    ]);
    for (const { x, y } of curve!.points) expect(Math.hypot(x - 1000, y - 2000)).toBeCloseTo(500, 6);
  });
  it('bulge an open run, and round off a closed outline', () => {
    const run = (closed: 0 | 1) =>
      pairs(0, 'LWPOLYLINE', 8, 'X', 90, 2, 70, closed, 10, 0, 20, 0, 42, 1, 10, 1000, 20, 0, 42, closed);
    const open = take(readDxf(drawing(run(0))));
    expect([open.lines.length, open.curves.length]).toEqual([0, 1]);
    expect(Math.min(...open.curves[0]!.points.map(({ y }) => y))).toBeCloseTo(-500, 0);
    const round = take(readDxf(drawing(run(1)))).outlines[0]!.corners;
    for (const { x, y } of round) expect(Math.hypot(x - 500, y)).toBeCloseTo(500, 6);
  });
  it('that cannot be drawn are left out, not the drawing refused', () => {
    const spline = pairs(0, 'SPLINE', 8, 'X', 71, 3, 10, 0, 20, 0);
    expect(take(readDxf(drawing(`${arc}\n${spline}`))).curves).toHaveLength(1);
  });
});

describe('a block inserted in rows and columns', () => {
  const drawing = (...codes: (string | number)[]) => {
    const block = ['0', 'BLOCK', '8', '0', '2', 'COL', '70', '0', '10', '0', '20', '0', '30', '0', '3', 'COL'];
    const circle = ['0', 'CIRCLE', '8', 'S-COLS', '10', '0', '20', '0', '40', '0.3'];
    const insert = ['0', 'INSERT', '8', 'S-COLS', '2', 'COL', '10', '2', '20', '1', '41', '2', '42', '2', ...codes];
    const section = (name: string, body: readonly (string | number)[]) => [0, 'SECTION', 2, name, ...body, 0, 'ENDSEC'];
    const all = [...section('BLOCKS', [...block, ...circle, '0', 'ENDBLK']), ...section('ENTITIES', insert), 0, 'EOF'];
    return readDxf(new TextEncoder().encode(`${all.join('\n')}\n`));
  };
  const round = (value: number) => Math.round(value * 1e6) / 1e6;

  it('stands at each place, its spacings along its own axes and not scaled', () => {
    const read = take(drawing(50, 90, 70, 3, 71, 2, 44, 7.2, 45, 6));
    expect(read.circles.map(({ at, radius }) => [round(at.x), round(at.y), radius])).toEqual([
      [2, 1, 0.6],
      [2, 8.2, 0.6],
      [2, 15.4, 0.6],
      [-4, 1, 0.6],
      [-4, 8.2, 0.6],
      [-4, 15.4, 0.6],
    ]);
    expect(take(drawing()).circles).toHaveLength(1);
  });

  it('is refused where it would stand too often', () => {
    expect(message(drawing(70, 32_000, 71, 32_000, 44, 1, 45, 1))).not.toBe('taken');
  });
});
