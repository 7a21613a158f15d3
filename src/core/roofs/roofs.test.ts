import { ringArea } from '../geometry/polygon';
import { recordsOf, type Framework } from '../model/framework';
import { reportOf } from '../report/report';
import { solve } from '../solving/solve';
import { given, refusal, afterFrom } from '../testing/given';

const outline = { type: 'rectangle' as const, place: '0,0', widthMm: 12_000, depthMm: 8000 };
/** Two storeys of 3 m, walls 400 (facing 90, insulation 110, concrete 180, plaster 20), floors 250 to the core's outside. */
const house = given([
  ['buildings.add', { name: 'House' }],
  ['carry.wholeBuilding', { storeys: '2@3m', outline }],
]);
const after = afterFrom(house);
const roofed = after('roofs.addFlat', { parapet: { heightMm: 700 } });
const at = (framework: Framework, level: string) => {
  const solved = solve(framework);
  const { id } = solved.levels.find(({ name }) => name === level)!;
  return {
    solved,
    slabs: solved.floors.filter((piece) => piece.level === id),
    walls: solved.walls.filter((piece) => piece.level === id),
  };
};
const area = (framework: Framework, profile: string) => solve(framework).profiles[profile]!.areaMm2;
const rules = (framework: Framework) => solve(framework).findings.map(({ rule }) => rule);

describe('a flat roof with a parapet', () => {
  it('lies within the core of the walls, on their tops, in the place of the floor', () => {
    const { slabs, solved } = at(roofed, 'RF');
    expect(slabs).toHaveLength(1);
    // To the core's inside: 380 in from the outside.
    expect(ringArea(slabs[0]!.outline)).toBe((12_000 - 760) * (8000 - 760));
    const below = solved.walls.find(({ level }) => level === solved.levels.find(({ name }) => name === '01')!.id)!;
    expect(below.topMm).toBe(slabs[0]!.topMm - slabs[0]!.thicknessMm);
    expect(solved.floors).toHaveLength(3);
  });

  it('stands in the report among all roofs', () => {
    expect(reportOf(roofed, solve(roofed)).roofs).toMatchObject([
      { form: 'flat', level: 'RF', footprintM2: 11.24 * 7.24, eavesMm: 6000, faces: [{ slopeDeg: 0 }], ridgesM: 0 },
    ]);
  });

  it('has a parapet past the slab’s edge down to the walls, sharing no space with it', () => {
    const { walls, slabs } = at(roofed, 'RF');
    const [parapet] = walls;
    const slab = slabs[0]!;
    // Build-up of the roof: none. 700 above FFL; down to the underside of the slab.
    expect(parapet!.topMm - slab.topMm).toBe(700);
    expect(parapet!.slices[0]).toMatchObject({ bottomMm: slab.topMm - 250, topMm: slab.topMm });
    const ringMm2 = 12_000 * 8000 - (12_000 - 800) * (8000 - 800);
    const covered = (12_000 - 760) * (8000 - 760) - (12_000 - 800) * (8000 - 800);
    expect(area(roofed, parapet!.slices[0]!.profile)).toBeCloseTo(ringMm2 - covered, 0);
    expect(parapet!.volumeMm3).toBeCloseTo(ringMm2 * 700 + (ringMm2 - covered) * 250, 0);
  });

  it('is not needed to hide the slab’s edge: without it the walls’ outer leaf goes up beside it', () => {
    const bare = after('roofs.addFlat', { parapet: null });
    const { slabs, solved, walls } = at(bare, 'RF');
    expect(walls).toEqual([]);
    const storey = solved.levels.find(({ name }) => name === '01')!.id;
    const top = solved.walls.find(({ level }) => level === storey)!;
    const slab = slabs[0]!;
    const leafMm2 = 12_000 * 8000 - (12_000 - 760) * (8000 - 760);
    expect(top.slices.at(-1)).toMatchObject({ bottomMm: slab.topMm - 250, topMm: slab.topMm });
    expect(area(bare, top.slices.at(-1)!.profile)).toBeCloseTo(leafMm2, 0);
    // With the parapet it is the parapet's, and nothing is there twice.
    const walled = solve(roofed).walls.find(({ level }) => level === storey)!;
    expect(top.volumeMm3 - walled.volumeMm3).toBeCloseTo(leafMm2 * 250, 0);
    expect(rules(bare).filter((rule) => rule === 'space.shared')).toEqual([]);
    // A slab to the outside of the wall leaves nothing beside it.
    const over = solve(after('roofs.addFlat', { face: 'outside', parapet: null })).walls.find(
      ({ level }) => level === storey,
    )!;
    expect(over.slices.at(-1)!.topMm).toBe(slab.topMm - 250);
  });

  it('too thin to reach the slab stands on the walls beside it', () => {
    const thin = { name: 'Thin', layers: [{ name: 'block', thicknessMm: 150, core: true }] };
    const made = after('roofs.addFlat', { parapet: { type: thin, heightMm: 700 } });
    const { walls, slabs } = at(made, 'RF');
    expect([walls[0]!.bottomMm, walls[0]!.topMm]).toEqual([slabs[0]!.topMm - 250, slabs[0]!.topMm + 700]);
    expect(rules(made)).toEqual(['falls.none']);
  });

  it('follows its walls, and is edited by the same inputs', () => {
    const points = [
      [0, 0],
      [14_000, 0],
      [14_000, 8000],
      [0, 8000],
    ].map(([xMm, yMm]) => ({ xMm: xMm!, yMm: yMm! }));
    const wider = after('walls.change', { wall: 'W1', points }, roofed);
    expect(ringArea(at(wider, 'RF').slabs[0]!.outline)).toBe((14_000 - 760) * (8000 - 760));
    const inner = after('roofs.change', { roof: 'R1', face: 'inside', thicknessMm: 300, parapet: null }, roofed);
    expect(at(inner, 'RF').walls).toEqual([]);
    expect(at(inner, 'RF').slabs[0]).toMatchObject({ thicknessMm: 300 });
    expect(ringArea(at(inner, 'RF').slabs[0]!.outline)).toBe((12_000 - 800) * (8000 - 800));
  });

  it('refuses a second one, walls that do not go round, and a level with nothing under it', () => {
    expect(refusal(roofed, 'roofs.addFlat', {})).toMatch(/has a roof already/);
    expect(refusal(house, 'roofs.addFlat', { level: '00' })).toMatch(/no storey under it/);
    const open = after(
      'walls.change',
      { wall: 'W1', closed: false },
      after('floors.change', { floor: 'Floors', outline }),
    );
    expect(refusal(open, 'roofs.addFlat', {})).toMatch(/do not go round/);
    expect(refusal(roofed, 'elements.remove', { ids: [recordsOf(roofed, 'wall')[0]!.id] })).toMatch(/hangs on it/);
  });
});

describe('a roof edge', () => {
  it('with neither a parapet nor an overhang is a finding; its fix gives it a parapet', () => {
    const [finding] = solve(house).findings;
    expect(finding!.rule).toBe('roof.bareEdge');
    const { command, input } = finding!.fixes[0]!;
    const mended = after(command, input);
    // It has no falls yet.
    expect(rules(mended)).toEqual(['falls.none']);
    expect(rules(after('roofs.change', { roof: 'R1', parapet: null }, mended))).toEqual(['roof.bareEdge']);
  });
  it('that overhangs the walls is none', () => {
    const over = { type: 'walls' as const, walls: ['W1'], face: 'outside' as const, offsetMm: 300 };
    expect(rules(after('floors.except', { floor: 'Floors', level: 'RF', outline: over }))).toEqual([]);
  });
});

describe('beside the edges of slabs', () => {
  it('exterior walls run down past them without a gap', () => {
    const { walls, slabs } = at(house, '01');
    const [wall] = walls;
    const [slab] = slabs;
    // Facing and insulation pass the slab that stops at the core.
    expect(wall!.slices[0]).toMatchObject({ bottomMm: slab!.topMm - 250, topMm: slab!.topMm });
    const facing = 12_000 * 8000 - (12_000 - 400) * (8000 - 400);
    expect(area(house, wall!.slices[0]!.profile)).toBeCloseTo(facing, 0);
  });
});
