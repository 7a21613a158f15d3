import fc from 'fast-check';
import { solve } from '../solving/solve';
import { FURNISHED, given, levelId, step } from '../testing/given';
import { drawPlan } from './draw-plan';
import { spreadApart } from './spread';

const tower = given(FURNISHED);
const view = (framework = tower, level = '01', scale = 200) => ({
  building: [...framework.records.values()].find(({ kind }) => kind === 'building')!.id,
  level: levelId(framework, level),
  scale,
  cutAboveMm: 1200,
  writeLength: String,
});
const drawn = (framework = tower, level = '01', scale = 200) =>
  drawPlan(solve(framework), view(framework, level, scale)).primitives;

describe('a plan', () => {
  it('shows the columns cut, the slab with its hole, the shaft crossed where the slab is open', () => {
    const here = drawn();
    const count = (style: string, primitives = here) => primitives.filter((each) => each.style === style).length;
    expect(count('columnCut')).toBe(15);
    expect(here.find((each) => each.style === 'floor')).toMatchObject({ rings: [{ length: 4 }, { length: 4 }] });
    expect([count('shaftOpen'), count('shaftCross'), count('shaftClosed')]).toEqual([1, 2, 0]);
    const lowest = drawn(tower, 'B2');
    expect([count('shaftOpen', lowest), count('shaftClosed', lowest)]).toEqual([0, 1]);
    expect(count('bubble')).toBe(8);
  });

  it('writes each bay once and the overall length along each side', () => {
    const texts = drawn().flatMap((each) => (each.type === 'text' && each.style === 'dimensionText' ? each.text : []));
    expect(texts.sort()).toEqual(['14400', '25200', '3600', '6600', '7200', '7200', '7200', '7800']);
  });

  it('cuts columns where the cut is: a column that stops below it does not show', () => {
    const low = step(tower, 'columns.place', {
      place: '3000,3000',
      section: { shape: 'circle', diameterMm: 300 },
      startsAt: { level: '01' },
      stopsAt: { level: '01', face: 'FFL', offsetMm: 1000 },
    }).after;
    expect(drawn(low).filter(({ style }) => style === 'columnCut')).toHaveLength(15);
    const high = step(low, 'columns.place', {
      place: '4000,3000',
      section: { shape: 'circle', diameterMm: 300 },
      startsAt: { level: '01' },
      stopsAt: { level: '01', face: 'FFL', offsetMm: 1300 },
    }).after;
    expect(drawn(high).filter(({ style }) => style === 'columnCut')).toHaveLength(16);
  });

  it('keeps bubbles apart at any scale, joined to their lines', () => {
    const close = step(tower, 'grids.splitBay', { line: '4', atMm: 600, suffix: '.1' }).after;
    for (const scale of [50, 200, 500, 1000]) {
      const bubbles = drawn(close, '01', scale).filter((each) => each.type === 'circle' && each.style === 'bubble');
      for (const [i, one] of bubbles.entries()) {
        for (const other of bubbles.slice(i + 1)) {
          if (one.type !== 'circle' || other.type !== 'circle') continue;
          const gap = Math.sqrt((one.at.x - other.at.x) ** 2 + (one.at.y - other.at.y) ** 2);
          expect(gap).toBeGreaterThanOrEqual(one.radiusMm * 2 - 1e-6);
        }
      }
    }
  });
});

describe('spreading apart', () => {
  it('keeps the gap and the order, and leaves alone what is apart already', () => {
    expect(spreadApart([0, 10, 20], 5)).toEqual([0, 10, 20]);
    expect(spreadApart([0, 1], 5)).toEqual([-2, 3]);
    expect(spreadApart([1, 0], 5)).toEqual([3, -2]);
  });
  it('moves least: no small step that keeps the gaps does better', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 60 }), { minLength: 2, maxLength: 8 }), (positions) => {
        const gap = 7;
        const spread = spreadApart(positions, gap);
        const cost = (at: readonly number[]) => at.reduce((sum, value, i) => sum + (value - positions[i]!) ** 2, 0);
        const order = positions.map((_, i) => i).sort((a, b) => positions[a]! - positions[b]! || a - b);
        const holds = (at: readonly number[]) =>
          order.every((index, rank) => rank === 0 || at[index]! - at[order[rank - 1]!]! >= gap - 1e-9);
        expect(holds(spread)).toBe(true);
        for (const i of positions.keys()) {
          for (const by of [-0.01, 0.01]) {
            // A single one moved, and everything from it on moved.
            const one = spread.map((value, j) => (j === i ? value + by : value));
            const rank = order.indexOf(i);
            const rest = spread.map((value, j) => (order.indexOf(j) >= rank ? value + by : value));
            for (const other of [one, rest]) if (holds(other)) expect(cost(other)).toBeGreaterThan(cost(spread) - 1e-9);
          }
        }
      }),
    );
  });
});
