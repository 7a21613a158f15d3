import fc from 'fast-check';
import { sharedArea } from '../geometry/convex-clip';
import { ringArea } from '../geometry/polygon';
import { recordsOf, type Framework } from '../model/framework';
import { solve } from '../solving/solve';
import { FURNISHED, given, levelId, refusal, afterFrom, step } from '../testing/given';
import { STARTING_TYPES } from './wall-type';
import type { WallFace } from './wall-faces';

/** Two storeys of 3.3 m and a roof; build-up 100; a slab of 12 × 10 m, 250 thick. */
const house = given([
  ['buildings.add', { name: 'House' }],
  ['levels.setUp', { above: '2@3.3m', buildUpMm: 100 }],
  [
    'floors.add',
    { name: 'Plate', outline: { type: 'rectangle', place: '0,0', widthMm: 12_000, depthMm: 10_000 }, thicknessMm: 250 },
  ],
  ['foundations.add', { form: 'raft' }],
]);
const after = afterFrom(house);
const type = (name: string) => STARTING_TYPES.find((each) => each.name === name)!;
const corners = (text: string) =>
  text.split(' ').map((pair) => ({ xMm: Number(pair.split(',')[0]), yMm: Number(pair.split(',')[1]) }));
const wall = (points: string, more: Record<string, unknown> = {}, framework = house) =>
  after(
    'walls.add',
    { type: type('Interior 150'), points: corners(points), startsAt: { level: '00' }, ...more },
    framework,
  );
const loop = (more: Record<string, unknown> = {}, framework = house) =>
  wall(
    '0,0 12000,0 12000,10000 0,10000',
    { use: 'exterior', type: type('Exterior 400'), closed: true, on: 'outside', ...more },
    framework,
  );
const pieces = (framework: Framework) => solve(framework).walls;
const area = (framework: Framework, name: string) => {
  const solved = solve(framework);
  const piece = solved.walls.find((each) => each.name === name)!;
  return solved.profiles[piece.slices[0]!.profile]!.areaMm2;
};

describe('a wall', () => {
  it('stands on its slab up to the soffit above, the same face of its layers on the path', () => {
    const [piece] = pieces(wall('1000,2000 5000,2000'));
    // SSL of 00 is −100; SSL of 01 is 3200, its slab 250 thick.
    expect([piece!.bottomMm, piece!.topMm]).toEqual([-100, 2950]);
    expect(piece!.volumeMm3).toBe(4000 * 150 * 3050);
    const faces: [string, number, number][] = [
      ['outside', 2000 - 400, 2000],
      ['coreOutside', 2000 - 200, 2000 + 200],
      ['coreCentre', 2000 - 110, 2000 + 290],
      ['coreInside', 2000 - 20, 2000 + 380],
      ['inside', 2000, 2000 + 400],
      ['centre', 2000 - 200, 2000 + 200],
    ];
    for (const [on, low, high] of faces) {
      const [made] = pieces(wall('1000,2000 5000,2000', { type: type('Exterior 400'), on, outside: 'left' }));
      const ys = made!.strips[0]!.map(({ y }) => y);
      expect([on, Math.min(...ys), Math.max(...ys)]).toEqual([on, low, high]);
      const [turned] = pieces(
        after(
          'walls.flip',
          { walls: ['W1'] },
          wall('1000,2000 5000,2000', { type: type('Exterior 400'), on, outside: 'left' }),
        ),
      );
      const other = turned!.strips[0]!.map(({ y }) => y);
      expect([Math.min(...other), Math.max(...other)]).toEqual([4000 - high, 4000 - low]);
    }
  });

  it('runs through several storeys, parted by their slabs, or past them with the slabs kept clear', () => {
    const parted = pieces(wall('1000,2000 5000,2000', { stopsAt: { level: 'RF' } }));
    expect(parted.map(({ bottomMm, topMm }) => [bottomMm, topMm])).toEqual([
      [-100, 2950],
      [3200, 6350],
    ]);
    const glazed = wall('1000,2000 5000,2000', {
      use: 'glazed',
      type: type('Glazed 120'),
      stopsAt: { level: 'RF', face: 'SSL' },
      passesClearMm: 30,
    });
    const solved = solve(glazed);
    expect(solved.walls.map(({ bottomMm, topMm }) => [bottomMm, topMm])).toEqual([[-100, 6600]]);
    const areas = solved.floors.map(({ profile }) => solved.profiles[profile]!.areaMm2);
    expect(areas).toEqual([120e6, 120e6 - 4000 * 180, 120e6 - 4000 * 180]);
  });

  it('goes on over the roof as a parapet of a height', () => {
    const parapet = pieces(loop({ startsAt: { level: 'RF' }, stopsAt: { level: 'RF', face: 'SSL', offsetMm: 1100 } }));
    expect(parapet.map(({ bottomMm, topMm }) => topMm - bottomMm)).toEqual([1100]);
  });

  it('on nothing is a finding, and goes when a floor is brought under it', () => {
    const off = wall('14000,2000 16000,2000');
    expect(solve(off).findings.map(({ rule }) => rule)).toEqual(['wall.onNothing']);
    const under = after(
      'floors.add',
      { outline: { type: 'rectangle', place: '13000,0', widthMm: 5000, depthMm: 5000 } },
      off,
    );
    expect(solve(under).findings).toEqual([]);
  });

  it('follows the crossing it is drawn from, and stays when a line of it goes', () => {
    const gridded = given([['grids.add', { baysA: '6000', baysB: '5000', turnDeg: 20 }]], house);
    const made = wall('0,0 3000,0', { place: 'B-2' }, gridded);
    const before = pieces(made)[0]!.strips[0]!;
    const wider = pieces(after('grids.setBay', { line: '2', bayMm: 6600, mode: 'push' }, made))[0]!.strips[0]!;
    expect(Math.hypot(wider[0]!.x - before[0]!.x, wider[0]!.y - before[0]!.y)).toBeCloseTo(600, 4);
    const kept = pieces(after('grids.removeLine', { line: 'B' }, made))[0]!.strips[0]!;
    kept.forEach((point, i) => expect(Math.hypot(point.x - before[i]!.x, point.y - before[i]!.y)).toBeLessThan(1e-3));
  });
});

describe('joins', () => {
  it('mitre the corners of one path: a closed loop of 400 has the area of its ring', () => {
    expect(area(loop(), 'W1')).toBeCloseTo(12_000 * 10_000 - 11_200 * 9200, 3);
  });

  it('bring the end of a wall to the face of the one it meets, at it or past it, and cut it there', () => {
    for (const end of [11_599.5, 11_600, 11_640, 11_900]) {
      const both = wall(`6000,4000 ${end},4000`, {}, loop());
      // The loop's inner face is at 11 600.
      expect(area(both, 'W2')).toBeCloseTo((11_600 - 6000) * 150, 3);
      expect(area(both, 'W1')).toBeCloseTo(12_000 * 10_000 - 11_200 * 9200, 3);
    }
    expect(area(wall('6000,4000 11500,4000', {}, loop()), 'W2')).toBeCloseTo(5500 * 150, 3);
  });

  it('never close a gap: up to 50 mm it is found, with the wall brought to the other', () => {
    const gaps = (framework: Framework) => solve(framework).findings.filter(({ rule }) => rule === 'wall.loopGap');
    for (const [end, gap] of [
      [11_570, '30'],
      [11_598, '2'],
      [11_552.5, '47.5'],
    ] as const) {
      const short = wall(`6000,4000 ${end},4000`, {}, loop());
      expect(area(short, 'W2')).toBeCloseTo((end - 6000) * 150, 3);
      const [found, more] = gaps(short);
      expect(found!.message).toContain(`the end of wall W2 and wall W1 is a gap of ${gap} mm`);
      expect(more).toBeUndefined();
      const closed = step(short, found!.fixes[0]!.command, found!.fixes[0]!.input).after;
      expect(gaps(closed)).toEqual([]);
      expect(area(closed, 'W2')).toBeCloseTo((11_600 - 6000) * 150, 3);
    }
    expect(gaps(wall('6000,4000 11530,4000', {}, loop()))).toEqual([]);
    // In line, end to end; a corner one leg of which is short; two walls beside each other are no gap.
    expect(gaps(wall('6040,2000 9000,2000', {}, wall('2000,2000 6000,2000')))).toHaveLength(1);
    expect(gaps(wall('6000,2100 6000,5000', {}, wall('2000,2000 6000,2000')))).toHaveLength(1);
    expect(gaps(wall('2000,2180 6000,2180', {}, wall('2000,2000 6000,2000')))).toEqual([]);
    // In another storey there is nothing to meet.
    const above = { startsAt: { level: '01' } };
    expect(gaps(wall('6040,2000 9000,2000', above, wall('2000,2000 6000,2000')))).toEqual([]);
  });

  it('are made with walls that stand in one of its storeys, of typical floors too, and with no others', () => {
    const other = (level: string) => ({
      name: 'B',
      startsAt: { level },
      stopsAt: { level: level === '00' ? '01' : 'RF' },
    });
    const one = { name: 'A', stopsAt: { level: '01' } };
    const alone = wall('1000,3000 6000,3000', one);
    const above = wall('5900,1000 5900,6000', other('01'), alone);
    expect(area(above, 'A')).toBeCloseTo(5000 * 150, 3);
    // In its storey it ends at the other, at its middle or its face.
    const beside = wall('5900,1000 5900,6000', other('00'), alone);
    expect(area(beside, 'A')).toBeLessThan(4901 * 150);
    const follows = after('typical.follow', { master: '00', levels: ['01'], name: 'Alike' }, alone);
    const alike = wall('5900,1000 5900,6000', other('01'), follows);
    expect(area(alike, 'A')).toBeLessThan(4901 * 150);
  });

  it('fill the corner of two walls that end at one place, with nothing twice', () => {
    const both = wall('8000,2000 8000,6000', {}, wall('2000,2000 8000,2000'));
    // An L of two legs 150 wide about its middle lines, its corner square.
    expect(area(both, 'W1') + area(both, 'W2')).toBeCloseTo((6000 + 4000) * 150, 3);
  });

  it('cross with nothing twice, and never share a place, however walls lie', () => {
    const end = fc.record({ x: fc.integer({ min: 500, max: 11_500 }), y: fc.integer({ min: 500, max: 9500 }) });
    fc.assert(
      fc.property(fc.array(fc.tuple(end, end), { minLength: 2, maxLength: 5 }), (lines) => {
        const drawn = lines.filter(([a, b]) => Math.hypot(a.x - b.x, a.y - b.y) > 1000);
        const framework = drawn.reduce((now, [a, b]) => wall(`${a.x},${a.y} ${b.x},${b.y}`, {}, now), house);
        const solved = solve(framework);
        const regions = solved.walls.map(({ slices }) => solved.profiles[slices[0]!.profile]!.regions);
        regions.forEach((own, i) => {
          for (const other of regions.slice(i + 1)) {
            for (const { outer: a } of own) {
              for (const { outer: b } of other) {
                // Convex pieces of straight walls: their shared area by clipping one to the other.
                if (isConvex(a)) expect(sharedArea(a, b)).toBeLessThan(20);
              }
            }
          }
        });
      }),
      { numRuns: 25 },
    );
  });
});

const isConvex = (ring: readonly { x: number; y: number }[]): boolean =>
  ring.every((p, i) => {
    const [q, r] = [ring[(i + 1) % ring.length]!, ring[(i + 2) % ring.length]!];
    return (q.x - p.x) * (r.y - q.y) - (q.y - p.y) * (r.x - q.x) >= -1e-6;
  });

describe('doors, windows and plain openings', () => {
  const open = after(
    'walls.addOpening',
    { wall: 'W1', opening: 'window', alongMm: 1500, widthMm: 1800, heightMm: 1400, sillMm: 900 },
    loop(),
  );

  it('take their volume out of the wall, between sill and head, measured from the floor’s finish', () => {
    const gross = pieces(loop())[0]!.volumeMm3;
    expect(pieces(open)[0]!.volumeMm3).toBeCloseTo(gross - 1800 * 1400 * 400, 0);
    expect(pieces(open)[0]!.slices.map(({ bottomMm, topMm }) => [bottomMm, topMm])).toEqual([
      [-100, 900],
      [900, 2300],
      [2300, 2950],
    ]);
    expect(pieces(open)[0]!.openings[0]).toMatchObject({ name: 'N1', widthMm: 1800, inwards: { x: -0, y: 1 } });
  });

  it('stand on every floor of a wall that passes the slabs', () => {
    const core = wall('2000,2000 6000,2000', {
      use: 'core',
      type: type('Core 250'),
      stopsAt: { level: 'RF' },
      passesClearMm: 0,
    });
    const doors = after('walls.addOpening', { wall: 'W1', opening: 'door', alongMm: 500 }, core);
    const [piece] = pieces(doors);
    expect(piece!.openings.map(({ bottomMm, topMm }) => [bottomMm, topMm])).toEqual([
      [0, 2110],
      [3300, 5410],
    ]);
    expect(piece!.volumeMm3).toBeCloseTo(pieces(core)[0]!.volumeMm3 - 2 * 1010 * 2110 * 250, 0);
  });

  it('move with the wall, are there at some levels only where said, and keep their names apart', () => {
    const both = after('walls.change', { wall: 'W1', stopsAt: { level: 'RF' } }, open);
    expect(pieces(both).map(({ openings }) => openings.length)).toEqual([1, 1]);
    const one = after('walls.changeOpening', { wall: 'W1', opening: 'N1', at: ['01'] }, both);
    expect(pieces(one).map(({ openings }) => openings.length)).toEqual([0, 1]);
    const door = after('walls.addOpening', { wall: 'W1', opening: 'door', alongMm: 14_000 }, one);
    expect(recordsOf(door, 'wall')[0]!.openings.map(({ name }) => name)).toEqual(['N1', 'D1']);
    const removed = after('levels.remove', { level: '01' }, one);
    expect(recordsOf(removed, 'wall')[0]!.openings).toEqual([]);
    const copied = after(
      'elements.copy',
      { ids: [recordsOf(door, 'wall')[0]!.id], by: [{ xMm: 20_000, yMm: 0 }] },
      door,
    );
    expect(
      recordsOf(copied, 'wall')
        .flatMap(({ openings }) => openings.map(({ name }) => name))
        .sort(),
    ).toEqual(['D1', 'D2', 'N1', 'N2']);
  });

  it('over a corner or past an end are refused; one that comes to be too high is a finding', () => {
    const at = (alongMm: number) => ({ wall: 'W1', opening: 'door', alongMm, widthMm: 1000 });
    expect(refusal(loop(), 'walls.addOpening', at(11_500))).toMatch(/over a corner/);
    expect(refusal(loop(), 'walls.addOpening', at(43_500))).toMatch(/past an end/);
    const low = after('levels.setHeight', { level: '00', heightMm: 2400, mode: 'push' }, open);
    expect(solve(low).findings.map(({ rule }) => rule)).toContain('wall.opening');
    expect(solve(after('walls.changeOpening', { wall: 'W1', opening: 'N1', heightMm: 900 }, low)).findings).toEqual([]);
    // Of one whose sill the wall does not reach there is nothing, and that is found.
    const stopsAt = { level: '00', face: 'FFL' as const, offsetMm: 700 };
    const under = solve(after('walls.change', { wall: 'W1', stopsAt }, open));
    expect(under.walls.flatMap(({ openings }) => openings.map(({ name }) => name))).not.toContain('N1');
    expect(under.findings.map(({ message }) => message).join()).toMatch(/Window N1 of wall W1 is higher than the wall/);
  });
});

describe('outlines from walls', () => {
  const slab = (face: WallFace, offsetMm: number, framework: Framework, walls: string[]) =>
    after('floors.add', { name: 'Derived', outline: { type: 'walls', walls, face, offsetMm } }, framework);
  const areaOf = (framework: Framework) => {
    const plate = recordsOf(framework, 'floorPlate').find(({ name }) => name === 'Derived')!.id;
    return ringArea(solve(framework).floors.find((each) => each.plate === plate)!.outline) / 1e6;
  };

  it('follow the face asked for, with an offset, and the walls when they move or grow thicker', () => {
    const made = loop();
    // 90 + 110 lie outside the core, the core is 180.
    expect(areaOf(slab('coreOutside', 0, made, ['W1']))).toBeCloseTo(11.6 * 9.6, 6);
    expect(areaOf(slab('coreInside', 0, made, ['W1']))).toBeCloseTo(11.24 * 9.24, 6);
    expect(areaOf(slab('outside', 50, made, ['W1']))).toBeCloseTo(12.1 * 10.1, 6);
    const derived = slab('coreOutside', 0, made, ['W1']);
    const thicker = after(
      'walls.defineType',
      {
        name: 'Exterior 400',
        layers: [
          { name: 'insulation', thicknessMm: 300 },
          { name: 'concrete', thicknessMm: 200, core: true },
        ],
      },
      derived,
    );
    expect(areaOf(thicker)).toBeCloseTo(11.4 * 9.4, 6);
    expect(refusal(derived, 'elements.remove', { ids: [recordsOf(derived, 'wall')[0]!.id] })).toMatch(/hangs on it/);
  });

  it('go round several walls, in whatever order and direction they were drawn', () => {
    const four = [
      ['0,0 12000,0', 'right'],
      ['12000,10000 12000,0', 'left'],
      ['0,10000 12000,10000', 'left'],
      ['0,10000 0,0', 'right'],
    ].reduce(
      (now, [points, outside]) =>
        wall(points!, { use: 'exterior', type: type('Exterior 400'), on: 'outside', outside }, now),
      house,
    );
    expect(areaOf(slab('coreOutside', 0, four, ['W1', 'W3', 'W2', 'W4']))).toBeCloseTo(11.6 * 9.6, 6);
    const moved = after(
      'elements.move',
      { ids: [recordsOf(four, 'wall').find(({ name }) => name === 'W2')!.id], xMm: 1000, yMm: 0 },
      slab('coreOutside', 0, four, ['W1', 'W2', 'W3', 'W4']),
    );
    expect(areaOf(moved)).toBeCloseTo(12.6 * 9.6, 6);
    expect(refusal(four, 'floors.add', { outline: { type: 'walls', walls: ['W1', 'W3'], face: 'inside' } })).toMatch(
      /encloses nothing/,
    );
  });
});

describe('copies', () => {
  it('run alongside at the clear distance asked for', () => {
    const pair = after(
      'walls.parallel',
      { wall: 'W1', clearMm: '1.5m', side: 'left', count: 2 },
      wall('1000,2000 5000,2000'),
    );
    const rows = pieces(pair)
      .map(({ strips }) => strips[0]!.map(({ y }) => y))
      .map((ys) => [Math.min(...ys), Math.max(...ys)] as const)
      .sort((a, b) => a[0] - b[0]);
    expect(rows[1]![0] - rows[0]![1]).toBeCloseTo(1500, 6);
    expect(rows[2]![0] - rows[1]![1]).toBeCloseTo(1500, 6);
  });

  it('mirrored keep outside outside', () => {
    const gridded = given([['grids.add', { baysA: '6000 6000', baysB: '5000' }]], loop());
    const id = recordsOf(gridded, 'wall')[0]!.id;
    const mirrored = after('elements.mirror', { ids: [id], line: '2', copies: false }, gridded);
    expect(area(mirrored, 'W1')).toBeCloseTo(area(gridded, 'W1'), 3);
    const box = (framework: Framework) => {
      const xs = pieces(framework)[0]!
        .strips.flat()
        .map(({ x }) => x);
      return [Math.min(...xs), Math.max(...xs)];
    };
    expect(box(mirrored)).toEqual(box(gridded));
  });

  it('names and types are refused twice', () => {
    expect(
      refusal(wall('0,0 1000,0', { name: 'A1' }), 'walls.add', {
        name: 'A1',
        type: 'Interior 150',
        points: corners('0,0 1000,0'),
        startsAt: { level: '00' },
      }),
    ).toMatch(/A1 already/);
    expect(refusal(house, 'walls.defineType', { name: 'X', layers: [{ name: 'air', thicknessMm: 50 }] })).toMatch(
      /core/,
    );
    expect(
      refusal(house, 'walls.add', { type: 'None', points: corners('0,0 1,1'), startsAt: { level: '00' } }),
    ).toMatch(/no wall type/);
  });
});

it('levels of another storey height keep walls at the soffit', () => {
  const made = wall('1000,2000 5000,2000', { stopsAt: { level: 'RF' } });
  const higher = after('levels.setHeight', { level: '00', heightMm: 3600, mode: 'push' }, made);
  expect(pieces(higher).map(({ bottomMm, topMm }) => topMm - bottomMm)).toEqual([3350, 3150]);
  expect(recordsOf(higher, 'wall')[0]!.stopsAt.level).toBe(levelId(higher, 'RF'));
});

it('a wall that passes the slabs cuts what it crosses in the storeys it passes, and not over them, though the same wall stands in all', () => {
  const layers = [{ name: 'concrete', thicknessMm: 200, core: true }];
  const framework = given([
    ['buildings.add', { name: 'House' }],
    ['levels.setUp', { above: '4@3m' }],
    ['floors.add', { name: 'Plate', outline: { type: 'rectangle', widthMm: 12_000, depthMm: 8000 } }],
    [
      'walls.add',
      {
        name: 'P',
        type: { name: 'T', layers },
        place: '1000,4000',
        points: [
          { xMm: 0, yMm: 0 },
          { xMm: 8000, yMm: 0 },
        ],
        startsAt: { level: '00' },
        stopsAt: { level: '03' },
      },
    ],
    [
      'walls.add',
      {
        name: 'X',
        use: 'core',
        passesClearMm: 0,
        type: 'T',
        place: '5000,1000',
        points: [
          { xMm: 0, yMm: 0 },
          { xMm: 0, yMm: 6000 },
        ],
        startsAt: { level: '00' },
        stopsAt: { level: '02', face: 'SSL' },
      },
    ],
  ]);
  const solved = solve(framework);
  const volumeAt = (level: string) =>
    solved.walls.find(
      (piece) => piece.name === 'P' && solved.levels.find(({ id }) => id === piece.level)!.name === level,
    )!.volumeMm3;
  const height = 3000 - 250;
  expect(volumeAt('02')).toBeCloseTo(8000 * 200 * height, 0);
  for (const level of ['00', '01']) expect(volumeAt(level)).toBeCloseTo((8000 - 200) * 200 * height, 0);
});

it('a door at one level only is at no other one, though the same wall stands in all', () => {
  const high = given([
    ['buildings.add', { name: 'House' }],
    ['levels.setUp', { above: '4@3m' }],
    ['floors.add', { name: 'Plate', outline: { type: 'rectangle', widthMm: 12_000, depthMm: 8000 } }],
  ]);
  const through = wall('1000,4000 9000,4000', { name: 'P', stopsAt: { level: 'RF' } }, high);
  const opened = after('walls.addOpening', { wall: 'P', opening: 'door', alongMm: 1000, at: ['01'] }, through);
  const solved = solve(opened);
  const doors = solved.walls.map(({ level, openings }): [string, number] => [
    solved.levels.find(({ id }) => id === level)!.name,
    openings.length,
  ]);
  expect(Object.fromEntries(doors)).toEqual({ '00': 0, '01': 1, '02': 0, '03': 0 });
});

describe('two openings', () => {
  const door = (alongMm: number, more: object = {}) =>
    ['walls.addOpening', { wall: 'W1', opening: 'door', alongMm, widthMm: 1000, ...more }] as never;
  const made = given([door(1000)], wall('1000,2000 9000,2000', { name: 'W1', stopsAt: { level: 'RF' } }));

  it('in one place of a wall are refused, when one is added and when one is moved there', () => {
    expect(refusal(made, 'walls.addOpening', { wall: 'W1', opening: 'window', alongMm: 1999, sillMm: 900 })).toMatch(
      /Window \S+ would be in the same place as door \S+, which is 1000 mm along wall W1/,
    );
    const two = given([door(2000)], made);
    const second = recordsOf(two, 'wall')[0]!.openings[1]!.id;
    expect(refusal(two, 'walls.changeOpening', { wall: 'W1', opening: second, alongMm: 1500 })).toMatch(/same place/);
    expect(refusal(two, 'walls.changeOpening', { wall: 'W1', opening: second, alongMm: 900 })).toMatch(/same place/);
    // Beside, over one another, or at different levels they may be.
    given(
      [
        door(0),
        [
          'walls.addOpening',
          { wall: 'W1', opening: 'window', alongMm: 1000, widthMm: 900, sillMm: 2200, heightMm: 500 },
        ],
      ],
      made,
    );
    given([door(5000, { at: ['00'] }), door(5000, { at: ['01'] })], made);
    expect(() => given([door(5000, { at: ['00'] }), door(5000, { at: ['00', '01'] })], made)).toThrow(/same place/);
  });
});

it('a wall all within another one wants all of itself and has nothing of it: neither number is none without a word', () => {
  const wall = (name: string, from: number, to: number) =>
    [
      'walls.add',
      {
        name,
        type: { name: `T${name}`, layers: [{ name: 'concrete', thicknessMm: 200, core: true }] },
        points: [
          { xMm: from, yMm: 9000 },
          { xMm: to, yMm: 9000 },
        ],
        startsAt: { level: 'B2' },
      },
    ] as const;
  const solved = solve(given([wall('W', 8000, 13_000), wall('V', 9000, 12_000)], given(FURNISHED)));
  const [outer, inner] = ['W', 'V'].map((name) => solved.walls.find((piece) => piece.name === name)!);
  expect([inner!.volumeMm3, inner!.grossMm3]).toEqual([0, 3000 * 200 * (inner!.topMm - inner!.bottomMm)]);
  expect(outer!.volumeMm3).toBe(outer!.grossMm3);
  expect(solved.findings.some(({ rule, about }) => rule === 'wall.within' && about.includes(inner!.wall))).toBe(true);
});
