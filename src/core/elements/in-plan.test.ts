import fc from 'fast-check';
import { distance, plus, turned } from '../geometry/point';
import { resolveOutline } from '../setting-out/resolve-outline';
import { acting } from '../setting-out/acting';
import { wallPath } from '../walls/wall-path';
import { facet } from '../kinds/kind';
import { kindOf } from '../kinds/registry';
import { frameworkHash, recordsOf, type Framework } from '../model/framework';
import type { Kind, Rec } from '../model/kinds';
import { resolvePlace } from '../outlines/resolve-place';
import { solve } from '../solving/solve';
import { FURNISHED, given, refusal, afterFrom } from '../testing/given';

const corners = (...numbers: number[]) =>
  numbers.flatMap((xMm, i) => (i % 2 === 0 ? [{ xMm, yMm: numbers[i + 1]! }] : []));

/** On crossings of a turned grid, one of every kind that stands in plan by itself. */
const tower = given(
  [
    ['grids.change', { turnDeg: 13.1, xMm: 4000 }],
    ['columns.except', { columns: ['B-2'], level: '02', upwards: true, xMm: 120, yMm: -60 }],
    [
      'stairs.add',
      { name: 'ST1', well: { type: 'rectangle', place: 'B-3 + 400,500', widthMm: 2700, depthMm: 5600 }, entry: 0 },
    ],
    [
      'walls.add',
      {
        type: { name: 'Core 250', layers: [{ name: 'concrete', thicknessMm: 250, core: true }] },
        place: 'B-2',
        points: corners(0, 0, 7200, 0, 7200, 5000),
        startsAt: { level: '00', face: 'FFL', offsetMm: 0 },
      },
    ],
    [
      'floors.add',
      {
        name: 'Deck',
        outline: { type: 'polygon', place: 'B-2 + 100,100', points: corners(0, 0, 6000, 0, 4000, 5000) },
        levels: { at: ['02'] },
      },
    ],
    [
      'ceilings.add',
      {
        name: 'CE9',
        outline: { type: 'rectangle', place: 'B-2 + 500,500', widthMm: 3000, depthMm: 2000 },
        levels: { at: ['01'] },
      },
    ],
    ['foundations.add', { name: 'F9', form: 'raft', outline: { type: 'circle', place: 'B-2', diameterMm: 9000 } }],
    ['rooms.add', { level: '00', place: 'B-2 + 2000,900', name: 'Hall' }],
    ['rooms.addBoundary', { level: '00', place: 'B-2', points: corners(0, 0, 900, 4000) }],
  ],
  given(FURNISHED),
);
const after = afterFrom(tower);
const last = <K extends Kind>(kind: K, framework: Framework = tower) => recordsOf(framework, kind).at(-1)!;
const named = (
  kind: 'ceiling' | 'foundation' | 'floorPlate' | 'shaft' | 'stair' | 'wall',
  name: string,
  framework = tower,
) => recordsOf(framework, kind).find((each) => each.name === name)!;

/** Everything that stands in plan by itself, and corners of each in the building's axes. */
const standing: Rec[] = [
  named('ceiling', 'CE9'),
  named('foundation', 'F9'),
  named('floorPlate', 'Deck'),
  named('shaft', 'S1'),
  named('stair', 'ST1'),
  last('wall'),
  last('room'),
  last('boundaryLine'),
];
function cornersOf(framework: Framework, record: Rec) {
  if (record.kind === 'columnStack') return [acting(framework, record).at];
  if (record.kind === 'wall') return wallPath(framework, record)!.points;
  if (record.kind === 'stair') return resolveOutline(framework, record.well)!;
  // A circle turned has its corners elsewhere; its centre says where it is.
  if ('outline' in record && record.outline?.type === 'circle')
    return [resolvePlace(framework, record.outline.place).at];
  if ('outline' in record && record.outline) return resolveOutline(framework, record.outline)!;
  if (!('place' in record)) throw new Error(record.kind);
  const { at, turnDeg } = resolvePlace(framework, record.place);
  if (record.kind !== 'boundaryLine') return [at];
  return record.points.map(({ xMm, yMm }) => plus(at, turned({ x: xMm, y: yMm }, turnDeg)));
}
const withId = (framework: Framework, id: string) => framework.records.get(id)!;
const isFar = (
  a: readonly { x: number; y: number }[],
  b: readonly { x: number; y: number }[],
  by: { x: number; y: number },
) => Math.max(...a.map((point, i) => distance({ x: point.x + by.x, y: point.y + by.y }, b[i]!)));

it('every kind that stands in plan by itself is tried here', () => {
  const kinds = new Set(standing.map(({ kind }) => kind));
  const others = [...new Set([...tower.records.values()].map(({ kind }) => kind))].filter((kind) => !kinds.has(kind));
  // Columns are tried beside, and a whole grid is only moved.
  const free = others.filter((kind) => facet(kindOf(recordsOf(tower, kind)[0]!).inPlan));
  expect(free.sort()).toEqual(['columnStack', 'gridSystem']);
});

describe.each(standing.map((record) => [record.kind, record] as const))('a %s', (_, record) => {
  const { id } = record;
  const stood = cornersOf(tower, record);

  it('is moved by exact distances, and back where it was', () => {
    fc.assert(
      fc.property(fc.integer({ min: -3000, max: 3000 }), fc.integer({ min: -3000, max: 3000 }), (x, y) => {
        if (x === 0 && y === 0) return;
        const moved = after('elements.move', { ids: [id], xMm: x, yMm: y });
        expect(isFar(stood, cornersOf(moved, withId(moved, id)), { x, y })).toBeLessThan(1e-3);
        const back = after('elements.move', { ids: [id], xMm: -x, yMm: -y }, moved);
        expect(isFar(stood, cornersOf(back, withId(back, id)), { x: 0, y: 0 })).toBeLessThan(2e-3);
      }),
      { numRuns: 10 },
    );
  });

  it('is copied with what must be its own: ids, names, numbers', () => {
    const copied = after('elements.copy', { ids: [id], by: [{ xMm: 1500, yMm: -700 }], count: 2 });
    const made = recordsOf(copied, record.kind).filter((each) => !tower.records.has(each.id)) as Rec[];
    expect(made).toHaveLength(2);
    for (const times of [1, 2]) {
      const by = { x: times * 1500, y: times * -700 };
      expect(Math.min(...made.map((each) => isFar(stood, cornersOf(copied, each), by)))).toBeLessThan(1e-3);
    }
    const all = recordsOf(copied, record.kind) as Rec[];
    for (const field of ['name', 'number'] as const) {
      if (!(field in record) || record.kind === 'floorPlate' || (field === 'name' && record.kind === 'room')) continue;
      const names = all.map((each) => (each as unknown as Record<string, unknown>)[field]);
      expect(new Set(names).size).toBe(names.length);
    }
    expect(withId(copied, id)).toBe(record);
    expect(solve(copied).findings.filter(({ rule }) => rule === 'solve.failed')).toEqual([]);
  });

  it('is mirrored twice in one line into where it was, in its own place and under its own name', () => {
    const mirrored = after('elements.mirror', { ids: [id], line: '3', copies: false });
    expect(isFar(stood, cornersOf(mirrored, withId(mirrored, id)), { x: 0, y: 0 })).toBeGreaterThan(1);
    const again = after('elements.mirror', { ids: [id], line: '3', copies: false }, mirrored);
    const there = cornersOf(again, withId(again, id));
    // An outline that went over twice may begin at another corner.
    for (const corner of stood) expect(Math.min(...there.map((each) => distance(each, corner)))).toBeLessThan(2e-3);
    const { name, number } = record as { name?: string; number?: string };
    expect(withId(again, id)).toMatchObject({ ...(name ? { name } : {}), ...(number ? { number } : {}) });
    const copied = after('elements.mirror', { ids: [id], line: '3' });
    expect(copied.records.size).toBe(tower.records.size + 1);
  });

  it('is turned about a point by any angle, all of it, and back where it was', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 3590 }), fc.integer({ min: -9000, max: 9000 }), (tenths, x) => {
        const turnDeg = tenths / 10;
        const about = { x: 6000 + x, y: 4000 };
        const input = { ids: [id], about: { xMm: about.x, yMm: about.y } };
        const turnedOnce = after('elements.turn', { ...input, turnDeg });
        const want = stood.map((point) => plus(about, turned({ x: point.x - about.x, y: point.y - about.y }, turnDeg)));
        const there = cornersOf(turnedOnce, withId(turnedOnce, id));
        expect(isFar(want, there, { x: 0, y: 0 })).toBeLessThan(5e-3);
        const back = after('elements.turn', { ...input, turnDeg: -turnDeg }, turnedOnce);
        expect(isFar(stood, cornersOf(back, withId(back, id)), { x: 0, y: 0 })).toBeLessThan(1e-2);
      }),
      { numRuns: 8 },
    );
  });

  it('is copied and turned, each further by as much', () => {
    const input = { ids: [id], about: { xMm: 0, yMm: 0 }, turnDeg: 30, copies: true, count: 2 };
    const copied = after('elements.turn', input);
    const made = recordsOf(copied, record.kind).filter((each) => !tower.records.has(each.id)) as Rec[];
    expect(made).toHaveLength(2);
    for (const times of [1, 2]) {
      const want = stood.map((point) => turned(point, 30 * times));
      const far = made.map((each) => isFar(want, cornersOf(copied, each), { x: 0, y: 0 }));
      expect(Math.min(...far)).toBeLessThan(5e-3);
    }
    expect(withId(copied, id)).toBe(record);
  });

  it('stays where it is when the lines it stands on go', () => {
    const without = after('grids.removeLine', { line: 'B' });
    expect(isFar(stood, cornersOf(without, withId(without, id)), { x: 0, y: 0 })).toBeLessThan(1e-3);
    const { place } = withId(without, id) as { place?: { lines: unknown } };
    if (place) expect(place.lines).toBeNull();
  });
});

it('a column turned about itself stays on its crossing; about another point it goes round with all that differs up the building', () => {
  const stack = recordsOf(tower, 'columnStack').find(({ exceptions }) => exceptions.length > 0)!;
  const pieces = (framework: Framework) => solve(framework).columns.filter((piece) => piece.stack === stack.id);
  const own = acting(tower, stack).at;
  const inPlace = after('elements.turn', { ids: [stack.id], about: { xMm: own.x, yMm: own.y }, turnDeg: 30 });
  expect(withId(inPlace, stack.id)).toMatchObject({ place: stack.place, turnDeg: stack.turnDeg + 30 });
  const about = { x: 1000, y: -2000 };
  const round = after('elements.turn', { ids: [stack.id], about: { xMm: about.x, yMm: about.y }, turnDeg: 25 });
  const want = pieces(tower).map(({ at }) => plus(about, turned({ x: at.x - about.x, y: at.y - about.y }, 25)));
  const there = pieces(round);
  expect(
    isFar(
      want,
      there.map(({ at }) => at),
      { x: 0, y: 0 },
    ),
  ).toBeLessThan(5e-3);
  there.forEach((piece, i) => expect(piece.turnDeg - pieces(tower)[i]!.turnDeg).toBeCloseTo(25, 4));
});

it('things are mirrored in the line through two points as in the grid line that lies there', () => {
  const ids = [named('shaft', 'S1').id, last('wall').id];
  const { lines } = solve(tower);
  const { curve } = lines.find(({ label }) => label === '3')!;
  if (curve.kind !== 'segment') throw new Error('a straight line');
  const through = [curve.from, curve.to].map(({ x, y }) => ({ xMm: x, yMm: y })) as [
    { xMm: number; yMm: number },
    { xMm: number; yMm: number },
  ];
  const one = after('elements.mirror', { ids, line: '3', copies: false });
  const other = after('elements.mirror', { ids, through, copies: false });
  for (const id of ids)
    expect(isFar(cornersOf(one, withId(one, id)), cornersOf(other, withId(other, id)), { x: 0, y: 0 })).toBeLessThan(
      1e-2,
    );
  expect(refusal(tower, 'elements.mirror', { ids })).toMatch(/Say one of the two/);
  expect(refusal(tower, 'elements.mirror', { ids, through: [through[0], through[0]] })).toMatch(/are one/);
  expect(refusal(tower, 'elements.turn', { ids, about: 'B-2', turnDeg: 0 })).toMatch(/changes nothing/);
  expect(refusal(tower, 'elements.turn', { ids, about: 'B-2', turnDeg: 9, count: 3 })).toMatch(/turned once/);
});

it('a column whose crossing goes keeps its mark, and what differs up the building its way', () => {
  const stack = recordsOf(tower, 'columnStack').find(({ exceptions }) => exceptions.length > 0)!;
  const at = (framework: Framework) =>
    solve(framework)
      .columns.filter((piece) => piece.stack === stack.id)
      .map((piece) => piece.at);
  const without = after('grids.removeLine', { line: 'B' });
  expect(withId(without, stack.id)).toMatchObject({ name: 'B-2', place: { lines: null } });
  expect(isFar(at(tower), at(without), { x: 0, y: 0 })).toBeLessThan(1e-3);
  expect(new Set(at(tower).map(({ x }) => x)).size).toBe(2);
});

describe('what follows something else', () => {
  it('is not moved, copied or mirrored by itself, and says what to move', () => {
    const hung = after('ceilings.add', { name: 'CE2', heightMm: 2600, levels: { at: ['02'] } });
    const ceiling = named('ceiling', 'CE2', hung).id;
    for (const [command, input] of [
      ['elements.move', { xMm: 1, yMm: 0 }],
      ['elements.copy', { by: [{ xMm: 1, yMm: 0 }] }],
      ['elements.mirror', { line: '3' }],
      ['elements.turn', { about: '0,0', turnDeg: 90 }],
    ] as const)
      expect(refusal(hung, command, { ids: [ceiling], ...input })).toBe(
        'ceiling CE2 hangs in its rooms. Move their walls',
      );
    const raft = recordsOf(tower, 'foundation').find(({ outline }) => outline === null)!;
    expect(refusal(tower, 'elements.move', { ids: [raft.id], xMm: 1, yMm: 0 })).toMatch(/what stands on it does/);
    expect(refusal(tower, 'elements.copy', { ids: [last('gridSystem').id], by: [{ xMm: 1, yMm: 0 }] })).toMatch(
      /grid .* is not copied in plan/,
    );
    expect(refusal(tower, 'elements.move', { ids: [last('level').id], xMm: 1, yMm: 0 })).toMatch(/not moved in plan/);
  });
});

it('an edge of a ceiling or raft of its own outline is moved, as one of a shaft is', () => {
  const ceiling = named('ceiling', 'CE9').id;
  const wide = after('elements.moveEdge', { id: ceiling, edge: 1, byMm: 250, level: '01' });
  expect(withId(wide, ceiling)).toMatchObject({ outline: { widthMm: 3250, depthMm: 2000 } });
  const round = after('elements.moveEdge', { id: named('foundation', 'F9').id, edge: 0, byMm: 100 });
  expect(named('foundation', 'F9', round)).toMatchObject({ outline: { diameterMm: 9200 } });
  expect(refusal(tower, 'elements.moveEdge', { id: last('room').id, edge: 0, byMm: 1 })).toMatch(/no edges/);
  expect(frameworkHash(after('elements.moveEdge', { id: ceiling, edge: 1, byMm: -250 }, wide))).toBe(
    frameworkHash(tower),
  );
});
