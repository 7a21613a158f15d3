import fc from 'fast-check';
import { spreadApart } from './spread';

const cost = (from: readonly number[], to: readonly number[]) =>
  from.reduce((sum, value, i) => sum + (value - to[i]!) ** 2, 0);

/** The best places on a raster, by trying every one: positions in order, `gap` apart, the fixed ones where they are. */
function bruteForce(positions: readonly number[], gap: number, fixed: readonly boolean[], step: number): number {
  const order = positions.map((_, i) => i).sort((a, b) => positions[a]! - positions[b]! || a - b);
  const [low, high] = [Math.min(...positions) - 40, Math.max(...positions) + 40];
  let best = new Map<number, number>([[-Infinity, 0]]);
  for (const index of order) {
    const next = new Map<number, number>();
    const places = fixed[index]
      ? [positions[index]!]
      : Array.from({ length: Math.floor((high - low) / step) + 1 }, (_, i) => low + i * step);
    for (const at of places) {
      let least = Infinity;
      for (const [before, sum] of best) if (before <= at - gap + 1e-9) least = Math.min(least, sum);
      if (least < Infinity) next.set(at, least + (at - positions[index]!) ** 2);
    }
    best = next;
  }
  return Math.min(...best.values());
}

describe('spreading apart', () => {
  const small = fc.array(fc.integer({ min: 0, max: 30 }), { minLength: 1, maxLength: 5 });

  it('never leaves two nearer than the gap, and keeps the order', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 500 }), { maxLength: 40 }), (positions) => {
        const spread = spreadApart(positions, 10);
        const order = positions.map((_, i) => i).sort((a, b) => positions[a]! - positions[b]! || a - b);
        order.slice(1).forEach((index, i) => expect(spread[index]! - spread[order[i]!]!).toBeGreaterThan(10 - 1e-9));
      }),
    );
  });

  it('moves nothing that need not move, and is as good as the best found by trying every place', () => {
    fc.assert(
      fc.property(small, (positions) => {
        const spread = spreadApart(positions, 4);
        expect(cost(positions, spread)).toBeLessThanOrEqual(bruteForce(positions, 4, [], 0.5) + 1e-6);
        const sorted = [...positions].sort((a, b) => a - b);
        if (sorted.slice(1).every((each, i) => each - sorted[i]! >= 4)) expect(spread).toEqual(positions);
      }),
      { numRuns: 150 },
    );
  });

  it('lets fixed ones stay, and is the best there is around them', () => {
    fc.assert(
      fc.property(small, fc.nat(), (positions, which) => {
        const fixed = positions.map((_, i) => i === which % positions.length);
        const spread = spreadApart(positions, 4, fixed);
        fixed.forEach((isFixed, i) => isFixed && expect(spread[i]).toBe(positions[i]));
        expect(cost(positions, spread)).toBeLessThanOrEqual(bruteForce(positions, 4, fixed, 0.5) + 1e-6);
        const sorted = [...spread].sort((a, b) => a - b);
        sorted.slice(1).forEach((each, i) => expect(each - sorted[i]!).toBeGreaterThan(4 - 1e-9));
      }),
      { numRuns: 150 },
    );
  });
});
