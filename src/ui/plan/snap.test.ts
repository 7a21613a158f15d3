import { solve } from '@/core/solving/solve';
import { FURNISHED, given, levelId, step } from '@/core/testing/given';
import { IMPERIAL, METRIC } from '@/core/units/format-length';
import { snap } from './snap';

const tower = given(FURNISHED);
const solved = solve(tower);
const building = solved.buildings[0]!.id;
const take = (x: number, y: number, { level = '01', reach = 300, display = METRIC } = {}) =>
  snap(solved, building, levelId(tower, level), { x, y }, reach, display);

describe('a point taken in the plan', () => {
  it('is the crossing within reach, said by its label', () => {
    expect(take(7350, 6500)).toEqual({ at: { x: 7200, y: 6600 }, words: 'crossing B-2' });
    expect(take(7350, 6500, { reach: 100 }).words).not.toContain('crossing');
  });
  it('is the corner of a shaft that stands at the level', () => {
    expect(take(4450, 4420)).toEqual({ at: { x: 4400, y: 4500 }, words: 'corner of shaft S1' });
    const short = step(tower, 'shafts.change', { shaft: 'S1', stopsAt: { level: '00' } }).after;
    const above = snap(solve(short), building, levelId(short, '03'), { x: 4450, y: 4420 }, 300, METRIC);
    expect(above.words).toBe('4450, 4400');
  });
  it('is the nearer of two', () => {
    expect(take(2100, 1400, { reach: 3000 }).words).toBe('corner of shaft S1');
    expect(take(300, 200, { reach: 3000 }).words).toBe('crossing A-1');
  });
  it('is else in round steps: 50 mm, or an inch', () => {
    expect(take(10_024, 10_026)).toEqual({ at: { x: 10_000, y: 10_050 }, isFree: true, words: '10000, 10050' });
    const inches = take(10_024, 10_026, { display: IMPERIAL });
    expect([inches.at.x / 25.4, inches.at.y / 25.4].map((value) => Math.abs(value - Math.round(value)) < 1e-9)).toEqual(
      [true, true],
    );
    expect(inches.words).toMatch(/^32'-11"/);
  });
});
