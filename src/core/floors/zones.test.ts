import { recordsOf, type Framework } from '../model/framework';
import { upcast } from '../kinds/migrate';
import { polygonCalls } from '../geometry/boolean';
import { ringArea } from '../geometry/polygon';
import { Solver, solve } from '../solving/solve';
import { holeCount } from './hole-count';
import { given, levelId, refusal, afterFrom } from '../testing/given';
import type { Step } from '../commands/command-inputs';

const rectangle = (place: string, widthMm: number, depthMm: number) => ({
  type: 'rectangle' as const,
  place,
  widthMm,
  depthMm,
});
const square = { shape: 'rectangle' as const, widthMm: 400, depthMm: 400 };

/** Three storeys of 3 m, build-up 100 but on the roof; one plate 20 × 10 m, 250 thick. */
const deck = given([
  ['buildings.add', { name: 'Deck' }],
  ['levels.setUp', { above: '3@3m' }],
  ['floors.add', { name: 'Plate', outline: rectangle('0,0', 20_000, 10_000) }],
  ['foundations.add', { form: 'raft' }],
]);
const after = afterFrom(deck);
/** A wet room 4 × 3 m at the left, 60 lower at level 01. */
const wet = after('floors.setZone', {
  floor: 'Plate',
  name: 'Wet',
  outline: rectangle('1000,1000', 4000, 3000),
  levels: ['01'],
  shiftMm: -60,
});

function at01(framework: Framework) {
  const solved = solve(framework);
  const level = levelId(framework, '01');
  return solved.floors
    .filter((piece) => piece.level === level)
    .map(({ topMm, thicknessMm, profile, zone, cutBy }) => ({
      topMm,
      thicknessMm,
      m2: Math.round(solved.profiles[profile]!.areaMm2) / 1e6,
      zone: zone && [zone.name, zone.stepMm],
      cuts: cutBy.length,
    }));
}

describe('floor zones', () => {
  it('are slabs of their own at their SSL, taken out of the plate, with the step between their floors', () => {
    // SSL of 01 is 3000 − 100.
    expect(at01(wet)).toEqual([
      { topMm: 2900, thicknessMm: 250, m2: 188, zone: null, cuts: 0 },
      { topMm: 2840, thicknessMm: 250, m2: 12, zone: ['Wet', -60], cuts: 0 },
    ]);
    expect(solve(wet).floors).toHaveLength(5);
    expect(solve(wet).findings).toEqual([]);
  });

  it('have the same floor where their build-up makes up for it', () => {
    const level = after('floors.setZone', { floor: 'Plate', zone: 'Wet', buildUpMm: 160 }, wet);
    expect(at01(level)[1]!.zone).toEqual(['Wet', 0]);
  });

  it('lie on their plate: what is beside it is cut off, and a zone wholly beside it is a finding that its fix mends', () => {
    const over = after(
      'floors.setZone',
      { floor: 'Plate', zone: 'Wet', outline: rectangle('18000,1000', 4000, 3000) },
      wet,
    );
    expect(at01(over).map(({ m2 }) => m2)).toEqual([194, 6]);
    const off = after(
      'floors.setZone',
      { floor: 'Plate', zone: 'Wet', outline: rectangle('30000,1000', 4000, 3000) },
      wet,
    );
    const [found] = solve(off).findings;
    expect(found!.rule).toBe('floor.zoneOff');
    const fix = found!.fixes[0]!;
    expect(solve(after(fix.command, fix.input, off)).findings).toEqual([]);
  });

  it('share no area where two overlap', () => {
    const two = after(
      'floors.setZone',
      { floor: 'Plate', name: 'Dry', outline: rectangle('3000,1000', 4000, 3000), levels: ['01'], shiftMm: 40 },
      wet,
    );
    expect(at01(two).map(({ m2 }) => m2)).toEqual([182, 12, 6]);
  });

  it('are cut by the shafts and stairs that cut their plate there', () => {
    const cut = after('shafts.add', { name: 'S', outline: rectangle('2000,2000', 1000, 1000) }, wet);
    expect(at01(cut).map(({ m2, cuts }) => [m2, cuts])).toEqual([
      [188, 1],
      [11, 1],
    ]);
    const over = after('shafts.add', { name: 'S', outline: rectangle('4500,2000', 1000, 1000) }, wet);
    expect(at01(over).map(({ m2 }) => m2)).toEqual([187.5, 11.5]);
    expect(solve(over).shafts[0]!.misses).toEqual([]);
  });

  it('are no holes of their plate, but what cuts the plate beside them and what cuts them are', () => {
    const shaft = (name: string, place: string): Step => [
      'shafts.add',
      { name, outline: rectangle(place, 1000, 1000) },
    ];
    const holes = (framework: Framework) => {
      const solved = solve(framework);
      const level = levelId(framework, '01');
      return holeCount(
        solved.floors.filter((piece) => piece.level === level),
        solved.profiles,
      );
    };
    expect(holes(wet)).toBe(0);
    expect(holes(given([shaft('In', '2000,2000'), shaft('Beside', '9000,2000')], wet))).toBe(2);
    // Two that touch are one.
    expect(holes(given([shaft('A', '9000,2000'), shaft('B', '10000,2000')], wet))).toBe(1);
  });

  it('carry what stands on them and let what is under them end at their soffit', () => {
    const columns = ['3000,2500', '10000,5000', '5000,2500'].reduce(
      (framework, place) => after('columns.place', { place, section: square }, framework),
      wet,
    );
    const solved = solve(columns);
    const heights = [3000, 10_000, 5000].map((x) =>
      solved.columns.filter(({ at }) => at.x === x).map(({ bottomMm, topMm }) => [bottomMm, topMm]),
    );
    // In the zone, beside it, and over its edge: there it ends under the lower slab and stands on the higher.
    expect(heights[0]).toEqual([
      [-100, 2590],
      [2840, 5650],
      [5900, 8750],
    ]);
    expect(heights[1]).toEqual([
      [-100, 2650],
      [2900, 5650],
      [5900, 8750],
    ]);
    expect(heights[2]).toEqual([
      [-100, 2590],
      [2900, 5650],
      [5900, 8750],
    ]);
    expect(solved.findings).toEqual([]);
  });

  it('let a wall wholly in one stand on it, and one along its edge on the floor beside it', () => {
    const wall = (name: string, points: string): Step => [
      'walls.add',
      {
        name,
        type: { name: `T${name}`, layers: [{ name: 'block', thicknessMm: 100, core: true }] },
        points: points.split(' ').map((pair) => ({ xMm: Number(pair.split(',')[0]), yMm: Number(pair.split(',')[1]) })),
        startsAt: { level: '01' },
      },
    ];
    const walls = given([wall('In', '1500,2000 4500,2000'), wall('Beside', '5050,1000 5050,4000')], wet);
    const bottoms = Object.fromEntries(solve(walls).walls.map(({ name, bottomMm }) => [name, bottomMm]));
    expect(bottoms).toEqual({ In: 2840, Beside: 2900 });
  });

  it('follow levels up and down without any polygon worked out anew', () => {
    const solver = new Solver();
    solver.solve(wet);
    const raised = after('levels.setHeight', { level: '00', heightMm: 3300, mode: 'push' }, wet);
    polygonCalls.reset();
    const solved = solver.solve(raised);
    expect(polygonCalls.read()).toBe(0);
    expect(solved).toEqual(solve(raised));
    expect(at01(raised)[1]!.topMm).toBe(3140);
  });

  it('law: a plate is the sum of its parts, by the shoelace formula', () => {
    for (let i = 0; i < 12; i += 1) {
      const zone = rectangle(`${i * 1500},${i * 700}`, 3000 + i * 10, 2000 + i * 130);
      const zoned = after('floors.setZone', { floor: 'Plate', outline: zone, shiftMm: -20 - i }, wet);
      const [first] = solve(zoned).floors;
      const sum = at01(zoned).reduce((total, { m2 }) => total + m2, 0);
      expect(sum).toBeCloseTo(ringArea(first!.outline) / 1e6, 5);
    }
  });

  it('move and are copied with their plate, go with their last level, and are refused where nothing differs', () => {
    const plate = recordsOf(wet, 'floorPlate')[0]!.id;
    const moved = after('elements.move', { ids: [plate], xMm: 30_000, yMm: 0 }, wet);
    expect(at01(moved).map(({ m2 }) => m2)).toEqual([188, 12]);
    const gone = after('levels.remove', { level: '01' }, wet);
    expect(recordsOf(gone, 'floorPlate')[0]!.zones).toEqual([]);
    const zone = { floor: 'Plate', outline: rectangle('1000,1000', 4000, 3000) };
    expect(refusal(deck, 'floors.setZone', zone)).toMatch('Nothing differs in this zone');
    expect(refusal(wet, 'floors.setZone', { ...zone, name: 'Wet', shiftMm: 10 })).toMatch(
      'has a zone named Wet already',
    );
    expect(refusal(deck, 'floors.removeZone', { floor: 'Plate', zone: 'Wet' })).toMatch('has no zone Wet');
  });

  it('are none in files of before', () => {
    expect(upcast({ kind: 'floorPlate', name: 'P' }, 5)).toEqual({ kind: 'floorPlate', name: 'P', zones: [] });
  });
});
