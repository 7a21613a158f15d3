import { drawSection } from '../drawing/draw-section';
import { elevationPlane, type SectionPlane } from '../drawing/section-plane';
import type { Framework } from '../model/framework';
import { solve } from '../solving/solve';
import { afterFrom, given } from '../testing/given';

/** A house of 10 by 6 m under a saddle of 45° with layers of 50, 120 and 30 upright, gables right and left; its underside at 3 m. */
const house = given([
  ['buildings.add', { name: 'House' }],
  ['levels.setUp', { above: '3m', buildUpMm: 0 }],
  [
    'walls.add',
    {
      name: 'W1',
      use: 'exterior',
      type: { name: 'Brick 300', layers: [{ name: 'brick', thicknessMm: 300, core: true }] },
      place: '0,0',
      points: [
        [0, 0],
        [10_000, 0],
        [10_000, 6000],
        [0, 6000],
      ].map(([xMm, yMm]) => ({ xMm: xMm!, yMm: yMm! })),
      closed: true,
      on: 'outside',
      startsAt: { level: '00' },
      stopsAt: { level: 'RF' },
    },
  ],
  [
    'pitchedRoofs.add',
    {
      name: 'PR1',
      slope: 45,
      overhangMm: 500,
      layers: [
        { name: 'Tiles', thicknessMm: 50 },
        { name: 'Rafters', thicknessMm: 120 },
        { name: 'Lining', thicknessMm: 30 },
      ],
      measured: 'plumb',
      edges: [
        { edge: 1, is: 'gable' },
        { edge: 3, is: 'gable' },
      ],
    },
  ],
  ['pitchedRoofs.trimWalls', { roof: 'PR1' }],
]);
const after = afterFrom(house);
/** Across the ridge, in the middle; along the section is along y. */
const ACROSS: SectionPlane = { from: { x: 5000, y: -2000 }, to: { x: 5000, y: 8000 }, isCut: true };
function drawn(framework: Framework, plane: SectionPlane | 'east') {
  const solved = solve(framework);
  const building = solved.buildings[0]!.id;
  return drawSection(solved, {
    building,
    plane: plane === 'east' ? elevationPlane(solved, building, 'east')! : plane,
    scale: 100,
    writeLength: String,
    writeElevation: String,
  }).primitives;
}
const layers = (framework: Framework) =>
  drawn(framework, ACROSS).flatMap((each) => (each.type === 'path' && each.style === 'roofLayer' ? [each.points] : []));

describe('a pitched roof in section', () => {
  it('has a line where one layer ends and the next begins, on both sides of the ridge', () => {
    const lines = layers(house);
    expect(lines).toHaveLength(4);
    // Its top is 200 over its underside, at 6200 over the ridge; layers end 50 and 170 lower.
    const highest = lines.map((points) => Math.max(...points.map(({ y }) => y))).sort((a, b) => a - b);
    [6030, 6030, 6150, 6150].forEach((mm, i) => expect(highest[i]).toBeCloseTo(mm, 1));
    // Down to the eaves, 500 out.
    for (const points of lines) expect(Math.abs(points[1]!.x - points[0]!.x)).toBeCloseTo(3500, 1);
  });
  it('has them as far as they go where its eaves are cut square', () => {
    const square = layers(after('pitchedRoofs.change', { roof: 'PR1', eavesCut: 'square' }));
    // The ridge lies 5000 along the section. Square to 45° the cut goes in by half of the depth.
    for (const depthMm of [50, 170]) {
      const ends = square.flat().map(({ x, y }) => ({ outMm: Math.abs(x - 5000), y }));
      const reach = ends.filter(({ outMm, y }) => Math.abs(6200 - outMm - y - depthMm) < 1).map(({ outMm }) => outMm);
      expect(Math.max(...reach)).toBeCloseTo(3500 - depthMm / 2, 0);
    }
  });
  it('has square layers thicker upright, by the slope', () => {
    const highest = (framework: Framework) =>
      Math.max(
        ...layers(framework)
          .flat()
          .map(({ y }) => y),
      );
    const square = after('pitchedRoofs.change', { roof: 'PR1', measured: 'square' });
    expect(highest(square)).toBeCloseTo(6000 + 150 * Math.SQRT2, 1);
  });
});

it('a gable in elevation has no seam under its ridge', () => {
  const areas = drawn(house, 'east').flatMap((each) =>
    each.type === 'area' && each.style === 'wallSeen' ? [each.rings.flat()] : [],
  );
  const gable = areas.find((ring) => ring.some(({ y }) => y > 5900))!;
  const [low, high] = [Math.min(...gable.map(({ x }) => x)), Math.max(...gable.map(({ x }) => x))];
  expect(high - low).toBeCloseTo(6000, 0);
});

it('an elevation begins beside what stands farthest out, walls too', () => {
  const out = after('walls.add', {
    name: 'Screen',
    use: 'exterior',
    type: 'Brick 300',
    place: '14000,0',
    points: [
      { xMm: 0, yMm: 0 },
      { xMm: 0, yMm: 6000 },
    ],
    startsAt: { level: '00' },
    stopsAt: { level: 'RF' },
  });
  const solved = solve(out);
  expect(elevationPlane(solved, solved.buildings[0]!.id, 'east')!.from.x).toBeCloseTo(14_150 + 1000, 3);
});
