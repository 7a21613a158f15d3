import { recordsOf, type Framework } from '../model/framework';
import { ringArea, ringPerimeter, type Ring } from '../geometry/polygon';
import { solve } from '../solving/solve';
import { FURNISHED, given, refusal, SMALL_TOWER, afterFrom } from '../testing/given';
import type { OutlineInput } from './outline-input';

const bare = given(SMALL_TOWER);
const after = afterFrom(bare);
const shaft = (outline: OutlineInput, framework = bare) => after('shafts.add', { name: 'S', outline }, framework);
const ringOf = (framework: Framework): Ring => solve(framework).shafts[0]!.ring;
const near = (ring: Ring, x: number, y: number) => ring.some((p) => Math.hypot(p.x - x, p.y - y) < 1e-5);

describe('a rectangle', () => {
  it('stands from its lower left corner, at a point or from a crossing', () => {
    const ring = ringOf(shaft({ type: 'rectangle', place: 'B-3 + 600,1200', widthMm: '2.4m', depthMm: 2700 }));
    expect(ring).toEqual([
      { x: 15000, y: 7800 },
      { x: 17400, y: 7800 },
      { x: 17400, y: 10500 },
      { x: 15000, y: 10500 },
    ]);
  });
  it('turns about that corner, and with the grid it stands in', () => {
    const ring = ringOf(shaft({ type: 'rectangle', place: '1000,1000', widthMm: 2000, depthMm: 1000, turnDeg: 90 }));
    expect([near(ring, 1000, 1000), near(ring, 1000, 3000), near(ring, 0, 1000)]).toEqual([true, true, true]);
    const turned = after(
      'grids.change',
      { turnDeg: 90 },
      shaft({ type: 'rectangle', place: 'A-2', widthMm: 2000, depthMm: 1000 }),
    );
    const there = ringOf(turned);
    expect([near(there, 0, 7200), near(there, 0, 9200), near(there, -1000, 7200)]).toEqual([true, true, true]);
    expect(ringArea(there)).toBeCloseTo(2e6, 3);
  });
  it('takes named dimensions and follows them', () => {
    const named = given([['dimensions.define', { name: 'car', value: 2400 }]], bare);
    const made = shaft({ type: 'rectangle', place: '0,0', widthMm: 'car + 200', depthMm: 'car' }, named);
    expect(ringPerimeter(ringOf(made))).toBe(2 * (2600 + 2400));
    expect(ringPerimeter(ringOf(after('dimensions.define', { name: 'car', value: 2000 }, made)))).toBe(
      2 * (2200 + 2000),
    );
  });
});

describe('a polygon', () => {
  const points = [
    [0, 0],
    [3000, 0],
    [3000, 1000],
    [1000, 1000],
    [1000, 2000],
    [0, 2000],
  ].map(([xMm, yMm]) => ({ xMm: xMm!, yMm: yMm! }));
  it('may be drawn either way round and comes out counter-clockwise', () => {
    for (const drawn of [points, [...points].reverse()]) {
      expect(ringArea(ringOf(shaft({ type: 'polygon', place: 'A-1 + 500,500', points: drawn })))).toBe(4e6);
    }
  });
  it('cuts its own shape out of every floor it passes', () => {
    const floored = after('floors.add', { outline: { type: 'gridOffset', offsetMm: 300 } });
    const solved = solve(shaft({ type: 'polygon', place: 'B-2', points }, floored));
    const [piece] = solved.floors.filter(({ cutBy }) => cutBy.length > 0);
    expect(solved.profiles[piece!.profile]!.areaMm2).toBe(25800 * 15000 - 4e6);
  });
  it('with a corner given twice, a spike or a crossing is refused', () => {
    for (const bad of [
      [...points, { xMm: 0, yMm: 2000 }],
      [points[0], { xMm: 5000, yMm: 0 }, points[1], points[2], points[5]],
      [points[0], points[2], points[1], points[5]],
    ]) {
      expect(refusal(bare, 'shafts.add', { outline: { type: 'polygon', points: bad } })).toMatch(/go round once/);
    }
  });
});

describe('things that stand on a crossing', () => {
  it('stay where they are when one of its lines goes', () => {
    const tower = given(FURNISHED);
    const ring = ringOf(tower);
    const gone = after('grids.removeLine', { line: 'A' }, tower);
    expect(ringOf(gone)).toEqual(ring);
    expect(recordsOf(gone, 'shaft')[0]!.outline).toMatchObject({ place: { lines: null } });
  });
  it('are refused on lines that do not cross', () => {
    const place = { lines: ['1', '2'] };
    expect(refusal(bare, 'shafts.add', { outline: { type: 'rectangle', place, widthMm: 9, depthMm: 9 } })).toMatch(
      /do not cross/,
    );
    expect(
      refusal(bare, 'shafts.add', { outline: { type: 'rectangle', place: 'A-1 +', widthMm: 9, depthMm: 9 } }),
    ).toMatch(/place/);
  });
});
