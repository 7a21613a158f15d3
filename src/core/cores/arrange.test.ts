import fc from 'fast-check';
import { arrangements, standing, type Wanted, type Way } from './arrange';
import { proposed } from './rank';

const CLEAR = { lobbyMm: 2, wallMm: 1 };
const way = (frontMm: number, depthMm: number, from: number, to: number, turned: Way['turned'] = 'no'): Way => ({
  frontMm,
  depthMm,
  door: [from, to],
  turned,
});
const LIFT: Wanted = { of: 'lift', count: 1, ways: [way(2, 2, 0, 2)] };
const STAIR: Wanted = {
  of: 'stair',
  count: 1,
  ways: [way(3, 5, 1, 2), way(5, 3, 0, 1, 'low'), way(5, 3, 4, 5, 'high')],
};
const SHAFT: Wanted = { of: 'service', count: 1, ways: [way(1, 2, 0, 1), way(2, 1, 0, 1), way(2, 1, 1, 2)] };

interface Rect {
  x: number;
  y: number;
  w: number;
  d: number;
}
const apart = (a: Rect, b: Rect, gap: number) =>
  a.x + a.w + gap <= b.x || b.x + b.w + gap <= a.x || a.y + a.d + gap <= b.y || b.y + b.d + gap <= a.y;

/** Whether things fit about a lobby in a plan of whole squares: every lobby, every place of every thing. Knows no rows. */
function fits(things: readonly (readonly Way[])[], wide: number, deep: number): boolean {
  const { lobbyMm: w, wallMm: t } = CLEAR;
  for (let length = w; length <= wide; length += 1)
    for (let x = 0; x + length <= wide; x += 1)
      for (let y = 0; y + w <= deep; y += 1) {
        if (x > 0 && x + length < wide && y > 0 && y + w < deep) continue;
        const lobby = { x, y, w: length, d: w };
        const places = things.map((ways) =>
          ways.flatMap(({ frontMm: f, depthMm: d, door: [from, to] }) => {
            const found: (Rect & { end: 'left' | 'right' | '' })[] = [];
            for (let at = x - from; at + to <= x + length; at += 1) {
              found.push({ x: at, y: y + w + t, w: f, d, end: '' }, { x: at, y: y - t - d, w: f, d, end: '' });
            }
            for (let at = y - from; at + to <= y + w; at += 1)
              found.push(
                { x: x + length + t, y: at, w: d, d: f, end: 'right' },
                { x: x - t - d, y: at, w: d, d: f, end: 'left' },
              );
            return found.filter(
              (rect) =>
                rect.x >= 0 &&
                rect.y >= 0 &&
                rect.x + rect.w <= wide &&
                rect.y + rect.d <= deep &&
                apart(rect, lobby, t),
            );
          }),
        );
        const put = (i: number, before: (Rect & { end: string })[]): boolean =>
          i === places.length ||
          places[i]!.some(
            (rect) =>
              before.every((other) => apart(rect, other, t) && (rect.end === '' || rect.end !== other.end)) &&
              put(i + 1, [...before, rect]),
          );
        if (put(0, [])) return true;
      }
  return false;
}

const oneByOne = (wanted: readonly Wanted[]) =>
  wanted.flatMap(({ count, ways }) => Array.from({ length: count }, () => ways));
const fitsEither = (wanted: readonly Wanted[], wide: number, deep: number) =>
  fits(oneByOne(wanted), wide, deep) || fits(oneByOne(wanted), deep, wide);

describe('arrangements about a lobby', () => {
  it('are found wherever a search over every place of everything finds one, and nowhere else', () => {
    const some = fc.record({
      lifts: fc.integer({ min: 0, max: 2 }),
      stairs: fc.integer({ min: 0, max: 1 }),
      shafts: fc.integer({ min: 0, max: 1 }),
      wide: fc.integer({ min: 3, max: 12 }),
      deep: fc.integer({ min: 3, max: 10 }),
    });
    const counts = { some: 0, none: 0 };
    fc.assert(
      fc.property(some, ({ lifts, stairs, shafts, wide, deep }) => {
        const wanted = [
          { ...LIFT, count: lifts },
          { ...STAIR, count: stairs },
          { ...SHAFT, count: shafts },
        ].filter(({ count }) => count > 0);
        if (wanted.length === 0) return;
        const found = proposed(wanted, CLEAR, wide, deep).proposals.length > 0;
        counts[found ? 'some' : 'none'] += 1;
        expect([wanted.map(({ count }) => count), wide, deep, found]).toEqual([
          wanted.map(({ count }) => count),
          wide,
          deep,
          fitsEither(wanted, wide, deep),
        ]);
      }),
      { numRuns: 200 },
    );
    expect(Math.min(counts.some, counts.none)).toBeGreaterThan(30);
  });

  it('say the least enlargement: with it the brief fits, with a square less it does not', () => {
    const briefs = [[{ ...LIFT, count: 2 }, STAIR], [LIFT, STAIR, SHAFT], [{ ...LIFT, count: 3 }]];
    for (const wanted of briefs)
      for (const [wide, deep] of [
        [4, 4],
        [6, 5],
        [5, 8],
      ] as const) {
        const { proposals, least } = proposed(wanted, CLEAR, wide, deep);
        if (proposals.length > 0) continue;
        const { widerMm, deeperMm } = least!;
        expect(fitsEither(wanted, wide + widerMm, deep + deeperMm)).toBe(true);
        for (let by = 0; by < widerMm + deeperMm; by += 1)
          expect([by, fitsEither(wanted, wide + by, deep + widerMm + deeperMm - 1 - by)]).toEqual([by, false]);
      }
  });

  it('stand clear of each other and of the lobby, with every door on it, wherever they are put', () => {
    const wanted = [{ ...LIFT, count: 3 }, { ...STAIR, count: 2 }, SHAFT];
    let n = 0;
    for (const arrangement of arrangements(wanted, CLEAR)) {
      n += 1;
      if (n % 61 !== 0) continue;
      for (const [moreX, moreY] of [
        [0, 0],
        [3, 2],
      ] as const) {
        const [wide, deep] = [arrangement.xMm + moreX, arrangement.yMm + moreY];
        const { lobby, things } = standing(arrangement, CLEAR, wide, deep);
        expect(things).toHaveLength(6);
        things.forEach(({ box, way: { door }, side }, i) => {
          expect(box.x >= 0 && box.y >= 0 && box.x + box.w <= wide && box.y + box.d <= deep).toBe(true);
          expect(apart(box, lobby, 1)).toBe(true);
          things.slice(i + 1).forEach((other) => expect(apart(box, other.box, 1)).toBe(true));
          const isRow = side === 'above' || side === 'below';
          const [from, to] = isRow ? [box.x + door[0], box.x + door[1]] : [box.y + door[0], box.y + door[1]];
          const [low, high] = isRow ? [lobby.x, lobby.x + lobby.w] : [lobby.y, lobby.y + lobby.d];
          expect(from >= low - 1e-9 && to <= high + 1e-9).toBe(true);
        });
      }
    }
    expect(n).toBeGreaterThan(1000);
  });
});
