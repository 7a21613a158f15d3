import fc from 'fast-check';
import { polygonCalls } from '../geometry/boolean';
import { recordsOf, type Framework } from '../model/framework';
import { solve, Solver } from '../solving/solve';
import { FURNISHED, given, levelId, refusal, SMALL_TOWER, step, afterFrom } from '../testing/given';
import type { Step, CommandInputs, CommandName } from '../commands/command-inputs';

const bare = given(SMALL_TOWER);
const after = afterFrom(bare);
const areas = (framework: Framework): Record<string, number> => {
  const solved = solve(framework);
  const names = new Map(solved.levels.map(({ id, name }) => [id, name]));
  return Object.fromEntries(
    solved.floors.map(({ level, profile }) => [names.get(level)!, solved.profiles[profile]!.areaMm2 / 1e6]),
  );
};

describe('floor plates', () => {
  it('serve all storeys, a range that takes in new levels, or just the levels named', () => {
    const outline = { type: 'gridOffset' as const, offsetMm: '0.3m' };
    expect(areas(after('floors.add', { outline }))).toMatchObject({ B2: 25.8 * 15, RF: 25.8 * 15 });
    const range = after('floors.add', { outline, levels: { range: ['01', '03'] } });
    expect(Object.keys(areas(range))).toEqual(['01', '02', '03']);
    const more = after('levels.insert', { level: '01', heightMm: 2000, mode: 'only', name: 'N' }, range);
    expect(Object.keys(areas(more))).toEqual(['01', 'N', '02', '03']);
    const named = after('floors.add', { outline, levels: { at: ['00', '02'] } });
    expect(Object.keys(areas(named))).toEqual(['00', '02']);
    expect(Object.keys(areas(after('levels.remove', { level: '01' }, range)))).toEqual(['02', '03']);
    expect(
      recordsOf(after('levels.remove', { level: '00' }, after('levels.remove', { level: '02' }, named)), 'floorPlate'),
    ).toEqual([]);
  });

  it('hang down from SSL and follow the grid lines they are held to', () => {
    const held = after('floors.add', {
      outline: { type: 'gridOffset', lines: { a: ['1', '3'], b: ['A', 'B'] }, offsetMm: 0 },
      thicknessMm: 300,
    });
    expect(areas(held)['01']).toBeCloseTo(14.4 * 6.6, 9);
    const wider = after('grids.setBay', { line: '2', bayMm: 8100, mode: 'push' }, held);
    expect(areas(wider)['01']).toBeCloseTo(15.3 * 6.6, 9);
    const piece = solve(held).floors.find(({ level }) => level === levelId(held, '01'))!;
    expect([piece.topMm, piece.thicknessMm, piece.volumeMm3]).toEqual([5300, 300, 14400 * 6600 * 300]);
  });

  it('drawn outlines must go round once; what cannot be is refused with what to do', () => {
    const polygon = (text: string) => ({
      type: 'polygon' as const,
      points: text.split(' ').map((pair) => ({ xMm: Number(pair.split(',')[0]), yMm: Number(pair.split(',')[1]) })),
    });
    expect(
      areas(after('floors.add', { outline: polygon('0,0 9000,0 9000,3000 3000,3000 3000,6000 0,6000') }))['00'],
    ).toBe(36);
    for (const bad of ['0,0 4000,4000 4000,0 0,4000', '0,0 4000,0 8000,0', '0,0 4000,0 4000,4000 4000,4000']) {
      expect(refusal(bare, 'floors.add', { outline: polygon(bad) })).toMatch(/go round once/);
    }
    expect(refusal(bare, 'floors.add', { outline: polygon('0,0 1,1') })).toMatch(/three corners/);
    expect(refusal(bare, 'floors.add', { outline: { type: 'gridOffset' }, thicknessMm: 5 })).toMatch(/20/);
    expect(
      refusal(given([['buildings.add', { name: 'X' }]]), 'floors.add', { outline: polygon('0,0 9,0 9,9') }),
    ).toMatch(/levels before/);
  });

  it('an outline that a later grid edit turns inside out is a finding, never a crash', () => {
    const thin = after('floors.add', {
      name: 'Thin',
      outline: { type: 'gridOffset', lines: { a: ['3', '4'], b: ['A', 'B'] }, offsetMm: -1500 },
    });
    const closed = after('grids.setBay', { line: '4', bayMm: 2900, mode: 'push' }, thin);
    const solved = solve(closed);
    expect(solved.floors).toEqual([]);
    expect(solved.findings.map(({ rule }) => rule)).toEqual(['outline.unsound']);
  });

  it('lose exactly the shafts that cut them: areas of slab and holes add up, whatever the shafts', () => {
    const shaft = fc.record({
      x: fc.integer({ min: 0, max: 20000 }),
      y: fc.integer({ min: 0, max: 11000 }),
      w: fc.integer({ min: 300, max: 4000 }),
      d: fc.integer({ min: 300, max: 3000 }),
    });
    fc.assert(
      fc.property(fc.array(shaft, { minLength: 1, maxLength: 4 }), (shafts) => {
        const framework = shafts.reduce(
          (now, { x, y, w, d }, i) =>
            after(
              'shafts.add',
              { name: `T${i}`, outline: { type: 'rectangle', place: `${x},${y}`, widthMm: w, depthMm: d } },
              now,
            ),
          after('floors.add', { outline: { type: 'gridOffset', offsetMm: 300 } }),
        );
        // Upright boxes within the slab: area of their union by coordinate compression.
        const xs = [...new Set(shafts.flatMap(({ x, w }) => [x, x + w]))].sort((a, b) => a - b);
        const ys = [...new Set(shafts.flatMap(({ y, d }) => [y, y + d]))].sort((a, b) => a - b);
        let union = 0;
        for (let i = 1; i < xs.length; i += 1) {
          for (let j = 1; j < ys.length; j += 1) {
            const [x, y] = [(xs[i - 1]! + xs[i]!) / 2, (ys[j - 1]! + ys[j]!) / 2];
            if (shafts.some((s) => x > s.x && x < s.x + s.w && y > s.y && y < s.y + s.d)) {
              union += (xs[i]! - xs[i - 1]!) * (ys[j]! - ys[j - 1]!);
            }
          }
        }
        expect(areas(framework)['01']).toBeCloseTo(25.8 * 15 - union / 1e6, 6);
      }),
      { numRuns: 25 },
    );
  });
});

describe('how many polygons an edit touches', () => {
  /** Eight kinds of storey: eight shafts, each stopping one storey sooner. */
  const kinds = given(
    Array.from({ length: 7 }, (_, i): Step => [
      'shafts.add',
      {
        name: `K${i}`,
        outline: { type: 'rectangle', place: `${1000 + i * 2500},2000`, widthMm: 1500, depthMm: 1500 },
        startsAt: { level: '00', face: 'FFL' },
        stopsAt: { level: `0${i + 1}`, face: 'SSL' },
        opensHead: true,
      },
    ]),
    given([
      ['buildings.add', { name: 'Kinds' }],
      ['levels.setUp', { above: '8@3.3m' }],
      ['grids.add', { baysA: '3@7200', baysB: '2@6600' }],
      ['floors.add', { name: 'Plate', outline: { type: 'gridOffset', offsetMm: 300 } }],
    ]),
  );
  const cost = <Name extends CommandName>(name: Name, input: CommandInputs[Name]): number => {
    const solver = new Solver();
    solver.solve(kinds);
    polygonCalls.reset();
    solver.solve(after(name, input, kinds));
    return polygonCalls.read();
  };

  it('a cold solve touches one per kind of storey: eight', () => {
    polygonCalls.reset();
    solve(kinds);
    expect(polygonCalls.read()).toBe(8);
  });
  it('a level edit that passes no shaft end touches none', () => {
    expect(cost('levels.setHeight', { level: '03', heightMm: 3900, mode: 'push' })).toBe(0);
    expect(cost('levels.setElevation', { level: '05', fflMm: 16600, mode: 'only' })).toBe(0);
  });
  it('an edit of a shaft’s outline touches each kind it stands in', () => {
    const full = after(
      'shafts.add',
      {
        name: 'Full',
        outline: { type: 'rectangle', place: '19000,9000', widthMm: 1500, depthMm: 1500 },
        opensFoot: true,
        opensHead: true,
      },
      kinds,
    );
    const solver = new Solver();
    solver.solve(full);
    polygonCalls.reset();
    solver.solve(
      after(
        'shafts.change',
        { shaft: 'Full', outline: { type: 'rectangle', place: '19000,9000', widthMm: 1800, depthMm: 1500 } },
        full,
      ),
    );
    expect(polygonCalls.read()).toBe(8);
  });
});

it('the furnished tower’s plate has the thickness typed anew at every level', () => {
  const thick = step(given(FURNISHED), 'floors.change', { floor: 'Plate', thicknessMm: `10"` });
  expect(thick.sentence).toBe('Floor plate Plate changed, now 254 mm thick');
  expect(new Set(solve(thick.after).floors.map(({ thicknessMm }) => thicknessMm))).toEqual(new Set([254]));
});
