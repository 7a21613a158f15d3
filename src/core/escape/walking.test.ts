import fc from 'fast-check';
import { unionLess, type Region } from '../geometry/boolean';
import type { Point } from '../geometry/point';
import { farthestIn } from './farthest';
import { Floor } from './walking';

const box = (x: number, y: number, w: number, d: number) => [
  { x, y },
  { x: x + w, y },
  { x: x + w, y: y + d },
  { x, y: y + d },
];

/** A plan on a lattice: what stands is whole squares. */
interface Lattice {
  wide: number;
  deep: number;
  stands: readonly { x: number; y: number; w: number; d: number }[];
}
const MM = 100;
const regionsOf = ({ wide, deep, stands }: Lattice): Region[] =>
  unionLess(
    [box(0, 0, wide * MM, deep * MM)],
    stands.map(({ x, y, w, d }) => box(x * MM, y * MM, w * MM, d * MM)),
  ).regions;

/** Steps to lattice places up to six squares away that no shorter step leads on to. */
const REACH = 6;
const gcd = (a: number, b: number): number => (b === 0 ? Math.abs(a) : gcd(b, a % b));
const STEPS = Array.from({ length: (2 * REACH + 1) ** 2 }, (_, i) => [
  (i % (2 * REACH + 1)) - REACH,
  Math.floor(i / (2 * REACH + 1)) - REACH,
]).filter(([dx, dy]) => gcd(dx!, dy!) === 1) as [number, number][];

/** Ways over the lattice by steps in 96 directions, each through free squares only: knows nothing of corners that see each other. */
function latticeSearch({ wide, deep, stands }: Lattice, goal: Point): (at: Point) => number {
  const isFree = (x: number, y: number) => x >= 0 && y >= 0 && x < wide && y < deep && !taken[y * wide + x];
  const taken = new Uint8Array(wide * deep);
  for (const { x, y, w, d } of stands)
    for (let j = Math.max(0, y); j < Math.min(deep, y + d); j += 1)
      for (let i = Math.max(0, x); i < Math.min(wide, x + w); i += 1) taken[j * wide + i] = 1;
  /** Squares whose inside a step goes through, from where it starts. */
  const through = STEPS.map(([dx, dy]) => {
    const squares = new Set<string>();
    for (let k = 0.5; k < 480; k += 1) {
      const [x, y] = [(dx * k) / 480, (dy * k) / 480];
      if (Math.abs(x - Math.round(x)) > 1e-9 && Math.abs(y - Math.round(y)) > 1e-9)
        squares.add(`${Math.floor(x)} ${Math.floor(y)}`);
    }
    return [...squares].map((each) => each.split(' ').map(Number) as [number, number]);
  });
  const across = wide + 1;
  const far = new Float64Array(across * (deep + 1)).fill(Infinity);
  const open: { n: number; mm: number }[][] = [];
  const put = (n: number, mm: number) => {
    if (mm >= far[n]! - 1e-9) return;
    far[n] = mm;
    (open[Math.floor(mm / 10)] ??= []).push({ n, mm });
  };
  put(Math.round(goal.y / MM) * across + Math.round(goal.x / MM), 0);
  for (let b = 0; b < open.length; b += 1) {
    const bucket = open[b];
    if (!bucket) continue;
    for (const { n, mm } of bucket) {
      if (mm > far[n]!) continue;
      const [x, y] = [n % across, Math.floor(n / across)];
      STEPS.forEach(([dx, dy], s) => {
        const [tx, ty] = [x + dx, y + dy];
        if (tx < 0 || ty < 0 || tx > wide || ty > deep) return;
        const isAlong = dx === 0 || dy === 0;
        const free = isAlong
          ? dx === 0
            ? isFree(x - 1, y + Math.min(0, dy)) || isFree(x, y + Math.min(0, dy))
            : isFree(x + Math.min(0, dx), y - 1) || isFree(x + Math.min(0, dx), y)
          : through[s]!.every(([cx, cy]) => isFree(x + cx, y + cy));
        if (free) put(ty * across + tx, mm + MM * Math.sqrt(dx * dx + dy * dy));
      });
    }
  }
  return (at) => far[Math.round(at.y / MM) * across + Math.round(at.x / MM)]!;
}

type Stand = Lattice['stands'][number];
const isNear = (a: Stand, b: Stand): boolean =>
  a.x <= b.x + b.w && b.x <= a.x + a.w && a.y <= b.y + b.d && b.y <= a.y + a.d;

/** Rooms on both sides of a corridor, each with a door somewhere in its wall, some with things that stand in them. */
const plans = fc
  .record({
    rooms: fc.integer({ min: 2, max: 4 }),
    depth: fc.integer({ min: 25, max: 45 }),
    wide: fc.integer({ min: 70, max: 110 }),
    doors: fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 8, maxLength: 8 }),
    things: fc.array(
      fc.record({
        x: fc.integer({ min: 0, max: 100 }),
        y: fc.integer({ min: 0, max: 100 }),
        w: fc.integer({ min: 2, max: 12 }),
        d: fc.integer({ min: 2, max: 12 }),
      }),
      { maxLength: 6 },
    ),
  })
  .map(
    ({ rooms, depth, wide, doors, things }): Lattice & { rooms: { x: number; y: number; w: number; d: number }[] } => {
      const corridor = 15;
      const deep = 2 * depth + corridor + 4;
      const each = Math.floor(wide / rooms);
      const stands: Lattice['stands'][number][] = [];
      const at: { x: number; y: number; w: number; d: number }[] = [];
      [0, 1].forEach((side) => {
        const wallY = side === 0 ? depth : depth + 2 + corridor;
        for (let i = 0; i < rooms; i += 1) {
          const x0 = i * each;
          const x1 = i === rooms - 1 ? wide : x0 + each;
          const door = x0 + 3 + Math.floor(doors[side * 4 + i]! * (x1 - x0 - 15));
          stands.push({ x: x0, y: wallY, w: door - x0, d: 2 }, { x: door + 9, y: wallY, w: x1 - door - 9, d: 2 });
          const y0 = side === 0 ? 0 : wallY + 2;
          const y1 = side === 0 ? wallY : deep;
          if (i > 0) stands.push({ x: x0 - 1, y: y0, w: 2, d: y1 - y0 });
          at.push({
            x: x0 + (i > 0 ? 1 : 0),
            y: y0,
            w: x1 - x0 - (i > 0 ? 1 : 0) - (i < rooms - 1 ? 1 : 0),
            d: y1 - y0,
          });
        }
      });
      // Things stand clear of walls and of each other, or one would pass between them through a point.
      for (const thing of things) if (!stands.some((other) => isNear(thing, other))) stands.push(thing);
      return { wide, deep, stands, rooms: at };
    },
  );

describe('shortest ways over a floor', () => {
  it('go straight where nothing stands, and round corners where something does: by hand', () => {
    // A wall 200 thick from the left edge, with 1000 free at the right.
    const floor = new Floor(unionLess([box(0, 0, 5000, 4000)], [box(0, 2000, 4000, 200)]).regions);
    const ways = floor.waysTo([{ at: { x: 1000, y: 500 }, moreMm: 0 }]);
    expect(ways.wayFrom({ x: 4500, y: 500 })!.mm).toBeCloseTo(3500, 6);
    const round = ways.wayFrom({ x: 1000, y: 3500 })!;
    // To the upper corner (4000, 2200), down beside the wall's end, and on from (4000, 2000).
    expect(round.mm).toBeCloseTo(Math.sqrt(3000 ** 2 + 1300 ** 2) + 200 + Math.sqrt(3000 ** 2 + 1500 ** 2), 0);
    expect(round.points.map(({ x, y }) => [Math.round(x), Math.round(y)])).toEqual([
      [1000, 3500],
      [4000, 2200],
      [4000, 2000],
      [1000, 500],
    ]);
    expect(ways.from({ x: 2000, y: 2100 })).toBeNull();
  });

  it('do not cut through what they touch at two corners, and lead nowhere where all is closed', () => {
    const floor = new Floor(unionLess([box(0, 0, 3000, 3000)], [box(1000, 1000, 1000, 1000)]).regions);
    const ways = floor.waysTo([{ at: { x: 2500, y: 2500 }, moreMm: 100 }]);
    expect(ways.wayFrom({ x: 500, y: 500 })!.mm).toBeCloseTo(100 + 2 * Math.sqrt(1500 ** 2 + 500 ** 2), 0);
    const { regions } = unionLess([box(0, 0, 3000, 3000)], [box(0, 1000, 3000, 200)]);
    const closed = new Floor(regions);
    expect(closed.waysTo([{ at: { x: 500, y: 500 }, moreMm: 0 }]).wayFrom({ x: 500, y: 2500 })).toBeNull();
    expect(farthestIn(regions.slice(-1), closed.waysTo([{ at: { x: 500, y: 500 }, moreMm: 0 }]))).toBeNull();
  });

  it('are within a hundredth of a fine lattice search in 50 random plans, from every place and from the farthest of each room', () => {
    let rooms = 0;
    fc.assert(
      fc.property(plans, fc.double({ min: 0.05, max: 0.95, noNaN: true }), (plan, share) => {
        const depth = plan.stands.find(({ d, x }) => d === 2 && x === 0)!.y;
        const goal = { x: Math.round(share * plan.wide) * MM, y: (depth + 2 + 7) * MM };
        const floor = new Floor(regionsOf(plan));
        if (plan.stands.some(({ x, y, w, d }) => covers({ x, y, w, d }, goal))) return;
        const ways = floor.waysTo([{ at: goal, moreMm: 0 }]);
        const lattice = latticeSearch(plan, goal);
        for (let x = 3; x < plan.wide; x += 7)
          for (let y = 3; y < plan.deep; y += 7) {
            const at = { x: x * MM, y: y * MM };
            if (plan.stands.some((each) => covers(each, at))) continue;
            const [ours, theirs] = [ways.from(at)?.mm ?? Infinity, lattice(at)];
            // A lattice goes round by steps: never shorter, and longer by its directions only.
            if (theirs === Infinity) expect(ours).toBe(Infinity);
            else {
              expect(ours).toBeLessThanOrEqual(theirs + 0.5);
              expect(ours).toBeGreaterThanOrEqual(theirs * 0.99 - 1);
            }
          }
        for (const { x, y, w, d } of plan.rooms) {
          const free = unionLess(
            [box(x * MM, y * MM, w * MM, d * MM)],
            plan.stands.map((each) => box(each.x * MM, each.y * MM, each.w * MM, each.d * MM)),
          ).regions;
          const found = farthestIn(free, ways);
          let most = 0;
          for (let i = x; i <= x + w; i += 1)
            for (let j = y; j <= y + d; j += 1) {
              const at = { x: i * MM, y: j * MM };
              const theirs = plan.stands.some((each) => covers(each, at, true)) ? 0 : lattice(at);
              if (theirs < Infinity) most = Math.max(most, theirs);
            }
          if (most === 0) continue;
          rooms += 1;
          expect(found!.mm).toBeGreaterThan(most * 0.99 - 5);
          expect(found!.mm).toBeLessThan(most * 1.01 + 5);
        }
      }),
      { numRuns: 50 },
    );
    expect(rooms).toBeGreaterThan(100);
  });
});

/** True for places on what stands, its edges too: those are told by rounding; `within`: not on its edges. */
const covers = ({ x, y, w, d }: { x: number; y: number; w: number; d: number }, at: Point, within = false): boolean => {
  const by = within ? 1 : 0;
  return at.x >= x * MM + by && at.x <= (x + w) * MM - by && at.y >= y * MM + by && at.y <= (y + d) * MM - by;
};
