import { recordsOf } from '../model/framework';
import { solve } from '../solving/solve';
import { FURNISHED, given, step } from '../testing/given';
import { reportOf, reportSchema } from './report';

const tower = given([...FURNISHED, ['project.start', { name: 'Tidewater Yard' }]]);
const report = reportOf(tower, solve(tower));

describe('the report', () => {
  it('fits its schema to the letter, and survives JSON', () => {
    expect(reportSchema.parse(report)).toEqual(report);
    expect(JSON.parse(JSON.stringify(report))).toEqual(report);
  });

  it('has a row for each level, line, crossing, column piece, slab and shaft, all of the one building', () => {
    const { levels, gridLines, crossings, columns, floors, shafts, buildings } = report;
    expect([levels, gridLines, crossings, columns, floors, shafts].map(({ length }) => length)).toEqual([
      8, 8, 15, 105, 8, 1,
    ]);
    const ids = new Set(
      [...levels, ...gridLines, ...crossings, ...columns, ...floors, ...shafts].map((row) => row.building),
    );
    expect([...ids]).toEqual([buildings[0]!.id]);
    expect(report.project).toBe('Tidewater Yard');
  });

  it('gives levels from the lowest up with null for the storey height of the topmost', () => {
    expect(report.levels.map(({ name, fflMm, sslMm, storeyHeightMm }) => [name, fflMm, sslMm, storeyHeightMm])).toEqual(
      [
        ['B2', -7500, -7600, 3600],
        ['B1', -3900, -4000, 3900],
        ['00', 0, -100, 5400],
        ['01', 5400, 5300, 4800],
        ['02', 10200, 10100, 4800],
        ['03', 15000, 14900, 3300],
        ['04', 18300, 18200, 3300],
        ['RF', 21600, 21600, null],
      ],
    );
  });

  it('gives offsets from the first line of each direction, whichever way it is counted', () => {
    const back = step(tower, 'grids.add', {
      name: 'Back',
      baysA: '4000 5000',
      baysB: '3000',
      waysOf: { a: -1, b: -1 },
    }).after;
    const { gridLines } = reportOf(back, solve(back));
    const system = recordsOf(back, 'gridSystem').find(({ name }) => name === 'Back')!.id;
    expect(
      gridLines.filter((line) => line.system === system).map(({ direction, offsetMm }) => [direction, offsetMm]),
    ).toEqual([
      ['a', 0],
      ['a', 4000],
      ['a', 9000],
      ['b', 0],
      ['b', 3000],
    ]);
  });

  it('adds volumes up: areas times thickness, sections times heights', () => {
    for (const { areaM2, thicknessMm, volumeM3 } of report.floors) {
      expect(volumeM3).toBeCloseTo((areaM2 * thicknessMm) / 1000, 5);
    }
    for (const { bottomMm, topMm, volumeM3, section } of report.columns) {
      expect(section).toBe('500 × 500');
      expect(volumeM3).toBeCloseTo((0.25 * (topMm - bottomMm)) / 1000, 6);
    }
    expect(report.floors.find(({ level }) => level === '01')).toMatchObject({
      areaM2: 25.8 * 15 - 2.4 * 3,
      perimeterM: 92.4,
      holes: 1,
    });
  });

  it('names what each shaft cuts and misses, and each finding in words with its level', () => {
    expect(report.shafts[0]).toMatchObject({
      name: 'S1',
      bottomMm: -7500,
      topMm: 21600,
      cuts: ['B1', '00', '01', '02', '03', '04'].map((level) => ({ floor: 'Plate', level })),
      misses: [],
    });
    const moved = step(tower, 'elements.move', {
      ids: [recordsOf(tower, 'shaft')[0]!.id],
      xMm: -2000,
      yMm: -1500,
    }).after;
    const { findings } = reportOf(moved, solve(moved));
    expect(findings).toHaveLength(7);
    for (const finding of findings) {
      expect(finding).toMatchObject({ rule: 'column.insideShaft', severity: 'error' });
      expect(finding.message).toContain(`at level ${finding.level}`);
      expect(finding.id.startsWith('column.insideShaft|')).toBe(true);
    }
  });

  it('says another fingerprint for another framework, and the same for the same', () => {
    expect(reportOf(tower, solve(tower)).hash).toBe(report.hash);
    const renamed = step(tower, 'levels.rename', { level: '01', title: 'Hall' }).after;
    expect(reportOf(renamed, solve(renamed)).hash).not.toBe(report.hash);
  });
});

it('tells turns within one turn, and the angle of rays and the radius of rings', () => {
  const turned = step(tower, 'columns.place', {
    place: '3000,3000',
    name: 'T',
    turnDeg: -30,
    section: { shape: 'rectangle', widthMm: 400, depthMm: 300 },
  }).after;
  const fan = step(turned, 'grids.addRadial', {
    name: 'Fan',
    angles: '2@15',
    radii: '8m 4m',
    turnDeg: 350,
    xMm: 60_000,
    labelsA: { first: '31' },
    labelsB: { first: 'R' },
  }).after;
  const { columns, gridLines } = reportOf(fan, solve(fan));
  expect(columns.find(({ stack }) => stack === 'T')!.turnDeg).toBe(330);
  const system = recordsOf(fan, 'gridSystem').find(({ name }) => name === 'Fan')!.id;
  const own = gridLines.filter((line) => line.system === system);
  expect(own.map(({ angleDeg, radiusMm }) => [angleDeg, radiusMm])).toEqual([
    [350, null],
    [5, null],
    [20, null],
    [null, 8000],
    [null, 12_000],
  ]);
});

it('has the places, sills, hands and leaves of openings, the places of shafts, and heads', () => {
  const made = given(
    [
      [
        'walls.add',
        {
          name: 'W',
          type: { name: 'T', layers: [{ name: 'concrete', thicknessMm: 200, core: true }] },
          points: [
            { xMm: 8000, yMm: 9000 },
            { xMm: 13_000, yMm: 9000 },
          ],
          startsAt: { level: '00' },
          stopsAt: { level: '01' },
        },
      ],
      ['walls.addOpening', { wall: 'W', opening: 'window', alongMm: 1000, widthMm: 1200, heightMm: 1400, sillMm: 900 }],
      ['columns.setBlocks', { columns: ['A-1'], head: { widthMm: 900, depthMm: 900, heightMm: 200 } }],
    ] as never,
    tower,
  );
  const full = reportOf(made, solve(made));
  expect(reportSchema.parse(full)).toEqual(full);
  expect(full.walls[0]!.openings).toEqual([
    {
      name: expect.any(String),
      kind: 'window',
      level: '00',
      xMm: 9600,
      yMm: 9000,
      widthMm: 1200,
      heightMm: 1400,
      sillMm: 900,
      leaves: 1,
      hand: 'left',
      opens: 'inwards',
    },
  ]);
  // S1 stands at A-1 + 2000, 1500 and is 2.4 × 3.0 m.
  expect(full.shafts[0]).toMatchObject({ xMm: 3200, yMm: 3000 });
  expect(full.shafts[0]!.stages).toMatchObject([{ areaM2: 7.2 }]);
  expect(full.heads[0]).toMatchObject({ stack: 'A-1', kind: 'head', widthMm: 900, grossVolumeM3: 0.162 });
  // Less the column of 500 × 500 that runs through it.
  expect(full.heads[0]!.volumeM3).toBeCloseTo(0.162 - 0.05, 9);
});

it('tells both places where a line meets an arc', () => {
  const framework = given([
    ['buildings.add', { name: 'Hall' }],
    [
      'grids.addFree',
      {
        lines: [
          { path: { xMm: 0, yMm: 0, radiusMm: 5000, fromDeg: 0, sweepDeg: 180 }, label: 'R' },
          { path: { x0Mm: -9000, y0Mm: 3000, x1Mm: 9000, y1Mm: 3000 }, label: '1' },
        ],
      },
    ],
  ]);
  const { crossings } = reportOf(framework, solve(framework));
  // 3, 4, 5.
  expect(crossings.map(({ nth, xMm, yMm }) => [nth, xMm, yMm]).sort()).toEqual([
    [1, 4000, 3000],
    [2, -4000, 3000],
  ]);
  expect(new Set(crossings.map(({ id }) => id)).size).toBe(2);
});
