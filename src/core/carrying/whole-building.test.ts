import { polygonCalls } from '../geometry/boolean';
import { ringArea } from '../geometry/polygon';
import { recordsOf } from '../model/framework';
import { solve } from '../solving/solve';
import { given, refusal, step, afterFrom } from '../testing/given';

const bare = given([['buildings.add', { name: 'House' }]]);
const outline = { type: 'rectangle' as const, place: '0,0', widthMm: '18m', depthMm: '42m' };
const input = { storeys: '8@3.45m', outline, floorMm: '0.28m' };
const house = step(bare, 'carry.wholeBuilding', input);

describe('a whole building from an outline', () => {
  it('has its storeys, walls to the soffits, floors in to the core’s face, and a roof on the walls', () => {
    expect(house.sentence).toBe('A whole building of 8 storeys set out');
    const solved = solve(house.after);
    // A bare slab edge at the top is said; a parapet is asked for or given by the fix.
    expect(solved.findings.map(({ rule }) => rule)).toEqual(['roof.bareEdge']);
    expect(solved.floors).toHaveLength(9);
    expect(solved.walls).toHaveLength(8);
    // 90 of facing and 110 of insulation pass before the slabs.
    for (const { outline: ring, thicknessMm } of solved.floors) {
      expect([ringArea(ring), thicknessMm]).toEqual([17_600 * 41_600, 280]);
    }
    const roof = solved.floors.at(-1)!;
    expect(solved.walls.at(-1)!.topMm).toBe(roof.topMm - roof.thicknessMm);
  });

  it('storey heights are wall, slab and what build-ups differ by, storey by storey', () => {
    const mixed = step(house.after, 'levels.change', { level: '03', buildUpMm: 180 }).after;
    const { levels, walls, floors } = solve(mixed);
    levels.slice(0, -1).forEach((level, i) => {
      const above = levels[i + 1]!;
      const wall = walls.find((piece) => piece.level === level.id)!;
      const slab = floors.find((piece) => piece.level === above.id)!;
      const buildUps = above.fflMm - above.sslMm - (level.fflMm - level.sslMm);
      expect(wall.topMm - wall.bottomMm + slab.thicknessMm + buildUps).toBeCloseTo(level.storeyHeightMm!, 6);
    });
  });

  it('is edited afterwards by the same inputs: outline, heights, thickness, wall', () => {
    const after = afterFrom(house.after);
    const [wall] = recordsOf(house.after, 'wall');
    const points = [
      [0, 0],
      [20_000, 0],
      [20_000, 42_000],
      [0, 42_000],
    ].map(([xMm, yMm]) => ({ xMm: xMm!, yMm: yMm! }));
    const wider = solve(after('walls.change', { wall: wall!.name, points }));
    expect(ringArea(wider.floors[3]!.outline)).toBe(19_600 * 41_600);
    const thin = solve(after('floors.change', { floor: 'Floors', thicknessMm: 220 }));
    expect(thin.walls[0]!.topMm - thin.walls[0]!.bottomMm).toBe(3450 - 220);
  });

  it('stands on the levels there are, with a parapet where asked for, and refuses what cannot be', () => {
    const levels = step(bare, 'levels.setUp', { above: '3@3m', below: '3m' }).after;
    const made = solve(step(levels, 'carry.wholeBuilding', { outline, parapetMm: 900 }).after);
    expect(made.walls.map(({ name }) => name).sort()).toEqual(['Parapet', 'W1', 'W1', 'W1', 'W1']);
    const parapet = made.walls.find(({ name }) => name === 'Parapet')!;
    // From the roof's SSL up to 900 over its FFL: the roof has no build-up.
    expect(parapet.topMm - parapet.bottomMm).toBe(900);
    expect(refusal(bare, 'carry.wholeBuilding', { outline })).toMatch(/how high the storeys are/);
    expect(refusal(bare, 'carry.wholeBuilding', { ...input, floorMm: 1 })).toMatch(/The thickness must be at least/);
  });

  it('is one kind of storey: a cold solve works out its slab, walls and room once', () => {
    polygonCalls.reset();
    solve(house.after);
    // The slab (and the raft, alike in plan), the wall, what of it passes the slab's edge, its core, the region it closes,
    // that region's net area, that slab and wall are not in one space, and that the slab carries each of the four sides.
    expect(polygonCalls.read()).toBe(11);
  });
});
