import type { Step } from '../commands/command-inputs';
import { recordsOf, type Framework } from '../model/framework';
import { reportOf } from '../report/report';
import { solve, Solver } from '../solving/solve';
import { given, levelId, step } from '../testing/given';
import { hashOf } from '../model/hash';

/** A wall through all storeys, as its command takes it: its middle along places. */
const wall = (name: string, use: 'exterior' | 'interior', text: string, closed = false): Step => [
  'walls.add',
  {
    name,
    use,
    type: use === 'exterior' ? 'E' : 'I',
    on: 'centre',
    closed,
    startsAt: { level: '00' },
    stopsAt: { level: 'RF' },
    points: text.split(' ').map((each) => {
      const [x, y] = each.split(',').map(Number);
      return { xMm: x!, yMm: y! };
    }),
  },
];
const TYPES: Step[] = [
  ['walls.defineType', { name: 'E', layers: [{ name: 'wall', thicknessMm: 400, core: true }] }],
  ['walls.defineType', { name: 'I', layers: [{ name: 'wall', thicknessMm: 200, core: true }] }],
];
const well = (place: string) => ({ type: 'rectangle' as const, place, widthMm: 2600, depthMm: 5600 });

/**
 * Four storeys of 30 × 16 m with a corridor along the middle (7 to 9 m), one room above it and one below, each with a door in the
 * corridor's wall; stairs at the corridor's two ends.
 */
const HOUSE: Step[] = [
  ['buildings.add', { name: 'House' }],
  ['levels.setUp', { above: '4@3.3m', below: '' }],
  ['floors.add', { outline: { type: 'rectangle', place: '0,0', widthMm: 30_000, depthMm: 16_000 }, thicknessMm: 200 }],
  ...TYPES,
  wall('E', 'exterior', '200,200 29800,200 29800,15800 200,15800', true),
  wall('S', 'interior', '400,7000 29600,7000'),
  wall('N', 'interior', '400,9000 29600,9000'),
  ['walls.addOpening', { wall: 'S', opening: 'door', alongMm: 9000, widthMm: 1000, sillMm: 0 }],
  ['walls.addOpening', { wall: 'N', opening: 'door', alongMm: 9000, widthMm: 900, sillMm: 0 }],
  ['walls.addOpening', { wall: 'E', opening: 'door', alongMm: 4000, widthMm: 1200, sillMm: 0, at: ['00'] }],
];
const withRooms = (framework: Framework, levels = ['00', '01', '02', '03']): Framework =>
  levels.reduce((now, level) => {
    const south = step(now, 'rooms.add', { level, place: '20000,2500', name: 'South', use: 'office' }).after;
    return step(south, 'rooms.add', { level, place: '20000,12500', name: 'North', use: 'assembly' }).after;
  }, framework);
const ST1: Step = ['stairs.add', { name: 'ST1', well: well('600,600'), floorLandingMm: 0 }];
const base = given(HOUSE);

const waysAt = (framework: Framework, level: string) => {
  const id = levelId(framework, level);
  return solve(framework).waysOut.find((ways) => ways.level === id)!;
};
const rulesOf = (framework: Framework) =>
  solve(framework)
    .findings.map(({ rule }) => rule)
    .filter((rule) => /^(escape|storey.noStair|stair.shortOfExit)/.test(rule));

/** A plan without stairs' wells in it: a stair outside the walls is reached along the corridor. */
const OUTSIDE: Step[] = [
  ...HOUSE.slice(0, 3),
  ...TYPES,
  wall('S', 'interior', '0,5000 30000,5000'),
  ['walls.addOpening', { wall: 'S', opening: 'door', alongMm: 9000, widthMm: 1000, sillMm: 0 }],
];

describe('ways out of a level', () => {
  it('are as long as one walks, by hand: through a door, round its jamb, to the first step of the stair', () => {
    // One comes to the stair from its right side: its first step is on the slab at the right of the well.
    const house = given([
      ...OUTSIDE,
      [
        'stairs.add',
        { name: 'ST1', well: { type: 'rectangle', place: '1000,8000', widthMm: 5600, depthMm: 2600 }, entry: 1 },
      ],
    ]);
    const solved = solve(house);
    const id = levelId(house, '02');
    const [whole] = solved.waysOut.find(({ level }) => level === id)!.rooms;
    const { head } = solved.stairs[0]!.storeys[1]!;
    // From the lower right corner to the door's right jamb (10000, 4900), and through the door to 50 before the step.
    const goal = { x: head!.at.x + 50, y: head!.at.y };
    const leg = (a: { x: number; y: number }, b: { x: number; y: number }) =>
      Math.sqrt((a.x - b.x) ** 2 + (a.y - b.y) ** 2);
    const jamb = { x: 10_000, y: 4900 };
    const byHand = leg({ x: 30_000, y: 0 }, jamb) + leg(jamb, goal) + 50;
    const straight = whole!.points.map(({ x, y }) => ({ x, y }));
    expect(straight[0]!.x).toBeCloseTo(30_000, 0);
    expect(straight[0]!.y).toBeCloseTo(0, 0);
    expect(whole!.mm!).toBeCloseTo(byHand, 0);
    expect(whole!.to).toBe('stair ST1');
    expect(whole!.narrowestMm).toBe(1000);
    // One stair: all of it is a dead end.
    expect(whole!.deadEndMm).toBe(whole!.mm);
  });

  it('part where two stairs lead from: a dead end is what lies before', () => {
    const two = given([
      ...OUTSIDE,
      [
        'stairs.add',
        { name: 'ST1', well: { type: 'rectangle', place: '1000,8000', widthMm: 5600, depthMm: 2600 }, entry: 1 },
      ],
      [
        'stairs.add',
        { name: 'ST2', well: { type: 'rectangle', place: '23400,8000', widthMm: 5600, depthMm: 2600 }, entry: 3 },
      ],
    ]);
    const [whole] = waysAt(two, '02').rooms;
    // The nearer stair is as far as before; ways part soon after the door at x 9000 to 10000.
    const toDoor = Math.sqrt(20_000 ** 2 + 4900 ** 2);
    expect(whole!.deadEndMm!).toBeGreaterThan(toDoor - 100);
    expect(whole!.deadEndMm!).toBeLessThan(toDoor + 600);
    expect(whole!.mm!).toBeGreaterThan(whole!.deadEndMm!);
  });

  it('at the level of the ground lead to doors in outer walls, elsewhere to stairs; people and widths are told', () => {
    const house = withRooms(given([ST1], base));
    const ground = waysAt(house, '00');
    expect([ground.isExit, ground.doors]).toEqual([true, [{ name: 'D3', widthMm: 1200 }]]);
    const upper = waysAt(house, '02');
    expect(upper.isExit).toBe(false);
    expect(upper.stairs).toEqual([
      { stair: expect.any(String), name: 'ST1', to: levelId(house, '00'), onBy: null, widthMm: 1250 },
    ]);
    const [south, north] = ['South', 'North'].map((name) => upper.rooms.find((room) => room.name === name)!);
    // 13.9 m² a person in offices, 1.4 in assembly, rounded up.
    expect(south!.people).toBe(Math.ceil(south!.areaMm2 / 1e6 / 13.9));
    expect(north!.people).toBe(Math.ceil(north!.areaMm2 / 1e6 / 1.4));
    expect(upper.people).toBe(south!.people! + north!.people!);
    expect(upper.neededMm).toBeCloseTo(upper.people * 7.6, 6);
    expect(upper.givenMm).toBe(1250);
    expect(north!.narrowestMm).toBe(900);
    expect(upper.narrowestMm).toBe(900);
    const [row] = reportOf(house, solve(house)).waysOut.filter(({ level }) => level === '02');
    expect(row).toMatchObject({ isExit: false, stairs: [{ name: 'ST1', to: '00', onBy: null }], people: upper.people });
    expect(row!.travelMm).toBe(Math.round(upper.travelMm!));
  });

  it('are none for a room without a door', () => {
    const shut = withRooms(given([ST1, ['walls.removeOpening', { wall: 'N', opening: 'D2' }]] as Step[], base), ['01']);
    const north = waysAt(shut, '01').rooms.find(({ name }) => name === 'North')!;
    expect([north.mm, north.deadEndMm, north.points]).toEqual([null, null, []]);
  });
});

describe('what is found of ways out', () => {
  it('a stair that begins over the level with a way out, and the fix carries it there', () => {
    const short = given([['stairs.add', { name: 'ST1', well: well('600,600'), startsAt: { level: '01' } }]], base);
    const found = solve(short).findings.find(({ rule }) => rule === 'stair.shortOfExit')!;
    expect(found.message).toBe(
      'Stair ST1 begins at level 01 and reaches no level with a way out. Carry it to level 00',
    );
    const { command, input } = found.fixes[0]!;
    expect(rulesOf(step(short, command, input).after)).not.toContain('stair.shortOfExit');
    // By another stair one gets on: told, and no finding within a dwelling.
    const on = step(short, 'stairs.add', { name: 'ST2', well: well('26000,600'), stopsAt: { level: '01' } }).after;
    expect(solve(on).findings.find(({ rule }) => rule === 'stair.shortOfExit')!.message).toMatch(
      /From level 01 one has to go on by stair ST2/,
    );
    expect(waysAt(on, '02').stairs[0]).toMatchObject({ name: 'ST1', to: null, onBy: { name: 'ST2' } });
    const own = step(on, 'stairs.change', { stair: 'ST1', rules: 'private' }).after;
    expect(rulesOf(own)).not.toContain('stair.shortOfExit');
    // A way out said of level 01 is one too.
    const bridge = step(short, 'levels.change', { level: '01', wayOut: true }).after;
    expect(rulesOf(bridge)).not.toContain('stair.shortOfExit');
    expect(waysAt(bridge, '02').stairs[0]!.to).toBe(levelId(bridge, '01'));
    // Of two the nearer one counts, and the way to it begins at the step that leads there.
    const both = step(given([ST1], base), 'levels.change', { level: '03', wayOut: true }).after;
    expect(['01', '02'].map((level) => waysAt(both, level).stairs[0]!.to)).toEqual([
      levelId(both, '00'),
      levelId(both, '03'),
    ]);
    const up = solve(both).stairs[0]!.storeys[2]!.foot!;
    const way = waysAt(both, '02').rooms.find(({ mm }) => mm !== null)!;
    expect(way.points.at(-1)!.x).toBeCloseTo(up.at.x, 3);
  });

  it('storeys with rooms in a building without any stair', () => {
    const none = (framework: Framework) => rulesOf(framework).filter((rule) => rule === 'storey.noStair');
    expect(none(base)).toEqual([]);
    // Rooms are carried up as long as their region stays the same.
    expect(none(withRooms(base, ['00']))).toHaveLength(3);
    expect(none(withRooms(given([ST1], base)))).toEqual([]);
  });

  it('dead ends and ways that are too long for the project’s rule set, with limit and source', () => {
    const house = withRooms(given([ST1], base));
    expect(waysAt(house, '01').deadEndMm!).toBeGreaterThan(22_860);
    const found = solve(house).findings.filter(({ rule }) => rule === 'escape.deadEnd');
    expect(found).toHaveLength(4);
    expect(found[0]!.message).toMatch(
      /before there are two ways out; International model building code: means of egress allows 22860 mm/,
    );
    const own = given(
      [
        ['ruleSets.copy', { name: 'Ours' }],
        ['ruleSets.setLimit', { ruleSet: 'Ours', limit: 'escape.deadEnd', value: 40_000, source: 'Fire strategy' }],
        ['ruleSets.setLimit', { ruleSet: 'Ours', limit: 'escape.travel', value: 20_000, source: 'Fire strategy' }],
        ['project.describe', { rules: 'Ours' }],
      ],
      house,
    );
    expect([...new Set(rulesOf(own))]).toEqual(['escape.travel']);
    expect(solve(own).findings.find(({ rule }) => rule === 'escape.travel')!.message).toMatch(
      /Fire strategy allows 20000 mm/,
    );
  });
});

it('what takes long may be held back: then it is as before, and made good part by part it is as a whole solve', () => {
  const house = withRooms(given([ST1], base));
  const solver = new Solver();
  const first = solver.solve(house, 'hold');
  expect(solver.isWhole).toBe(false);
  expect(first.waysOut.every(({ travelMm }) => travelMm === null)).toBe(true);
  let now = first;
  for (let i = 0; i < 20 && !solver.isWhole; i += 1) now = solver.solve(house, 'one');
  expect(hashOf(now)).toBe(hashOf(solve(house)));
  // A door that moves: the way stays until it is asked for, and the rest is solved at once.
  const n = recordsOf(house, 'wall').find(({ name }) => name === 'N')!;
  const moved = step(house, 'walls.changeOpening', { wall: n.id, opening: 'D2', alongMm: 15_000 }).after;
  const held = solver.solve(moved, 'hold');
  expect(held.waysOut.map(({ travelMm }) => travelMm)).toEqual(now.waysOut.map(({ travelMm }) => travelMm));
  expect(hashOf(held.walls)).toBe(hashOf(solve(moved).walls));
  expect(hashOf(solver.solve(moved))).toBe(hashOf(solve(moved)));
});
