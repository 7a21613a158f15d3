import fc from 'fast-check';
import { recordsOf, type Framework } from '../model/framework';
import { solve } from '../solving/solve';
import { corners, rectangle, WALL_200 } from '../testing/drawn';
import { FURNISHED, given, levelId, refusal, step } from '../testing/given';
import { ownShape } from './own-shape';

const house = given(
  [
    [
      'walls.add',
      {
        name: 'Ring',
        use: 'exterior',
        type: WALL_200,
        closed: true,
        points: corners('0,0 9000,0 9000,6000 0,6000'),
        startsAt: { level: '01' },
        stopsAt: { level: '02', face: 'soffit' },
      },
    ],
    [
      'walls.add',
      {
        name: 'Line',
        type: WALL_200,
        on: 'centre',
        points: corners('12000,0 18000,0 18000,5000'),
        startsAt: { level: '01' },
        stopsAt: { level: '02', face: 'soffit' },
      },
    ],
    ['walls.addOpening', { wall: 'Line', opening: 'door', name: 'A', alongMm: 1000 }],
    ['walls.addOpening', { wall: 'Line', opening: 'door', name: 'B', alongMm: 4500 }],
    ['walls.addOpening', { wall: 'Line', opening: 'window', name: 'C', alongMm: 8000 }],
    ['shafts.add', { name: 'S9', outline: rectangle('20000,10000', 2000, 1000) }],
    [
      'shafts.add',
      { name: 'P', outline: { type: 'polygon', place: 'A-1', points: corners('30000,9000 30000,12000 34000,12000') } },
    ],
  ],
  given(FURNISHED),
);
const idOf = (name: string) => [...house.records.values()].find((each) => 'name' in each && each.name === name)!.id;
const shape = (framework: Framework, name: string) =>
  ownShape(framework, framework.records.get(idOf(name))!, null)!.points.map(({ x, y }) => [x, y]);
const alongs = (framework: Framework) =>
  recordsOf(framework, 'wall')
    .find(({ name }) => name === 'Line')!
    .openings.map(({ alongMm }) => alongMm);
/** Where the doors and windows stand in plan. */
const stands = (framework: Framework) =>
  solve(framework)
    .walls.flatMap(({ openings }) => openings)
    .filter(({ name }) => ['A', 'B', 'C'].includes(name))
    .map(({ name, ends: [a, b] }) => [name, (a.x + b.x) / 2, (a.y + b.y) / 2] as const);

describe('corners of walls', () => {
  it('one moves, its sides follow, and the others stay', () => {
    const moved = step(house, 'elements.moveCorner', { id: idOf('Ring'), corner: 2, xMm: 500, yMm: '-1m' }).after;
    expect(shape(moved, 'Ring')).toEqual([
      [0, 0],
      [9000, 0],
      [9500, 5000],
      [0, 6000],
    ]);
  });

  it('one more goes into a side where it is put, and one is taken out', () => {
    const more = step(house, 'elements.addCorner', { id: idOf('Ring'), side: 3, xMm: -800, yMm: 3000 }).after;
    expect(shape(more, 'Ring')).toHaveLength(5);
    expect(shape(more, 'Ring')[4]).toEqual([-800, 3000]);
    const less = step(more, 'elements.removeCorner', { id: idOf('Ring'), corner: 4 }).after;
    expect(shape(less, 'Ring')).toEqual(shape(house, 'Ring'));
  });

  it('doors and windows stay where they are in plan while their side does', () => {
    // The far end moves on: the first two stand still, the last stays in its side.
    const longer = step(house, 'elements.moveCorner', { id: idOf('Line'), corner: 0, xMm: -2000, yMm: 0 }).after;
    expect(alongs(longer)).toEqual([3000, 6500, 10_000]);
    expect(stands(longer)).toEqual(stands(house));
    // A corner put into the first side leaves all of them.
    const bent = step(house, 'elements.addCorner', { id: idOf('Line'), side: 0, xMm: 15_000, yMm: 0 }).after;
    expect(stands(bent)).toEqual(stands(house));
  });

  it('in a side that turns they keep their distance from the end that stays', () => {
    const turned = step(house, 'elements.moveCorner', { id: idOf('Line'), corner: 1, xMm: 0, yMm: -2500 }).after;
    // The first side is 6500 long now and its beginning stays; the second is 7500 and its end stays.
    expect(alongs(turned)[0]).toBe(1000);
    expect(alongs(turned)[1]).toBe(4500);
    expect(alongs(turned)[2]).toBeCloseTo(6500 + 7500 - (11_000 - 8000), 3);
  });

  it('moved there and back is where it was', () => {
    const by = fc.integer({ min: -64_000, max: 64_000 }).map((value) => value / 64);
    fc.assert(
      fc.property(
        fc.constantFrom('Ring', 'Line', 'S9', 'P'),
        fc.integer({ min: 0, max: 2 }),
        by,
        by,
        (name, corner, xMm, yMm) => {
          const id = idOf(name);
          let there: Framework;
          try {
            there = step(house, 'elements.moveCorner', { id, corner, xMm, yMm }).after;
          } catch {
            return;
          }
          const back = step(there, 'elements.moveCorner', { id, corner, xMm: -xMm, yMm: -yMm }).after;
          shape(back, name).forEach(([x, y], i) =>
            expect(Math.hypot(x! - shape(house, name)[i]![0]!, y! - shape(house, name)[i]![1]!)).toBeLessThan(1e-3),
          );
        },
      ),
      { numRuns: 60 },
    );
  });

  it('are refused where nothing sound would be left, and nothing is changed', () => {
    const id = idOf('Ring');
    expect(refusal(house, 'elements.moveCorner', { id, corner: 0, xMm: 12_000, yMm: 3000 })).toMatch(/cross itself/);
    expect(refusal(house, 'elements.moveCorner', { id, corner: 9, xMm: 1 })).toMatch(/cross itself|nothing sound/);
    const plate = recordsOf(house, 'floorPlate')[0]!.id;
    expect(refusal(house, 'elements.moveCorner', { id: plate, corner: 0, xMm: 1 })).toMatch(/follow the grid/);
    const column = recordsOf(house, 'columnStack')[0]!.id;
    expect(refusal(house, 'elements.moveCorner', { id: column, corner: 0, xMm: 1 })).toMatch(/no corners of its own/);
  });
});

describe('sides of walls', () => {
  it('one moves outwards and its neighbours grow with it; the building stays where it is', () => {
    const wider = step(house, 'elements.moveEdge', { id: idOf('Ring'), edge: 1, byMm: 1500 }).after;
    expect(shape(wider, 'Ring')).toEqual([
      [0, 0],
      [10_500, 0],
      [10_500, 6000],
      [0, 6000],
    ]);
    const narrower = step(wider, 'elements.moveEdge', { id: idOf('Ring'), edge: 3, byMm: -500 }).after;
    expect(shape(narrower, 'Ring')[0]).toEqual([500, 0]);
  });

  it('of an open wall it moves to the left of its path, along the side it meets', () => {
    const moved = step(house, 'elements.moveEdge', { id: idOf('Line'), edge: 0, byMm: 700 }).after;
    expect(shape(moved, 'Line')).toEqual([
      [12_000, 700],
      [18_000, 700],
      [18_000, 5000],
    ]);
    expect(refusal(house, 'elements.moveEdge', { id: idOf('Ring'), edge: 0, byMm: -7000 })).toMatch(/nothing sound/);
  });
});

describe('corners of outlines', () => {
  it('a rectangle stays one, the corner across where it is', () => {
    const moved = step(house, 'elements.moveCorner', { id: idOf('S9'), corner: 0, xMm: -300, yMm: -200 }).after;
    expect(shape(moved, 'S9')).toEqual([
      [19_700, 9800],
      [22_000, 9800],
      [22_000, 11_000],
      [19_700, 11_000],
    ]);
    const across = step(house, 'elements.moveCorner', { id: idOf('S9'), corner: 1, xMm: 400, yMm: -200 }).after;
    expect(shape(across, 'S9')[3]).toEqual([20_000, 11_000]);
    expect(refusal(house, 'elements.moveCorner', { id: idOf('S9'), corner: 0, xMm: 2500, yMm: 0 })).toMatch(
      /nothing sound left/,
    );
  });

  it('a corner more makes it drawn by its corners, and every slab is cut so', () => {
    const more = step(house, 'elements.addCorner', { id: idOf('S9'), side: 0, xMm: 21_000, yMm: 9500 }).after;
    expect(shape(more, 'S9')).toEqual([
      [20_000, 10_000],
      [21_000, 9500],
      [22_000, 10_000],
      [22_000, 11_000],
      [20_000, 11_000],
    ]);
    const level = levelId(house, '02');
    const cut = solve(more)
      .shafts.find(({ name }) => name === 'S9')!
      .cuts.find((each) => each.level === level)!;
    expect(cut.ring).toHaveLength(5);
    const less = step(more, 'elements.removeCorner', { id: idOf('S9'), corner: 1 }).after;
    expect(shape(less, 'S9')).toEqual(shape(house, 'S9'));
  });

  it('count counter-clockwise, whichever way round they were typed', () => {
    // Typed clockwise.
    const at = shape(house, 'P').findIndex(([x, y]) => x === 34_000 && y === 12_000);
    const moved = step(house, 'elements.moveCorner', { id: idOf('P'), corner: at, xMm: 1000, yMm: 250 }).after;
    expect(shape(moved, 'P')[at]).toEqual([35_000, 12_250]);
    const more = step(house, 'elements.addCorner', { id: idOf('P'), side: at, xMm: 33_000, yMm: 13_000 }).after;
    expect(shape(more, 'P')[(at + 1) % 4]).toEqual([33_000, 13_000]);
    expect(refusal(house, 'elements.removeCorner', { id: idOf('P'), corner: 0 })).toMatch(/Without that corner/);
  });
});
