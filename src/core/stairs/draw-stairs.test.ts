import { ringArea } from '../geometry/polygon';
import { solve } from '../solving/solve';
import { flightProfile } from './flight-profile';
import { given, levelId } from '../testing/given';
import { drawPlan } from '../drawing/draw-plan';
import { drawSection } from '../drawing/draw-section';
import type { Primitive } from '../drawing/drawing';

/** Storeys of 3.3 m: 19 risers of 173.7, going 283, in a well 2500 × 5200 at (6500, 1000). */
const house = given([
  ['buildings.add', { name: 'House' }],
  ['levels.setUp', { above: '3@3.3m' }],
  ['grids.add', { baysA: '3@6000', baysB: '2@6000' }],
  ['floors.add', { name: 'Plate', outline: { type: 'gridOffset', offsetMm: 300 }, thicknessMm: 250 }],
  [
    'stairs.add',
    {
      name: 'ST1',
      well: { type: 'rectangle', place: '6500,1000', widthMm: 2500, depthMm: 5200 },
      nosingMm: 0,
    },
  ],
]);
const solved = solve(house);
const [stair] = solved.stairs;
const building = solved.buildings[0]!.id;
const planOf = (level: string) =>
  drawPlan(solved, { building, level: levelId(house, level), scale: 100, cutAboveMm: 1200, writeLength: String })
    .primitives;
const of = (primitives: readonly Primitive[], style: Primitive['style']) =>
  primitives.filter((primitive) => primitive.style === style);

describe('a flight seen from its side', () => {
  it('has the area of its steps and of the slab under them', () => {
    const flight = stair!.storeys[1]!.flights[0]!;
    const { riserMm: r, goingMm: g, risers } = flight;
    const treads = risers - 1;
    // A tread lies half a riser over the middle of the line through its steps' feet; under that line are finish and waist.
    const band = 150 * Math.hypot(1, r / g) + 30;
    expect(ringArea(flightProfile(stair!, flight))).toBeCloseTo(treads * g * (r / 2 + band), 3);
  });
});

describe('a stair in plan', () => {
  it('shows the flight going up as far as the cut, what arrives beside it, and beyond the break what comes from below', () => {
    const lowest = planOf('00');
    // 1200 over the floor lie six nosings.
    expect(of(lowest, 'stairTread')).toHaveLength(6);
    expect(of(lowest, 'stairBreak')).toHaveLength(1);
    expect(of(lowest, 'stairAbove').length).toBeGreaterThan(0);
    const typical = planOf('01');
    expect(of(typical, 'stairBreak')).toHaveLength(1);
    expect(of(typical, 'stairAbove')).toHaveLength(0);
    // Every nosing of the two flights is seen once: those below the break of the flight going up, the rest of the others.
    expect(of(typical, 'stairTread')).toHaveLength(10 + 9);
    const top = planOf('RF');
    expect([of(top, 'stairBreak').length, of(top, 'stairTread').length]).toEqual([0, 10 + 9]);
    const words = of(top, 'stairText').map((text) => text.type === 'text' && text.text);
    // Every step riser has its number.
    expect(words).toEqual([...Array.from({ length: 19 }, (_, i) => String(i + 1)), 'ST1']);
  });
});

it('shows where its headroom is least, in plan and upright in section', () => {
  const { mm, at } = stair!.storeys[0]!.headroom!;
  const marks = of(planOf('00'), 'stairHeadroom');
  expect(marks).toHaveLength(2);
  for (const mark of marks) {
    const [from, to] = mark.type === 'path' ? mark.points : [];
    expect([(from!.x + to!.x) / 2, (from!.y + to!.y) / 2]).toEqual([at.x, at.y]);
  }
  expect(
    of(planOf('00'), 'stairText').some((text) => text.type === 'text' && text.text === `h ${Math.floor(mm)}`),
  ).toBe(true);
});

it('says the height of the landing it passes, where heights are written', () => {
  const at = { building, level: levelId(house, 'RF'), scale: 20, cutAboveMm: 1200, writeLength: String };
  const words = (view: typeof at & { writeElevation?: (mm: number) => string }) =>
    of(drawPlan(solved, view).primitives, 'stairText').map((text) => text.type === 'text' && text.text);
  // Of the storey under the roof: 6600 and ten risers of 173.7.
  const height = `at ${Math.round(6600 + 10 * (3300 / 19))}`;
  expect(words({ ...at, writeElevation: (mm) => `at ${Math.round(mm)}` })).toContain(height);
  expect(words(at)).not.toContain(height);
});

describe('a stair in section', () => {
  const section = (x: number) =>
    drawSection(solved, {
      building,
      plane: { from: { x, y: -2000 }, to: { x, y: 14_000 }, isCut: true },
      scale: 100,
      writeLength: String,
      writeElevation: String,
    }).primitives;

  it('is cut along a flight as that flight seen from its side, landings beside it', () => {
    const cut = of(section(6500 + 2500 - 600), 'stairCut').flatMap((area) => (area.type === 'area' ? area.rings : []));
    const areas = cut.map((ring) => Math.abs(ringArea(ring))).sort((a, b) => b - a);
    const profiles = stair!.storeys.map(({ flights }) => ringArea(flightProfile(stair!, flights[0]!)));
    const landings = stair!.storeys.map(({ landingDepthMm }) => landingDepthMm! * (180 + 30));
    const wanted = [...profiles, ...landings].sort((a, b) => b - a);
    expect(areas).toHaveLength(wanted.length);
    areas.forEach((area, i) => expect(area).toBeCloseTo(wanted[i]!, -1));
  });

  it('is seen beyond the plane, and not behind it', () => {
    expect(of(section(3000), 'stairSeen')).toHaveLength(0);
    expect(of(section(3000), 'stairCut')).toHaveLength(0);
    expect(of(section(12_000), 'stairSeen').length).toBeGreaterThan(6);
  });
});
