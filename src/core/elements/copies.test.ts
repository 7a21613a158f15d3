import fc from 'fast-check';
import type { Point } from '../geometry/point';
import { ringArea, type Ring } from '../geometry/polygon';
import { recordsOf, type Framework } from '../model/framework';
import { solve } from '../solving/solve';
import { FURNISHED, given, refusal, afterFrom } from '../testing/given';
import type { OutlineInput } from '../outlines/outline-input';

const tower = given(
  [
    ['grids.change', { turnDeg: 13.1, xMm: 4000 }],
    [
      'stairs.add',
      {
        name: 'ST1',
        well: { type: 'rectangle', place: 'B-3 + 400,500', widthMm: 5600, depthMm: 2700 },
        entry: 1,
        turn: 'right',
        widthMm: 1200,
      },
    ],
    ['columns.except', { columns: ['B-2'], level: '02', upwards: true, xMm: 120, yMm: -60 }],
  ],
  given(FURNISHED),
);
const after = afterFrom(tower);
const idOf = (kind: 'shaft' | 'stair' | 'columnStack', framework = tower) => recordsOf(framework, kind)[0]!.id;

describe('copies', () => {
  it('stand at the exact distances, in a row too, with names of their own, and cut the same slabs', () => {
    const copied = after('elements.copy', {
      ids: [idOf('shaft')],
      by: [
        { xMm: '3.6m', yMm: 0 },
        { xMm: 0, yMm: `-4'` },
      ],
    });
    const shafts = solve(copied).shafts.sort((a, b) => (a.name < b.name ? -1 : 1));
    expect(shafts.map(({ name }) => name)).toEqual(['S1', 'S2', 'S3']);
    const [one, two, three] = shafts.map(({ ring }) => ring[0]!);
    expect([two!.x - one!.x, two!.y - one!.y]).toEqual([expect.closeTo(3600, 5), expect.closeTo(0, 5)]);
    expect([three!.x - one!.x, three!.y - one!.y]).toEqual([expect.closeTo(0, 5), expect.closeTo(-1219.2, 5)]);
    for (const { cuts } of shafts) expect(cuts).toHaveLength(shafts[0]!.cuts.length);
    const row = after('elements.copy', { ids: [idOf('stair')], by: [{ xMm: 3000, yMm: 0 }], count: 3 });
    expect(
      solve(row)
        .stairs.map(({ name }) => name)
        .sort(),
    ).toEqual(['ST1', 'ST2', 'ST3', 'ST4']);
    expect(refusal(tower, 'elements.copy', { ids: [idOf('shaft')], by: [{ xMm: 0, yMm: 0 }] })).toMatch(/same place/);
    expect(
      refusal(tower, 'elements.copy', { ids: [recordsOf(tower, 'level')[0]!.id], by: [{ xMm: 1, yMm: 0 }] }),
    ).toMatch(/not copied/);
  });
});

/** The mirror image of a point in grid line 3 of the turned grid, worked out from two of its crossings. */
function imageIn3(framework: Framework): (point: Point) => Point {
  const on = solve(framework).crossings.filter(({ label }) => label?.endsWith('-3'));
  const [p, q] = [on[0]!.at, on[1]!.at];
  const angle = Math.atan2(q.y - p.y, q.x - p.x);
  return ({ x, y }) => {
    const [dx, dy] = [x - p.x, y - p.y];
    const [c, s] = [Math.cos(2 * angle), Math.sin(2 * angle)];
    return { x: p.x + dx * c + dy * s, y: p.y + dx * s - dy * c };
  };
}
const sorted = (points: readonly Point[]) =>
  points.map(({ x, y }) => `${x.toFixed(2)},${y.toFixed(2)}`.replaceAll('-0.00', '0.00')).sort();
const sameRing = (a: Ring, b: Ring) => expect(sorted(a)).toEqual(sorted(b));

describe('mirrored in a line', () => {
  it('a shaft and a column are where their images are', () => {
    const image = imageIn3(tower);
    const made = after('elements.mirror', { ids: [idOf('shaft')], line: '3' });
    const [one, two] = solve(made).shafts.sort((a, b) => (a.name < b.name ? -1 : 1));
    sameRing(two!.ring, one!.ring.map(image));
    const stack = recordsOf(tower, 'columnStack').find((each) => each.exceptions.length > 0)!;
    const before = solve(tower).columns.filter((piece) => piece.stack === stack.id);
    const over = solve(after('elements.mirror', { ids: [stack.id], line: '3', copies: false })).columns.filter(
      (piece) => piece.stack === stack.id,
    );
    over.forEach(({ at }, i) => {
      const there = image(before[i]!.at);
      expect([at.x, at.y]).toEqual([expect.closeTo(there.x, 3), expect.closeTo(there.y, 3)]);
    });
  });

  it('a stair keeps its steps, each flight where its image is, entered from the same side', () => {
    const image = imageIn3(tower);
    const [was] = solve(tower).stairs;
    const [is] = solve(after('elements.mirror', { ids: [idOf('stair')], line: '3', copies: false })).stairs;
    expect(is!.name).toBe('ST1');
    is!.storeys.forEach((storey, i) => {
      const before = was!.storeys[i]!;
      expect(storey.steps).toEqual(before.steps);
      storey.flights.forEach((flight, f) => sameRing(flight.ring!, before.flights[f]!.ring!.map(image)));
      sameRing(storey.landings[0]!.ring, before.landings[0]!.ring.map(image));
    });
  });

  it('twice is where it was, whatever the line and the outline', () => {
    const outlines: OutlineInput[] = [
      { type: 'rectangle', place: '3000,2000', widthMm: 1800, depthMm: 900, turnDeg: 21.5 },
      { type: 'circle', place: '3000,2000', diameterMm: 900 },
      { type: 'polygon', place: 'B-2', points: [0, 1, 2].map((i) => ({ xMm: i * 900, yMm: i === 1 ? 1500 : 100 })) },
    ];
    fc.assert(
      fc.property(fc.constantFrom(...outlines), fc.constantFrom('1', '2', '4', 'A', 'C'), (outline, line) => {
        const one = after('shafts.add', { name: 'X', outline });
        const id = recordsOf(one, 'shaft').find(({ name }) => name === 'X')!.id;
        const input = { ids: [id], line, copies: false };
        const two = after('elements.mirror', input, after('elements.mirror', input, one));
        const ring = (framework: Framework) => solve(framework).shafts.find(({ shaft }) => shaft === id)!.ring;
        sameRing(ring(two), ring(one));
        expect(ringArea(ring(two))).toBeCloseTo(ringArea(ring(one)), 0);
      }),
      { numRuns: 15 },
    );
  });
});
