import { ringArea } from '../geometry/polygon';
import { solve } from '../solving/solve';
import { FURNISHED, given } from '../testing/given';
import { WHOLE, type ViewPart } from '../views/view-part';
import { partOf } from './part-of';

/** The furnished tower: slab −300 … 25500 by −300 … 14700, columns 500 square, shaft S1 at 2000 … 4400 by 1500 … 4500. */
const tower = given([
  ...FURNISHED,
  [
    'walls.add',
    {
      name: 'Past',
      use: 'core',
      type: { name: 'T', layers: [{ name: 'concrete', thicknessMm: 200, core: true }] },
      points: [
        { xMm: 0, yMm: 6000 },
        { xMm: 10_000, yMm: 6000 },
      ],
      startsAt: { level: 'B2' },
      stopsAt: { level: 'RF', face: 'SSL' },
      passesClearMm: 0,
    },
  ],
  ['buildings.add', { name: 'Other', xMm: 40_000, turnDeg: 90, zeroMm: 4800 }],
  ['levels.setUp', { building: 'Other', above: '2@4.8m' }],
  ['floors.add', { building: 'Other', name: 'Deck', outline: { type: 'rectangle', widthMm: 6000, depthMm: 4000 } }],
]);
const solved = solve(tower);
const [hall, other] = ['Hall', 'Other'].map((name) => solved.buildings.find((each) => each.name === name)!.id);
const levelOf = (name: string) => solved.levels.find((level) => level.building === hall && level.name === name)!.id;
const part = (some: Partial<ViewPart>) => partOf(solved, { ...WHOLE, ...some });
const levelsOf = (things: readonly { level: string }[]) =>
  [...new Set(things.map(({ level }) => solved.levels.find(({ id }) => id === level)!.name))].sort();

describe('the part of a framework that a view shows', () => {
  it('is all of it where nothing limits it', () => {
    expect(part({})).toBe(solved);
  });

  it('leaves whole buildings out', () => {
    const without = part({ without: [other!] });
    expect(without.buildings.map(({ name }) => name)).toEqual(['Hall']);
    expect(without.floors.every(({ building }) => building === hall)).toBe(true);
  });

  it('goes from one level to another, what runs through cut at both', () => {
    const range = part({ lowest: levelOf('01'), topmost: levelOf('02'), without: [other!] });
    expect(levelsOf(range.floors)).toEqual(['01', '02']);
    expect(levelsOf(range.columns)).toEqual(['01', '02']);
    expect(range.foundations).toEqual([]);
    // 01 at 5400 with 100 build-up and a slab of 250; 03 at 5400 + 2 × 4800.
    expect(range.shafts[0]!.stages.map(({ bottomMm, topMm }) => [bottomMm, topMm])).toEqual([[5050, 15_000]]);
    expect(range.walls[0]!.slices.map(({ bottomMm, topMm }) => [bottomMm, topMm])).toEqual([[5050, 15_000]]);
  });

  it('shows of another building what is at the same heights', () => {
    // Its zero is 4800 up: its levels are at 4800, 9600 and 14400.
    const range = part({ lowest: levelOf('01'), topmost: levelOf('02') });
    expect(range.floors.filter(({ building }) => building === other).map(({ topMm }) => topMm)).toEqual([4700]);
  });

  it('is cropped to a window in plan through all storeys, slabs and walls cut at its edge', () => {
    const crop = { building: hall!, from: { x: 3000, y: 7000 }, to: { x: -1000, y: -1000 } };
    const window = part({ crop });
    const slab = window.floors.find(({ level }) => level === levelOf('01'))!;
    // 3300 × 7300 of the slab less the shaft's part of it, 1000 × 3000, and the wall's that passes it.
    expect(window.profiles[slab.profile]!.areaMm2).toBeCloseTo(3300 * 7300 - 1000 * 3000 - 3000 * 200, 3);
    expect(window.columns.every(({ at }) => at.x <= 3000 && at.y <= 7000)).toBe(true);
    expect(window.columns.length).toBeGreaterThan(7);
    expect(window.shafts[0]!.stages.map(({ ring }) => ringArea(ring))).toEqual([1000 * 3000]);
    const [wall] = window.walls;
    expect(window.profiles[wall!.slices[0]!.profile]!.areaMm2).toBeCloseTo(3000 * 200, 3);
    // The other building lies away from it.
    expect(window.floors.some(({ building }) => building === other)).toBe(false);
    expect(solved.floors[0]!.profile).not.toContain(' in ');
  });

  it('turns the window into the axes of each building', () => {
    // Other stands at x 40000, turned by 90°: its floor lies at x 36000 … 40000, y 0 … 6000.
    const crop = { building: hall!, from: { x: 39_000, y: 1000 }, to: { x: 45_000, y: 3000 } };
    const { floors, profiles } = part({ crop });
    expect(floors.map(({ building }) => building)).toEqual([other, other, other]);
    expect(profiles[floors[0]!.profile]!.areaMm2).toBeCloseTo(1000 * 2000, 3);
  });
});
