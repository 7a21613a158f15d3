import fc from 'fast-check';
import { affineOf, through } from '../geometry/affine';
import { distance, plus, type Point } from '../geometry/point';
import { frameworkHash, recordOf, recordsOf } from '../model/framework';
import type { Sent, Step } from '../commands/command-inputs';
import { solve } from '../solving/solve';
import { acting } from '../setting-out/acting';
import { resolveOutline } from '../setting-out/resolve-outline';
import { afterFrom, FURNISHED, given } from '../testing/given';
import {
  copiedByHand,
  flushBy,
  mirroredByHand,
  mirrorThrough,
  movedByHand,
  rowShifts,
  sideNear,
  turnBetween,
  turnedByHand,
} from './by-hand';
import { wallPath } from '../walls/wall-path';
import { besideOf } from './beside';
import { heldBeside } from './held-beside';
import { planMarks } from './plan-marks';
import { solidRing } from './solid-ring';

const tower = given(
  [['shafts.add', { name: 'S9', outline: { type: 'rectangle', place: '3100,2300', widthMm: 2400, depthMm: 1800 } }]],
  given(FURNISHED),
);
const after = afterFrom(tower);
const done = ({ command, input }: Sent, framework = tower) => after(command, input as never, framework);
const shaft = recordsOf(tower, 'shaft').find(({ name }) => name === 'S9')!;
const column = recordsOf(tower, 'columnStack')[0]!;
const ring = (framework: typeof tower, id = shaft.id) => {
  const record = framework.records.get(id)!;
  if (record.kind !== 'shaft') throw new Error('a shaft');
  return resolveOutline(framework, record.outline)!;
};
const point = fc.record({ x: fc.integer({ min: -9000, max: 30_000 }), y: fc.integer({ min: -9000, max: 30_000 }) });
const hasAll = (there: readonly Point[], want: readonly Point[]) =>
  want.every((corner) => there.some((each) => distance(each, corner) < 5e-3));

it('what is shown with the pointer is what the command does then, for moves, turns and mirrors between any points', () => {
  fc.assert(
    fc.property(point, point, point, (a, b, c) => {
      fc.pre(distance(a, b) > 10 && distance(a, c) > 10);
      const shown = (affine: ReturnType<typeof affineOf.shift>) => ring(tower).map((corner) => through(affine, corner));
      const moved = done(movedByHand([shaft.id], a, b));
      expect(hasAll(ring(moved), shown(affineOf.shift({ x: b.x - a.x, y: b.y - a.y })))).toBe(true);
      const deg = turnBetween(a, b, c);
      fc.pre(deg !== 0);
      const turned = done(turnedByHand([shaft.id], a, deg, false));
      expect(hasAll(ring(turned), shown(affineOf.turn({ about: a, deg })))).toBe(true);
      const mirrored = done(mirroredByHand([shaft.id], a, b, false));
      expect(hasAll(ring(mirrored), shown(affineOf.mirror(mirrorThrough(a, b)!)))).toBe(true);
      // There and back is where it was.
      expect(frameworkHash(done(movedByHand([shaft.id], b, a), moved))).toBe(frameworkHash(tower));
    }),
    { numRuns: 25 },
  );
});

it('from one point to another by hand is the move that is typed with the same numbers', () => {
  expect(frameworkHash(done(movedByHand([column.id, shaft.id], { x: 7200, y: 0 }, { x: 8550.5, y: -320 })))).toBe(
    frameworkHash(after('elements.move', { ids: [column.id, shaft.id], xMm: '1350.5', yMm: '-0.32m' })),
  );
});

it('a row is each as far as pressed, or has its last one there', () => {
  const [from, to] = [
    { x: 100, y: 100 },
    { x: 9100, y: 1600 },
  ];
  expect(rowShifts(from, to, { count: 3, reach: 'each' }).at(-1)).toEqual({ x: 27_000, y: 4500 });
  expect(rowShifts(from, to, { count: 3, reach: 'last' })).toEqual([
    { x: 3000, y: 500 },
    { x: 6000, y: 1000 },
    { x: 9000, y: 1500 },
  ]);
  const made = done(copiedByHand([shaft.id], from, to, { count: 3, reach: 'last' }));
  const copies = recordsOf(made, 'shaft').filter(({ id }) => !tower.records.has(id));
  expect(copies).toHaveLength(3);
  expect(
    copies.some(({ id }) =>
      hasAll(
        ring(made, id),
        ring(tower).map((corner) => plus(corner, { x: 9000, y: 1500 })),
      ),
    ),
  ).toBe(true);
});

it('a turn is what one sees between two directions, either way round', () => {
  const about = { x: 500, y: 500 };
  const at = (x: number, y: number) => ({ x: about.x + x, y: about.y + y });
  expect(turnBetween(about, at(1000, 0), at(0, 20))).toBe(90);
  expect(turnBetween(about, at(1000, 0), at(3, -3))).toBe(-45);
  expect(turnBetween(about, at(-1, 1), at(-1, -1))).toBe(90);
  expect(turnBetween(about, at(0, -1), at(0, 7))).toBe(180);
});

it('a column comes flush with a face to a millionth, and only with what runs the same way', () => {
  const solved = solve(tower);
  const level = solved.levels.find(({ name }) => name === '00')!.id;
  const { edges } = planMarks(solved, column.building, level);
  const { at } = acting(tower, column);
  const own = sideNear(edges, { x: at.x + 240, y: at.y }, 60, ({ of }) => of === column.id)!;
  const other = sideNear(edges, { x: 3100, y: 3000 }, 60, ({ of }) => of === shaft.id)!;
  const by = flushBy(own, other)!;
  const moved = done(movedByHand([column.id], { x: 0, y: 0 }, by));
  const piece = solve(moved).columns.find(({ stack, level: on }) => stack === column.id && on === level)!;
  if (piece.section.shape !== 'rectangle') throw new Error('a rectangle');
  expect(Math.abs(piece.at.x + piece.section.widthMm / 2 - 3100)).toBeLessThan(1e-6);
  expect(piece.at.y).toBe(at.y);
  const across = sideNear(edges, { x: 4000, y: 2300 }, 60, ({ of }) => of === shaft.id)!;
  expect(flushBy(own, across)).toBeNull();
  expect(sideNear(edges, { x: 4000, y: 2900 }, 60, ({ of }) => of === shaft.id)).toBeNull();
});

describe('a distance that stands beside a thing is held', () => {
  const two = given(
    [
      ['levels.setUp', { above: '2@3.2m' }],
      ['grids.add', { baysA: '3@6000', baysB: '2@6000' }],
      ['columns.place', { place: 'B-2', section: { shape: 'rectangle', widthMm: 600, depthMm: 300 } }],
      ...([1000, 3000] as const).map((yMm, i): Step => [
        'walls.add',
        {
          name: `C${i + 1}`,
          type:
            i === 0
              ? { name: 'Corridor 100', layers: [{ name: 'studs', thicknessMm: 100, core: true }] }
              : 'Corridor 100',
          place: { lines: null, xMm: 500, yMm },
          points: [
            { xMm: 0, yMm: 0 },
            { xMm: 6000, yMm: 0 },
          ],
          startsAt: { level: '00' },
        },
      ]),
    ],
    given([['buildings.add', { name: 'House' }]]),
  );
  const column = recordsOf(two, 'columnStack')[0]!;
  const solved = solve(two);
  const level = solved.levels.find(({ name }) => name === '00')!.id;
  const marks = planMarks(solved, column.building, level);
  const beside = (id: string, sign: number, axis: 'x' | 'y' = 'y') => {
    const solid = solidRing(solved, id, level)!;
    return besideOf(marks, id, solid.ring, solid.ways).find(({ way }) => way[axis] === sign)!;
  };

  it('between walls as a clear width', () => {
    const wall = recordsOf(two, 'wall').find(({ name }) => name === 'C2')!;
    const held = done(heldBeside(two, wall.id, beside(wall.id, -1), 2400)!, two);
    expect(recordsOf(held, 'clearWidth')).toMatchObject([{ widthMm: 2400 }]);
    expect(wallPath(held, recordOf(held, 'wall', wall.id)!)!.points[0]!.y).toBe(3000 + 500);
  });

  // Downwards a wall stands before the line.
  it.each([
    ['y', 1],
    ['x', 1],
    ['x', -1],
  ] as const)('of a column from a line: %s %s', (axis, way) => {
    const near = beside(column.id, way, axis);
    expect(near.met.line).not.toBeNull();
    const held = done(heldBeside(two, column.id, near, 1500)!, two);
    const piece = solve(held).columns.find(({ stack, level: on }) => stack === column.id && on === level)!;
    if (piece.section.shape !== 'rectangle' || near.met.curve.kind !== 'segment') throw new Error('straight');
    const { from } = near.met.curve;
    const size = axis === 'x' ? piece.section.widthMm : piece.section.depthMm;
    expect(way * (from[axis] - piece.at[axis]) - size / 2).toBeCloseTo(1500, 6);
    const other = axis === 'x' ? 'y' : 'x';
    expect(piece.at[other]).toBe(acting(two, column).at[other]);
  });
});
