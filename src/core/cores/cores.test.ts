import { bounds } from '../geometry/polygon';
import { recordsOf, type Framework } from '../model/framework';
import { solve } from '../solving/solve';
import { FURNISHED, given, refusal, afterFrom } from '../testing/given';

const layers = (thicknessMm: number) => [{ name: 'concrete', thicknessMm, core: true }];

/** The furnished tower with a core of a shaft, a stair and the wall round them, past the slabs from B2 to the roof. */
const tower = given(
  [
    [
      'stairs.add',
      { name: 'ST1', well: { type: 'rectangle', place: '10000,7000', widthMm: 2700, depthMm: 5600 }, opening: 'well' },
    ],
    [
      'walls.add',
      {
        name: 'C1',
        use: 'core',
        type: { name: 'Core 300', layers: layers(300) },
        points: [
          { xMm: 1700, yMm: 1200 },
          { xMm: 4700, yMm: 1200 },
          { xMm: 4700, yMm: 4800 },
          { xMm: 1700, yMm: 4800 },
        ],
        closed: true,
        on: 'outside',
        startsAt: { level: 'B2' },
        stopsAt: { level: 'RF', face: 'SSL' },
        passesClearMm: 0,
      },
    ],
  ],
  given(FURNISHED),
);
const ids = (framework: Framework, ...kinds: ('shaft' | 'stair' | 'wall')[]) =>
  kinds.flatMap((kind) => recordsOf(framework, kind).map(({ id }) => id));
const after = afterFrom();
const cored = after('cores.add', { ids: ids(tower, 'shaft', 'stair', 'wall') }, tower);
const core = recordsOf(cored, 'core')[0]!;
const left = (framework: Framework, kind: 'shaft' | 'stair' | 'wall') => {
  const { shafts, stairs, walls } = solve(framework);
  const rings = {
    shaft: shafts.map(({ ring }) => ring),
    stair: stairs.flatMap(({ cuts }) => cuts.map((cut) => cut.ring)),
    wall: walls.flatMap(({ strips }) => strips),
  };
  return Math.min(...rings[kind].map((ring) => bounds(ring).minX));
};

describe('a core', () => {
  it('is moved as one', () => {
    const moved = after('elements.move', { ids: [core.id], xMm: 1200, yMm: 0 }, cored);
    for (const kind of ['shaft', 'stair', 'wall'] as const)
      expect(left(moved, kind) - left(cored, kind)).toBeCloseTo(1200, 6);
  });
  it('is copied as one: the copies are a core of their own', () => {
    const copied = after('elements.copy', { ids: [core.id], by: [{ xMm: 9000, yMm: 0 }] }, cored);
    const [, second] = recordsOf(copied, 'core').sort((a, b) => (a.name < b.name ? -1 : 1));
    expect(second!.name).toBe('K2');
    expect(second!.members.map((id) => copied.records.get(id)!.kind).sort()).toEqual(['shaft', 'stair', 'wall']);
    expect(second!.members.filter((id) => core.members.includes(id))).toEqual([]);
  });
  it('is mirrored as one, in its own place or as a copy', () => {
    const copied = after('elements.mirror', { ids: [core.id], line: '3' }, cored);
    expect(recordsOf(copied, 'core')).toHaveLength(2);
    const twice = ['1', '2'].reduce(
      (now) => after('elements.mirror', { ids: [core.id], line: '3', copies: false }, now),
      cored,
    );
    expect(recordsOf(twice, 'core')).toEqual([core]);
    expect(left(twice, 'shaft')).toBeCloseTo(left(cored, 'shaft'), 5);
  });
  it('is carried as one', () => {
    const low = after('carry.to', { ids: [core.id], topmost: '02' }, cored);
    const { shafts, stairs, walls, levels } = solve(low);
    const at = (name: string) => levels.find((level) => level.name === name)!;
    expect(shafts[0]!.topMm).toBe(at('03').sslMm);
    expect(stairs[0]!.storeys.at(-1)!.level).toBe(at('02').id);
    expect(walls[0]!.topMm).toBe(at('03').sslMm);
  });
  it('goes with all its parts when deleted, and without them when taken apart', () => {
    const gone = after('elements.remove', { ids: [core.id] }, cored);
    expect([...ids(gone, 'shaft', 'stair', 'wall'), ...recordsOf(gone, 'core')]).toEqual([]);
    const apart = after('cores.release', { core: core.name }, cored);
    expect(recordsOf(apart, 'core')).toEqual([]);
    expect(ids(apart, 'shaft', 'stair', 'wall')).toHaveLength(3);
  });
  it('loses a part that is deleted, and goes with the last one', () => {
    const [shaft] = ids(cored, 'shaft');
    const less = after('elements.remove', { ids: [shaft!] }, cored);
    expect(recordsOf(less, 'core')[0]!.members).toHaveLength(2);
    expect(recordsOf(after('elements.remove', { ids: ids(less, 'stair', 'wall') }, less), 'core')).toEqual([]);
  });
  it('refuses what is no part of a core, what is in another, and a name that is taken', () => {
    const column = recordsOf(cored, 'columnStack')[0]!.id;
    expect(refusal(cored, 'cores.add', { ids: [column] })).toMatch(/of walls, shafts and stairs/);
    expect(refusal(cored, 'cores.add', { ids: ids(cored, 'shaft') })).toMatch(/in core K1 already/);
    const apart = after('cores.change', { core: 'K1', ids: ids(cored, 'wall') }, cored);
    expect(refusal(apart, 'cores.add', { name: 'K1', ids: ids(cored, 'shaft') })).toMatch(/named K1 already/);
    expect(recordsOf(after('cores.add', { ids: ids(cored, 'shaft') }, apart), 'core')).toHaveLength(2);
  });
});

describe('a core wall', () => {
  it('runs past the slabs and grows thinner from a level up, its drawn face staying where it is', () => {
    const thin = after(
      'walls.except',
      { wall: 'C1', level: '02', upwards: true, type: { name: 'Core 200', layers: layers(200) } },
      cored,
    );
    const { walls, levels } = solve(thin);
    expect(walls.map(({ thicknessMm }) => thicknessMm)).toEqual([300, 200]);
    const ssl = levels.find(({ name }) => name === '02')!.sslMm;
    expect([walls[0]!.topMm, walls[1]!.bottomMm]).toEqual([ssl, ssl]);
    // Outside faces in one plane; 3000 × 3600 outside.
    const area = (mm: number) => 3000 * 3600 - (3000 - 2 * mm) * (3600 - 2 * mm);
    expect(walls[1]!.volumeMm3).toBeCloseTo(area(200) * (walls[1]!.topMm - ssl), 0);
    const same = after('walls.except', { wall: 'C1', level: '02', upwards: true, type: null }, thin);
    expect(solve(same).walls).toHaveLength(1);
  });
  it('is left out at a level and stands on above', () => {
    const gap = after('walls.except', { wall: 'C1', level: '01', leftOut: true }, cored);
    const { walls, levels } = solve(gap);
    const ssl = (name: string) => levels.find((level) => level.name === name)!.sslMm;
    expect(walls.map(({ bottomMm, topMm }) => [bottomMm, topMm])).toEqual([
      [ssl('B2'), ssl('01')],
      [ssl('02'), ssl('RF')],
    ]);
    expect(refusal(cored, 'walls.except', { wall: 'C1', level: '01' })).toMatch(/Nothing differs/);
  });
});
