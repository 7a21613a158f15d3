import { recordsOf, type Framework } from '../model/framework';
import { ringArea } from '../geometry/polygon';
import { solve } from '../solving/solve';
import { FURNISHED, given, levelId, refusal, afterFrom } from '../testing/given';

/** A plate 25 800 × 15 000, 250 thick, a shaft 2400 × 3000 at (2000, 1500), columns at all crossings. */
const tower = given(FURNISHED);
const after = afterFrom(tower);
const area = (framework: Framework, level: string): number => {
  const solved = solve(framework);
  const piece = solved.floors.find((each) => each.level === levelId(framework, level));
  return piece ? solved.profiles[piece.profile]!.areaMm2 / 1e6 : 0;
};
const GROSS = 25.8 * 15;
const SHAFT = 2.4 * 3;

describe('floor plates that differ by level', () => {
  it('are left out, thicker, pulled back or open at one level, and as below again from the next', () => {
    const edge = after('floors.except', { floor: 'Plate', level: '02', pulled: [{ edge: 1, byMm: '1.8m' }] });
    expect([area(edge, '01'), area(edge, '02'), area(edge, '03')]).toEqual([
      GROSS - SHAFT,
      expect.closeTo(24 * 15 - SHAFT, 9),
      GROSS - SHAFT,
    ]);
    const gone = after('floors.except', { floor: 'Plate', level: '02', leftOut: true });
    expect([area(gone, '02'), area(gone, '03')]).toEqual([0, GROSS - SHAFT]);
    const open = after('floors.except', {
      floor: 'Plate',
      level: '02',
      voids: [{ type: 'rectangle', place: '9000,4000', widthMm: 5000, depthMm: 4000 }],
    });
    expect(area(open, '02')).toBeCloseTo(GROSS - SHAFT - 20, 9);
    const thick = after('floors.except', { floor: 'Plate', level: '02', thicknessMm: 400 });
    const column = solve(thick).columns.find(({ mark, level }) => mark === 'B-2' && level === levelId(thick, '01'))!;
    const slab = solve(thick).floors.find(({ level }) => level === levelId(thick, '02'))!;
    expect(column.topMm).toBe(slab.topMm - 400);
  });

  it('have another outline from a level up, which an inserted level inherits and a removed one hands on', () => {
    const outline = { type: 'rectangle' as const, place: '0,0', widthMm: 12_000, depthMm: 10_000 };
    const setBack = after('floors.except', { floor: 'Plate', level: '02', upwards: true, outline });
    const small = 120 - SHAFT;
    expect(['01', '02', '03', 'RF'].map((level) => area(setBack, level))).toEqual([GROSS - SHAFT, small, small, 120]);
    const more = after('levels.insert', { level: '02', heightMm: 3000, mode: 'only', name: 'N' }, setBack);
    expect(area(more, 'N')).toBe(small);
    const fewer = after('levels.remove', { level: '02' }, setBack);
    expect([area(fewer, '01'), area(fewer, '03')]).toEqual([GROSS - SHAFT, small]);
    expect(
      area(after('floors.except', { floor: 'Plate', level: '02', upwards: true, outline: null }, setBack), '03'),
    ).toBe(GROSS - SHAFT);
  });

  it('refuse an exception that says nothing, and keep what a grid edit makes unsound as a finding', () => {
    expect(refusal(tower, 'floors.except', { floor: 'Plate', level: '02' })).toMatch(/Nothing differs/);
    const most = after('floors.except', { floor: 'Plate', level: '02', pulled: [{ edge: 1, byMm: 25_000 }] });
    const narrow = after('grids.setBay', { line: '2', bayMm: 5000, mode: 'push' }, most);
    expect(solve(narrow).findings.map(({ rule }) => rule)).toContain('outline.unsound');
    expect(area(narrow, '01')).toBeGreaterThan(0);
  });
});

describe('shafts that differ by level', () => {
  it('are set back from a level up: the hole of that level is the new one, and so is the space above it', () => {
    const outline = { type: 'circle' as const, place: '3000,3000', diameterMm: 1000 };
    const setBack = after('shafts.except', { shaft: 'S1', level: '02', upwards: true, outline });
    const [shaft] = solve(setBack).shafts;
    expect(shaft!.stages).toHaveLength(2);
    expect(shaft!.stages[0]!.topMm).toBe(shaft!.stages[1]!.bottomMm);
    // A circle by 1 mm chords.
    const round = ringArea(shaft!.stages[1]!.ring) / 1e6;
    expect(round / (Math.PI / 4)).toBeGreaterThan(0.995);
    expect(area(setBack, '01')).toBe(GROSS - SHAFT);
    expect(area(setBack, '02')).toBeCloseTo(GROSS - round, 5);
    const moved = after('elements.move', { ids: [shaft!.shaft], xMm: 500, yMm: 0 }, setBack);
    expect(solve(moved).shafts[0]!.stages[1]!.ring[0]!.x).toBeCloseTo(shaft!.stages[1]!.ring[0]!.x + 500, 6);
  });

  it('leave a slab closed, or with sleeves only, where that is said', () => {
    const closed = after('shafts.except', { shaft: 'S1', level: '01', slab: 'closed' });
    expect([area(closed, '01'), area(closed, '02')]).toEqual([GROSS, GROSS - SHAFT]);
    const sleeves = after('shafts.except', { shaft: 'S1', level: '01', slab: 'sleeves' });
    expect(area(sleeves, '01')).toBe(GROSS);
    expect(solve(sleeves).shafts[0]!.sleevesAt).toEqual([levelId(sleeves, '01')]);
    const again = after('shafts.except', { shaft: 'S1', level: '01', slab: null }, closed);
    expect(recordsOf(again, 'shaft')[0]!.exceptions).toEqual([]);
    expect(solve(closed).findings).toEqual(solve(tower).findings);
    expect(refusal(tower, 'shafts.except', { shaft: 'S1', level: '01' })).toMatch(/Nothing differs/);
  });
});
