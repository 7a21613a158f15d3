import { curvesMeet } from '../geometry/curve';
import { bounds, ringArea } from '../geometry/polygon';
import { recordsOf, type Framework } from '../model/framework';
import { solve } from '../solving/solve';
import { drawPlan } from '../drawing/draw-plan';
import { afterFrom, given } from '../testing/given';
import { membersOf, middleLine } from './members';

const strip = [
  { x: 0, y: 0 },
  { x: 7200, y: 0 },
  { x: 7200, y: 120 },
  { x: 0, y: 120 },
];
const spans = (rings: ReturnType<typeof membersOf>) =>
  rings.map((ring) => [bounds(ring).minX, bounds(ring).maxX].map(Math.round));

describe('members of a glazed wall', () => {
  it('stand at both ends and between panels that are alike and no wider than the module', () => {
    // 7140 between the first and the last: four panels of 1785 for 1800, five of 1428 for 1500.
    expect(spans(membersOf(strip, { moduleMm: 1800, memberMm: 60, onGrid: false })).map(([from]) => from)).toEqual([
      0, 1785, 3570, 5355, 7140,
    ]);
    expect(membersOf(strip, { moduleMm: 1500, memberMm: 60, onGrid: false })).toHaveLength(6);
    for (const ring of membersOf(strip, { moduleMm: 1500, memberMm: 60, onGrid: false }))
      expect(Math.abs(ringArea(ring))).toBeCloseTo(60 * 120, 6);
  });

  it('stand where lines cross it, their middles on them', () => {
    const line = (x: number) => ({ kind: 'segment' as const, from: { x, y: -5000 }, to: { x, y: 5000 } });
    const crossings = [2000, 5000, 9000].flatMap((x) => curvesMeet(line(x), middleLine(strip), 1));
    expect(spans(membersOf(strip, { moduleMm: 1500, memberMm: 60, onGrid: true }, crossings))).toEqual([
      [0, 60],
      [1970, 2030],
      [4970, 5030],
      [7140, 7200],
    ]);
  });
});

const house = given([
  ['buildings.add', { name: 'House' }],
  ['levels.setUp', { above: '3m' }],
  ['grids.add', { name: 'G', baysA: '2@3600', baysB: '4000' }],
  ['floors.add', { name: 'F', outline: { type: 'rectangle', place: '0,0', widthMm: 7200, depthMm: 4000 } }],
  [
    'walls.add',
    {
      name: 'G1',
      use: 'glazed',
      type: { name: 'Glass', layers: [{ name: 'glass', thicknessMm: 120, core: true }] },
      points: [
        { xMm: 0, yMm: 0 },
        { xMm: 7200, yMm: 0 },
      ],
      startsAt: { level: '00' },
      stopsAt: { level: 'RF' },
    },
  ],
]);
const after = afterFrom(house);
const membersIn = (framework: Framework) => {
  const solved = solve(framework);
  const [level] = solved.levels;
  const [building] = recordsOf(framework, 'building');
  const { primitives } = drawPlan(solved, {
    building: building!.id,
    level: level!.id,
    scale: 100,
    cutAboveMm: 1200,
    writeLength: String,
  });
  return primitives.filter((each) => each.type === 'area' && each.style === 'memberCut');
};

it('are drawn in the plan of the wall, which is no black band, but not in its doors', () => {
  expect(membersIn(house)).toHaveLength(6);
  const grid = after('walls.change', { wall: 'G1', panels: { onGrid: true } });
  // At both ends and on the line in the middle.
  expect(membersIn(grid)).toHaveLength(3);
  const door = after('walls.addOpening', { wall: 'G1', opening: 'door', alongMm: 2700, widthMm: 1800 }, house);
  // Those at 2856 and 4284 would stand in it.
  expect(membersIn(door)).toHaveLength(4);
  const moved = after('grids.setBay', { line: '2', bayMm: 3000 }, grid);
  // The lines stand at 3000 and 6600 now.
  expect(membersIn(moved)).toHaveLength(4);
});
