import { given, levelId } from '../testing/given';
import { solve } from '../solving/solve';
import { drawPlan } from '../drawing/draw-plan';
import type { Primitive } from '../drawing/drawing';

/** A wall 200 thick along y = 2000, outside to its left, so above it; a door, a window and a low parapet on the roof. */
const layers = [{ name: 'concrete', thicknessMm: 200, core: true }];
const points = [
  { xMm: 0, yMm: 2000 },
  { xMm: 8000, yMm: 2000 },
];
const house = given([
  ['buildings.add', { name: 'House' }],
  ['levels.setUp', { above: '2@3m' }],
  ['floors.add', { outline: { type: 'rectangle', widthMm: 8000, depthMm: 5000 } }],
  ['walls.add', { name: 'W', type: { name: 'T', layers }, points, outside: 'left', startsAt: { level: '00' } }],
  [
    'walls.add',
    {
      name: 'P',
      type: 'T',
      points,
      startsAt: { level: 'RF' },
      stopsAt: { level: 'RF', face: 'FFL', offsetMm: 900 },
    },
  ],
  ['walls.addOpening', { wall: 'W', opening: 'door', alongMm: 1000, widthMm: 900 }],
  ['walls.addOpening', { wall: 'W', opening: 'window', alongMm: 5000, widthMm: 1500 }],
]);
const plan = (level: string, framework = house) => {
  const solved = solve(framework);
  const view = { building: solved.buildings[0]!.id, level: levelId(framework, level), scale: 100, cutAboveMm: 1200 };
  return drawPlan(solved, { ...view, writeLength: String }).primitives;
};
const of = (primitives: readonly Primitive[], style: Primitive['style']) =>
  primitives.filter((primitive) => primitive.style === style);

describe('a wall in plan', () => {
  it('is cut in three between its door and its window, and seen from above where it is lower than the cut', () => {
    expect(of(plan('00'), 'wallCut')).toHaveLength(3);
    expect([of(plan('RF'), 'wallCut').length, of(plan('RF'), 'wallSeen').length]).toEqual([0, 1]);
    expect(of(plan('01'), 'wallCut')).toHaveLength(0);
  });

  it('has a door that swings a quarter circle of its width, inwards from the jamb on the left', () => {
    const [swing] = of(plan('00'), 'openingSwing');
    if (swing?.type !== 'arc') throw new Error('no swing');
    // Coming from outside, above, one's left is the larger x; it opens inwards, down from the inside face.
    expect(swing.arc).toMatchObject({ centre: { x: 1900, y: 1900 }, radiusMm: 900, sweepDeg: 90, fromDeg: 180 });
    const right = given(
      [['walls.changeOpening', { wall: 'W', opening: 'D1', hand: 'right', opens: 'outwards' }]],
      house,
    );
    const [other] = of(plan('00', right), 'openingSwing');
    expect(other).toMatchObject({ arc: { centre: { x: 1000, y: 2100 }, radiusMm: 900, sweepDeg: 90, fromDeg: 0 } });
    // A leaf for the door, four lines for the window.
    expect(of(plan('00'), 'opening')).toHaveLength(1 + 4);
  });
});
