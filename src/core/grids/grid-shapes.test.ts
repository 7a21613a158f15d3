import fc from 'fast-check';
import { distance, turned } from '../geometry/point';
import { ringArea } from '../geometry/polygon';
import { frameworkHash, recordsOf, type Framework } from '../model/framework';
import { solve } from '../solving/solve';
import { FURNISHED, given, levelId, refusal, SMALL_TOWER, afterFrom } from '../testing/given';

const levels = given(SMALL_TOWER.filter(([name]) => !name.startsWith('grids')));
const after = afterFrom(levels);
const crossing = (framework: Framework, label: string) =>
  solve(framework).crossings.filter((each) => each.label === label);
const labels = (framework: Framework, direction: 'a' | 'b') =>
  solve(framework)
    .lines.filter((line) => line.direction === direction)
    .map(({ label }) => label);
const rules = (framework: Framework) => solve(framework).findings.map(({ rule }) => rule);

describe('a grid with other bays on the opposite side', () => {
  const uneven = after('grids.add', {
    baysA: '3@6000',
    farBaysA: '2@9000',
    baysB: '2@7500',
    farBaysB: '5000 10000',
    labelsB: { first: 'D', descending: true, skip: 'IO' },
  });
  const line = (label: string, framework = uneven) => solve(framework).lines.find((each) => each.label === label)!;

  it('lets lines with one place on both sides run through, and the others stop half way', () => {
    // Along x: 0, 6000 near, 9000 far, 12000 near, 18000. Along y: 0, 5000 far, 7500 near, 15000.
    expect(labels(uneven, 'a')).toEqual(['1', '2', '3', '4', '5']);
    expect(labels(uneven, 'b')).toEqual(['D', 'C', 'B', 'A']);
    expect([line('1').ends[0].y, line('1').ends[1].y]).toEqual([-2400, 17_400]);
    expect([line('2').ends[0].y, line('2').ends[1].y]).toEqual([-2400, 7500]);
    expect([line('3').ends[0].y, line('3').ends[1].y]).toEqual([7500, 17_400]);
    expect([line('C').ends[0].x, line('C').ends[1].x]).toEqual([9000, 20_400]);
  });

  it('crosses only where both lines come, with a head on each line’s own side', () => {
    expect(crossing(uneven, 'D-2')).toHaveLength(1);
    expect(crossing(uneven, 'A-2')).toHaveLength(0);
    expect(crossing(uneven, 'A-3')).toHaveLength(1);
    expect(crossing(uneven, 'C-2')).toHaveLength(0);
    expect(crossing(uneven, 'B-3')[0]!.at).toEqual({ x: 9000, y: 7500 });
    expect([line('2').heads, line('3').heads, line('1').heads]).toEqual([
      [true, false],
      [false, true],
      [true, true],
    ]);
  });

  it('runs as far as is typed, and keeps ids when a side is typed anew', () => {
    const longer = after('grids.changeLines', { lines: ['2'], reachMm: '10m' }, uneven);
    expect(line('2', longer).ends[1].y).toBe(10_000);
    const retyped = after('grids.setBays', { direction: 'a', bays: '2@6000 6500', farBays: '9000 9500' }, uneven);
    const ids = (framework: Framework) => solve(framework).lines.map(({ id }) => id);
    expect(new Set(ids(retyped))).toEqual(new Set(ids(uneven)));
    expect(
      solve(retyped)
        .lines.filter(({ direction }) => direction === 'a')
        .map(({ offsetMm }) => offsetMm),
    ).toEqual([0, 6000, 9000, 12_000, 18_500]);
    const plain = after('grids.setBays', { direction: 'a', bays: '3@6000' }, uneven);
    expect(labels(plain, 'a')).toEqual(['1', '2', '3', '4']);
    expect(recordsOf(plain, 'gridLine').filter(({ side }) => side === 'far')).toHaveLength(2 - 1);
  });

  it('counted from another corner has its near side there', () => {
    const flipped = after('grids.add', {
      baysA: '2@6000',
      farBaysA: '12000',
      baysB: '8000',
      waysOf: { a: 1, b: -1 },
    });
    const two = solve(flipped).lines.find(({ label }) => label === '2')!;
    // Near is where line A stands, at y 0; the grid goes down to −8000.
    expect([two.ends[0].y, two.ends[1].y]).toEqual([-4000, 2400]);
    expect(two.heads).toEqual([false, true]);
  });
});

describe('a radial grid', () => {
  const radial = after('grids.addRadial', { angles: '3@30', radii: '8m 2@4m', xMm: 1000, yMm: 2000 });

  it('has rays and rings that cross at their radius and angle', () => {
    expect(labels(radial, 'a')).toEqual(['1', '2', '3', '4']);
    expect(crossing(radial, 'A-1')[0]!.at).toEqual({ x: 9000, y: 2000 });
    expect(crossing(radial, 'C-4')[0]!.at).toEqual({ x: 1000, y: 18_000 });
    const { at } = crossing(radial, 'B-2')[0]!;
    expect([at.x, at.y]).toEqual([expect.closeTo(1000 + 12_000 * Math.cos(Math.PI / 6), 5), expect.closeTo(8000, 5)]);
    expect(solve(radial).crossings).toHaveLength(12);
  });

  it('gives a sector its area and columns the direction of their ray', () => {
    const floor = after('floors.add', { outline: { type: 'gridOffset' }, thicknessMm: 200 }, radial);
    const solved = solve(floor);
    const area = ringArea(solved.floors[0]!.outline);
    const exact = (Math.PI / 4) * (16_000 ** 2 - 8000 ** 2);
    expect(area / exact).toBeGreaterThan(0.9998);
    expect(area).toBeLessThanOrEqual(exact * 1.0002);
    const columns = after(
      'columns.placeAtCrossings',
      { lines: 'all', section: { shape: 'rectangle', widthMm: 800, depthMm: 300 } },
      floor,
    );
    const pieces = solve(columns).columns.filter(({ level }) => level === levelId(columns, '00'));
    expect(pieces).toHaveLength(12);
    expect(pieces.find(({ mark }) => mark === 'B-3')!.turnDeg).toBe(60);
  });

  it('goes round once at most: a closed one leaves out the ray that would be the first again', () => {
    const round = after('grids.addRadial', { angles: '12@30', radii: '9000' });
    expect(labels(round, 'a')).toHaveLength(12);
    expect(solve(round).lines.at(-1)!.curve).toMatchObject({ kind: 'arc', sweepDeg: 360, radiusMm: 9000 });
    expect(refusal(levels, 'grids.addRadial', { angles: '13@30', radii: '9000' })).toMatch(/more than a full turn/);
    expect(refusal(radial, 'grids.setBay', { line: '2', bayDeg: 301 })).toMatch(/more than once/);
    expect(refusal(levels, 'grids.addRadial', { angles: 'x', radii: '9000' })).toMatch(/not an angle/);
  });

  it('is edited as a rectangular one is: bays, moves, splits, removal; ids stay', () => {
    const wider = after('grids.setBay', { line: '3', bayDeg: 40 }, radial);
    expect(
      solve(wider)
        .lines.filter(({ direction }) => direction === 'a')
        .map(({ offsetDeg }) => offsetDeg),
    ).toEqual([0, 30, 70, 100]);
    const only = after('grids.moveLine', { line: '2', byDeg: 5 }, radial);
    expect(
      solve(only)
        .lines.filter(({ direction }) => direction === 'a')
        .map(({ offsetDeg }) => offsetDeg),
    ).toEqual([0, 35, 60, 90]);
    const ring = after('grids.moveLine', { line: 'B', byMm: 500 }, radial);
    expect(
      solve(ring)
        .lines.filter(({ direction }) => direction === 'b')
        .map(({ offsetMm }) => offsetMm),
    ).toEqual([8000, 12_500, 16_000]);
    const without = after('grids.removeLine', { line: 'A' }, radial);
    expect(
      solve(without)
        .lines.filter(({ direction }) => direction === 'b')
        .map(({ offsetMm }) => offsetMm),
    ).toEqual([12_000, 16_000]);
    const first = after('grids.removeLine', { line: '1' }, radial);
    expect(crossing(first, 'A-1')[0]!.at.x).toBeCloseTo(1000 + 8000 * Math.cos(Math.PI / 6), 4);
    const split = after('grids.splitBay', { line: '2', suffix: '.1' }, radial);
    expect(crossing(split, 'A-1.1')).toHaveLength(1);
    expect(refusal(radial, 'grids.moveLine', { line: 'A', byMm: -8000 })).toMatch(/no radius/);
  });
});

describe('free lines', () => {
  const free = given(
    [
      [
        'grids.addFree',
        {
          lines: [
            { path: { x0Mm: 0, y0Mm: 0, x1Mm: 20_000, y1Mm: 0 } },
            { path: { x0Mm: 4000, y0Mm: -3000, x1Mm: 12_000, y1Mm: 9000 } },
            { path: { xMm: 10_000, yMm: 0, radiusMm: 6000, fromDeg: 0, sweepDeg: 180 }, label: 'K' },
          ],
          labelsA: { first: '7' },
        },
      ],
    ],
    levels,
  );

  it('are labelled in the order given, from the first label typed, and cross wherever they meet', () => {
    expect(labels(free, 'a')).toEqual(['7', '8', 'K']);
    expect(crossing(free, '8-7')[0]!.at).toEqual({ x: 6000, y: 0 });
    // The half circle of 6 m about (10 m, 0) meets its own diameter at both ends.
    expect(crossing(free, 'K-7').map(({ at }) => at.x)).toEqual(expect.arrayContaining([4000, 16_000]));
    expect(crossing(free, 'K-8')).toHaveLength(1);
  });

  it('hold a column where two meet a second time', () => {
    const both = after(
      'columns.placeAtCrossings',
      { lines: ['7', 'K'], section: { shape: 'circle', diameterMm: 400 } },
      free,
    );
    const xs = solve(both)
      .columns.filter(({ level }) => level === levelId(both, '00'))
      .map(({ at }) => at.x);
    expect(xs.sort((p, q) => p - q)).toEqual([4000, 16_000]);
    const moved = after('grids.moveLine', { line: 'K', byMm: 1000 }, both);
    const there = solve(moved)
      .columns.filter(({ level }) => level === levelId(both, '00'))
      .map(({ at }) => at.x);
    expect(there.sort((p, q) => p - q)).toEqual([5000, 15_000]);
  });

  it('are found when they are not quite parallel or square', () => {
    const off = after(
      'grids.addFree',
      { system: 'Free lines', lines: [{ path: { x0Mm: 0, y0Mm: 5000, x1Mm: 20_000, y1Mm: 5100 } }] },
      free,
    );
    expect(rules(free)).not.toContain('grid.nearlyTrue');
    expect(solve(off).findings.find(({ rule }) => rule === 'grid.nearlyTrue')!.message).toMatch(/0.29° off parallel/);
    expect(refusal(free, 'grids.addFree', { lines: [{ path: { x0Mm: 0, y0Mm: 0, x1Mm: 5, y1Mm: 5 } }] })).toMatch(
      /10 mm/,
    );
  });

  it('run where they are said to run from then on, what stands on them with them', () => {
    const at = (framework: Framework) => solve(framework).lines.find(({ label }) => label === '8')!.curve;
    const path = { x0Mm: 1000, y0Mm: -2000, x1Mm: 1000, y1Mm: 8000 };
    const put = after('grids.setPath', { line: '8', path }, free);
    expect(at(put)).toMatchObject({ kind: 'segment', from: { x: 1000 }, to: { x: 1000 } });
    // Line 7 lies along y = 0, so they cross at x = 1000.
    expect(
      crossing(put, '7-8')
        .concat(crossing(put, '8-7'))
        .map(({ at: point }) => point),
    ).toEqual([{ x: 1000, y: 0 }]);
    const arc = { xMm: 10_000, yMm: 0, radiusMm: 4000, fromDeg: 0, sweepDeg: 90 };
    const smaller = after('grids.setPath', { line: 'K', path: arc }, free);
    expect(solve(smaller).lines.find(({ label }) => label === 'K')!.curve).toMatchObject({ radiusMm: 4000 });
    expect(refusal(given(FURNISHED), 'grids.setPath', { line: '3', path })).toMatch(/Only a free line/);
    expect(refusal(free, 'grids.setPath', { line: '8', path: { ...path, x1Mm: 1001, y1Mm: -2000 } })).toMatch(/10 mm/);
  });
});

describe('a movement joint', () => {
  const tower = given(FURNISHED);
  const joined = after('grids.addJoint', { line: '3', gapMm: 60 }, tower);

  it('is a pair of lines at a gap, with the slab parted between and no finding for being close', () => {
    const solved = solve(joined);
    expect(solved.lines.filter(({ direction }) => direction === 'a').map(({ label }) => label)).toEqual([
      '1',
      '2',
      '3',
      '3j',
      '4',
      '5',
    ]);
    expect(solved.lines.find(({ label }) => label === '4')!.offsetMm).toBe(18_060);
    const profile = solved.profiles[solved.floors.find(({ level }) => level === levelId(joined, '01'))!.profile]!;
    expect(profile.regions).toHaveLength(2);
    expect(rules(joined)).toEqual([]);
    const was = solve(tower).floors.find(({ level }) => level === levelId(tower, '01'))!;
    const now = solved.floors.find(({ level }) => level === levelId(joined, '01'))!;
    // The building is 60 longer by the gap, and the gap is no slab.
    expect(now.volumeMm3).toBeCloseTo(was.volumeMm3, -2);
  });

  it('goes with its pair, and is refused twice', () => {
    expect(refusal(joined, 'grids.addJoint', { line: '3' })).toMatch(/already/);
    const gone = after('grids.removeLine', { line: '3j' }, joined);
    expect(solve(gone).lines).toHaveLength(8);
    const close = after('grids.setBay', { line: '2', bayMm: 250 }, tower);
    expect(rules(close)).toContain('grid.closeLines');
  });
});

describe('levels of lines', () => {
  it('limit where a line and its crossings are; removing the level lets go to the next', () => {
    const tower = given(FURNISHED);
    const low = after('grids.changeLines', { lines: ['2'], fromLevel: 'B2', toLevel: '01' }, tower);
    const two = solve(low).lines.find(({ label }) => label === '2')!;
    expect([two.lowMm, two.highMm]).toEqual([-7500, 5400]);
    expect(crossing(low, 'A-2')[0]).toMatchObject({ lowMm: -7500, highMm: 5400 });
    const without = after('levels.remove', { level: '01' }, low);
    expect(solve(without).lines.find(({ label }) => label === '2')!.highMm).toBe(0);
    expect(refusal(tower, 'grids.changeLines', { lines: ['2'], fromLevel: '01', toLevel: 'B2' })).toMatch(/lies below/);
  });
});

describe('laws', () => {
  const turns = fc.constantFrom(0, 5.7, 13.1, 90, 211.3);
  const bay = fc.integer({ min: 1000, max: 9000 });
  const bays = fc.array(bay, { minLength: 1, maxLength: 5 });

  it('crossings of a turned system are the turned crossings', () => {
    fc.assert(
      fc.property(bays, bays, turns, fc.boolean(), (a, b, turnDeg, isRadial) => {
        const make = (deg: number) =>
          isRadial
            ? after('grids.addRadial', { angles: a.map((each) => each / 200), radii: b, turnDeg: deg })
            : after('grids.add', { baysA: a, baysB: b, turnDeg: deg });
        const straight = solve(make(0)).crossings;
        const there = solve(make(turnDeg)).crossings;
        expect(there.map(({ label }) => label)).toEqual(straight.map(({ label }) => label));
        there.forEach(({ at }, i) => expect(distance(at, turned(straight[i]!.at, turnDeg))).toBeLessThan(1e-4));
      }),
      { numRuns: 60 },
    );
  });

  it('moving a line and moving it back is identity, in both ways', () => {
    fc.assert(
      fc.property(
        bays,
        bays,
        turns,
        fc.nat(),
        fc.integer({ min: -900, max: 900 }),
        fc.constantFrom('push', 'only'),
        (a, b, turnDeg, which, by, mode) => {
          const start = after('grids.add', { baysA: a, baysB: b, turnDeg });
          const lines = solve(start).lines;
          const line = lines[which % lines.length]!.id;
          const moved = after('grids.moveLine', { line, byMm: by, mode }, start);
          const back = after('grids.moveLine', { line, byMm: -by, mode }, moved);
          // The first line of a turned grid moves its corner, which is stored to a millionth of a millimetre.
          const places = (framework: Framework) => solve(framework).crossings.map(({ at }) => at);
          places(back).forEach((at, i) => expect(distance(at, places(start)[i]!)).toBeLessThan(3e-6));
          if (turnDeg === 0) expect(frameworkHash(back)).toBe(frameworkHash(start));
        },
      ),
      { numRuns: 80 },
    );
  });
});
