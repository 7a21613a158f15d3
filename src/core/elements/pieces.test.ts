import { distance, plus, turned } from '../geometry/point';
import { recordsOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { acting } from '../setting-out/acting';
import { resolveOutline } from '../setting-out/resolve-outline';
import { solve } from '../solving/solve';
import { afterFrom, FURNISHED, given, refusal } from '../testing/given';
import { wallPath } from '../walls/wall-path';
import { piecesOf } from './pieces';

const rectangle = (place: string) => ({ type: 'rectangle' as const, place, widthMm: 2700, depthMm: 5600 });

/** A stair hall on the ground: two walls with a door, a stair, a room; and a column on a crossing, held to nothing else. */
const house = given(
  [
    ['dimensions.define', { name: 'hall', value: 3000 }],
    [
      'stairs.add',
      { name: 'ST1', well: rectangle('B-3 + 400,500'), startsAt: { level: '00' }, stopsAt: { level: '01' } },
    ],
    [
      'walls.add',
      {
        name: 'H1',
        type: { name: 'Hall 150', layers: [{ name: 'board', thicknessMm: 150, core: true }] },
        place: 'B-3 + 300,300',
        points: [
          { xMm: 0, yMm: 0 },
          { xMm: 'hall', yMm: 0 },
          { xMm: 'hall', yMm: 6000 },
        ],
        startsAt: { level: '00' },
      },
    ],
    ['walls.addOpening', { wall: 'H1', opening: 'door', alongMm: 800 }],
    ['rooms.add', { level: '00', place: 'B-3 + 1500,3000', name: 'Stair hall' }],
  ],
  given(FURNISHED),
);
const building = recordsOf(house, 'building')[0]!.id;
const levelId = (framework: Framework, name: string, of = building) =>
  recordsOf(framework, 'level').find((level) => level.name === name && level.building === of)!.id;
const hall: Id[] = [
  recordsOf(house, 'stair').find(({ name }) => name === 'ST1')!.id,
  recordsOf(house, 'wall').find(({ name }) => name === 'H1')!.id,
  recordsOf(house, 'room').find(({ name }) => name === 'Stair hall')!.id,
];
const added = (framework: Framework, before = house) =>
  [...framework.records.values()].filter(({ id }) => !before.records.has(id));
const pieces = piecesOf(house, hall, levelId(house, '00'));
const after = afterFrom(house);

it('a stair hall is put in at another level of its building, an exact way off, still held to its crossing', () => {
  const put = after('elements.paste', { pieces, levels: ['02'], xMm: 8000, yMm: -500 });
  const made = added(put);
  expect(made.map(({ kind }) => kind).sort()).toEqual(['room', 'stair', 'wall']);
  const wall = made.find((record) => record.kind === 'wall')!;
  const was = recordsOf(house, 'wall').find(({ name }) => name === 'H1')!;
  const [there, stood] = [wallPath(put, wall)!.points, wallPath(house, was)!.points];
  stood.forEach((point, i) => expect(distance(plus(point, { x: 8000, y: -500 }), there[i]!)).toBeLessThan(1e-3));
  expect(wall.place.lines).toEqual(was.place.lines);
  expect(wall.points[1]!.xMm).toEqual(was.points[1]!.xMm);
  expect(wall.startsAt.level).toBe(levelId(put, '02'));
  expect(wall.openings).toHaveLength(1);
  expect(wall.openings[0]!.id).not.toBe(was.openings[0]!.id);
  const stair = made.find((record) => record.kind === 'stair')!;
  expect([stair.startsAt.level, stair.stopsAt.level]).toEqual([levelId(put, '02'), levelId(put, '03')]);
  const room = made.find((record) => record.kind === 'room')!;
  expect([room.level, room.name]).toEqual([levelId(put, '02'), 'Stair hall']);
  expect(solve(put).findings.filter(({ rule }) => rule === 'solve.failed')).toEqual([]);
});

it('once for each of several levels; where it stands already it is refused', () => {
  const put = after('elements.paste', {
    pieces: piecesOf(house, [hall[2]!], levelId(house, '00')),
    levels: ['01', '02', '03'],
  });
  expect(added(put)).toHaveLength(3);
  expect(new Set(recordsOf(put, 'room').map(({ number, level }) => `${level} ${number}`)).size).toBe(
    recordsOf(put, 'room').length,
  );
});

it('what would end above the highest storey ends there', () => {
  const put = after('elements.paste', {
    pieces: piecesOf(house, [hall[0]!], levelId(house, '00')),
    levels: ['03'],
    xMm: 9000,
  });
  const [stair] = added(put);
  const storeys = solve(put).levels.filter(({ bounding }) => bounding);
  if (stair?.kind !== 'stair') throw new Error('a stair');
  expect(storeys.map(({ id }) => id)).toContain(stair.stopsAt.level);
});

it('in another building of the project it stands where it stood on the site, held from zero', () => {
  const two = given(
    [
      ['buildings.add', { name: 'Annex', xMm: 30_000, yMm: -4000, turnDeg: 30 }],
      ['levels.setUp', { building: 'Annex', above: '3@3.3m' }],
    ],
    house,
  );
  const annex = recordsOf(two, 'building').find(({ name }) => name === 'Annex')!;
  const put = afterFrom(two)('elements.paste', { pieces, building: 'Annex', levels: ['01'] });
  const wall = added(put, two).find((record) => record.kind === 'wall')!;
  expect([wall.building, wall.place.lines]).toEqual([annex.id, null]);
  const onSite = wallPath(put, wall)!.points.map((point) => plus({ x: 30_000, y: -4000 }, turned(point, 30)));
  const stood = wallPath(
    house,
    recordsOf(house, 'wall').find(({ name }) => name === 'H1')!,
  )!.points;
  stood.forEach((point, i) => expect(distance(point, onSite[i]!)).toBeLessThan(5e-3));
  const stair = added(put, two).find((record) => record.kind === 'stair')!;
  const well = resolveOutline(put, stair.well)!.map((point) => plus({ x: 30_000, y: -4000 }, turned(point, 30)));
  const wellWas = resolveOutline(house, recordsOf(house, 'stair').find(({ name }) => name === 'ST1')!.well)!;
  wellWas.forEach((point, i) => expect(distance(point, well[i]!)).toBeLessThan(5e-3));
});

it('in another project it brings its type along, its lengths as they were, and stands at the same place of the building', () => {
  const other = given([
    ['buildings.add', { name: 'Elsewhere' }],
    ['levels.setUp', { above: '3@3m' }],
    ['walls.defineType', { name: 'Hall 150', layers: [{ name: 'brick', thicknessMm: 115, core: true }] }],
  ]);
  const put = afterFrom(other)('elements.paste', {
    pieces: JSON.parse(JSON.stringify(pieces)) as typeof pieces,
    levels: ['01'],
  });
  const wall = added(put, other).find((record) => record.kind === 'wall')!;
  const stood = wallPath(
    house,
    recordsOf(house, 'wall').find(({ name }) => name === 'H1')!,
  )!.points;
  wallPath(put, wall)!.points.forEach((point, i) => expect(distance(point, stood[i]!)).toBeLessThan(1e-3));
  expect(typeof wall.points[1]!.xMm).toBe('number');
  // Another type has the name: the own one comes with another.
  expect(put.records.get(wall.type)).toMatchObject({
    name: 'Hall 150 2',
    layers: [{ name: 'board', thicknessMm: 150 }],
  });
  // Put in once more, the type that came is the type that is there.
  const again = afterFrom(put)('elements.paste', { pieces, levels: ['02'] });
  expect(recordsOf(again, 'wallType')).toHaveLength(2);
});

it('columns come to stand on the crossings they come to; elsewhere they have marks of their own', () => {
  const stack = recordsOf(house, 'columnStack')[0]!;
  const taken = piecesOf(house, [stack.id], levelId(house, '00'));
  const put = after('elements.paste', { pieces: taken, levels: ['00'], xMm: 1234, yMm: 777 });
  const [column] = added(put);
  if (column?.kind !== 'columnStack') throw new Error('a column');
  expect(distance(acting(put, column).at, plus(acting(house, stack).at, { x: 1234, y: 777 }))).toBeLessThan(1e-3);
});

it('what cannot be put in is said in words, and nothing is changed', () => {
  expect(refusal(house, 'elements.paste', { pieces, levels: ['Z9'] })).toMatch(/no level named Z9/);
  const torn = { ...pieces, pieces: [{ held: { kind: 'wall' }, free: {} }] };
  expect(refusal(house, 'elements.paste', { pieces: torn, levels: ['02'] })).toMatch(/damaged/);
  const raft = recordsOf(house, 'foundation').find(({ outline }) => outline === null);
  if (raft) expect(() => piecesOf(house, [raft.id], levelId(house, '00'))).toThrow(/what stands on it/);
});
