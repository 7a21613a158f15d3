import fc from 'fast-check';
import { cross, distance, dot, minus, type Point } from '../geometry/point';
import { distanceToSegment } from '../geometry/polygon';
import { makeRun, notDoubled, withoutGates, type GuardRun, type GuardSizes, type Post } from './make-guard';
import { besideWay, type FootPlace } from './side-path';

const SIZES: GuardSizes = {
  is: 'guard',
  heightMm: 1100,
  postSpacingMm: 1500,
  infill: 'bars',
  gapMm: 100,
  hasTopRail: true,
  midRails: 0,
  extensionMm: 0,
  endPosts: { start: true, end: true },
};

/** Ways that go on and on: each step by its length, its turn from the one before, and how far it goes up. */
const steps = fc.array(
  fc.record({
    longMm: fc.integer({ min: 300, max: 9000 }),
    turnDeg: fc.integer({ min: -120, max: 120 }),
    upMm: fc.integer({ min: -900, max: 900 }),
  }),
  { minLength: 1, maxLength: 8 },
);
const ways = steps.map((list): FootPlace[] => {
  let [heading, place]: [number, FootPlace] = [0, { x: 0, y: 0, mm: 0 }];
  return [
    place,
    ...list.map(({ longMm, turnDeg, upMm }) => {
      heading += (turnDeg * Math.PI) / 180;
      place = {
        x: place.x + longMm * Math.cos(heading),
        y: place.y + longMm * Math.sin(heading),
        mm: place.mm + upMm,
      };
      return place;
    }),
  ];
});
/** Closed ones: many corners round a middle. */
const rounds = fc
  .array(fc.integer({ min: 1500, max: 8000 }), { minLength: 3, maxLength: 9 })
  .map((radii): FootPlace[] =>
    radii.map((radius, i) => {
      const angle = (2 * Math.PI * i) / radii.length;
      return { x: radius * Math.cos(angle), y: radius * Math.sin(angle), mm: 0 };
    }),
  );
const runs: fc.Arbitrary<GuardRun> = fc.oneof(
  ways.map((places) => ({ level: 'l', places, isClosed: false })),
  rounds.map((places) => ({ level: 'l', places, isClosed: true })),
);
const spacings = fc.integer({ min: 400, max: 3000 });

const wayOf = ({ places, isClosed }: GuardRun): FootPlace[] => (isClosed ? [...places, places[0]!] : places);
const sidesOf = (way: readonly FootPlace[]): [FootPlace, FootPlace][] => way.slice(1).map((to, i) => [way[i]!, to]);
const planMm = (way: readonly FootPlace[]): number => sidesOf(way).reduce((sum, [a, b]) => sum + distance(a, b), 0);

/** How far a place lies along a way, looked for from a distance on; places of ways that cross themselves come in order. */
function alongMm(way: readonly FootPlace[], post: Post, fromMm: number): number {
  let before = 0;
  for (const [a, b] of sidesOf(way)) {
    const long = distance(a, b);
    const at = before + dot(minus(post, a), minus(b, a)) / long;
    if (distanceToSegment(post, a, b) < 1e-3 && at > fromMm - 1e-3) return at;
    before += long;
  }
  return NaN;
}

describe('posts along a run', () => {
  it('stand at its ends and corners and no further apart than asked, as few as that takes', () => {
    fc.assert(
      fc.property(runs, spacings, (run, postSpacingMm) => {
        const { posts } = makeRun(run, { ...SIZES, postSpacingMm });
        const way = wayOf(run);
        const at: number[] = [];
        for (const post of posts) at.push(alongMm(way, post, at.length === 0 ? 0 : at.at(-1)! + 1));
        if (run.isClosed) at.push(planMm(way));
        expect(at[0]).toBeCloseTo(0, 3);
        expect(at.at(-1)).toBeCloseTo(planMm(way), 2);
        at.slice(1).forEach((mm, i) => expect(mm - at[i]!).toBeLessThanOrEqual(postSpacingMm + 1e-2));
        // Every corner has one, and between two corners no post could be left out.
        const corners = way.flatMap((place, i): number[] => {
          const [before, after] = [way[i - 1], way[i + 1]];
          if (!before || !after) return [planMm(way.slice(0, i + 1))];
          const [u, v] = [minus(place, before), minus(after, place)];
          const turned = Math.abs((Math.atan2(cross(u, v), dot(u, v)) * 180) / Math.PI);
          // About 20 degrees a chord of a curve begins; what is close to that is not judged.
          return turned > 20.01 ? [planMm(way.slice(0, i + 1))] : turned > 19.99 ? [NaN] : [];
        });
        if (corners.some(Number.isNaN)) return;
        for (const corner of corners) expect(Math.min(...at.map((mm) => Math.abs(mm - corner)))).toBeLessThan(1e-2);
        const fields = corners
          .slice(1)
          .reduce((sum, corner, i) => sum + Math.max(1, Math.ceil((corner - corners[i]!) / postSpacingMm - 1e-9)), 0);
        expect(at).toHaveLength(fields + 1);
      }),
      { numRuns: 300 },
    );
  });

  it('go up with their run, each from its foot to under its rail', () => {
    fc.assert(
      fc.property(ways, fc.boolean(), (places, hasTopRail) => {
        const { posts, lengthMm } = makeRun({ level: 'l', places, isClosed: false }, { ...SIZES, hasTopRail });
        for (const post of posts) {
          const feet = sidesOf(places).flatMap(([a, b]) => {
            if (distanceToSegment(post, a, b) > 1e-3) return [];
            const t = distance(a, post) / distance(a, b);
            return [a.mm + (b.mm - a.mm) * t];
          });
          expect(Math.min(...feet.map((mm) => Math.abs(mm - post.footMm)))).toBeLessThan(1e-2);
          expect(post.topMm - post.footMm).toBeCloseTo(hasTopRail ? 1060 : 1100, 6);
        }
        const slopes = sidesOf(places).reduce(
          (sum, [a, b]) => sum + Math.sqrt(distance(a, b) ** 2 + (b.mm - a.mm) ** 2),
          0,
        );
        expect(lengthMm).toBeCloseTo(slopes, 4);
      }),
      { numRuns: 200 },
    );
  });

  it('are the same from the other end, and are left out at an end where a guard goes on', () => {
    const sorted = (posts: readonly Post[]) =>
      posts
        .map(({ x, y }): Point => ({ x: Math.round(x * 100) / 100 || 0, y: Math.round(y * 100) / 100 || 0 }))
        .sort((p, q) => p.x - q.x || p.y - q.y);
    fc.assert(
      fc.property(ways, spacings, (places, postSpacingMm) => {
        const run: GuardRun = { level: 'l', places, isClosed: false };
        const sizes = { ...SIZES, postSpacingMm };
        const [there, back] = [run, { ...run, places: [...places].reverse() }].map(
          (each) => makeRun(each, sizes).posts,
        );
        const near = sorted(back!).map(({ x, y }) => ({ x: expect.closeTo(x, 1), y: expect.closeTo(y, 1) }));
        expect(sorted(there!)).toEqual(near);
        const without = makeRun(run, { ...sizes, endPosts: { start: false, end: false } }).posts;
        expect(without).toEqual(there!.slice(1, -1));
      }),
      { numRuns: 200 },
    );
  });

  it('are not doubled where runs meet, and stand above one another where one run goes over another', () => {
    const standing: Post[] = [];
    const post = (x: number, footMm: number): Post => ({ x, y: 0, footMm, topMm: footMm + 1060 });
    expect(notDoubled([post(0, 0), post(1500, 0)], standing)).toHaveLength(2);
    expect(
      notDoubled([post(1510, 100), post(3000, 0), post(0, 3300)], standing).map(({ x, footMm }) => [x, footMm]),
    ).toEqual([
      [3000, 0],
      [0, 3300],
    ]);
    expect(standing).toHaveLength(4);
  });
});

describe('gates in a run', () => {
  const gates = fc.array(
    fc.record({ fromMm: fc.integer({ min: 0, max: 30_000 }), toMm: fc.integer({ min: 0, max: 30_000 }) }),
    { maxLength: 5 },
  );

  it('leave out so much of it as they take, however they are typed and overlap; what is left lies on the run', () => {
    fc.assert(
      fc.property(runs, gates, (run, typed) => {
        const way = wayOf(run);
        const total = planMm(way);
        const isOpen = (mm: number) =>
          typed.some((gate) => mm > Math.min(gate.fromMm, gate.toMm) && mm < Math.max(gate.fromMm, gate.toMm));
        const left = withoutGates(run, typed);
        // By hand: what lies between the ends of gates, each stretch kept or not by its middle.
        const ends = [0, ...typed.flatMap(({ fromMm, toMm }) => [fromMm, toMm]), total]
          .filter((mm) => mm <= total)
          .sort((p, q) => p - q);
        const kept = ends.slice(1).reduce((sum, to, i) => sum + (isOpen((to + ends[i]!) / 2) ? 0 : to - ends[i]!), 0);
        // Pieces of a millimetre and less are left out too.
        const lengths = left.map((piece) => planMm(wayOf(piece)));
        expect(Math.abs(lengths.reduce((sum, mm) => sum + mm, 0) - kept)).toBeLessThan(typed.length + 2);
        if (typed.length > 0) expect(left.every(({ isClosed }) => !isClosed)).toBe(true);
        for (const { places } of left)
          for (const place of places)
            expect(Math.min(...sidesOf(way).map(([a, b]) => distanceToSegment(place, a, b)))).toBeLessThan(1e-3);
      }),
      { numRuns: 300 },
    );
  });
});

describe('a line beside a way', () => {
  it('keeps its distance along every side, to the left of who goes along, or to the right', () => {
    fc.assert(
      fc.property(ways, fc.integer({ min: -120, max: 120 }), (way, leftMm) => {
        const beside = besideWay(way, leftMm);
        expect(beside.map(({ mm }) => mm)).toEqual(way.map(({ mm }) => mm));
        sidesOf(way).forEach(([a, b], i) => {
          const along = minus(b, a);
          for (const place of [beside[i]!, beside[i + 1]!])
            expect(cross(along, minus(place, a)) / distance(a, b)).toBeCloseTo(leftMm, 4);
        });
      }),
      { numRuns: 200 },
    );
  });
});
