import { recordsOf, type Framework } from '../model/framework';
import { corners, WALL_200 } from '../testing/drawn';
import { given, refusal, step } from '../testing/given';
import type { Step } from '../commands/command-inputs';

const wall = (name: string, points: string, startsAt: string, more: object = {}): Step => [
  'walls.add',
  { name, type: WALL_200, place: '0,0', points: corners(points), startsAt: { level: startsAt }, ...more } as never,
];
const house = given([
  ['buildings.add', { name: 'House' }],
  ['levels.setUp', { above: '3@3m' }],
  wall('Low', '0,0 9000,0', '00', { stopsAt: { level: '01', face: 'soffit' } }),
  // The one over it is drawn the other way round and begins elsewhere.
  wall('Up', '8000,0 -1000,0', '01', { stopsAt: { level: '02', face: 'soffit' } }),
  wall('Beside', '0,900 9000,900', '01', { stopsAt: { level: '02', face: 'soffit' } }),
  wall('High', '0,5000 9000,5000', '00', { stopsAt: { level: 'RF', face: 'soffit' } }),
  ['walls.addOpening', { wall: 'Low', opening: 'door', name: 'D1', alongMm: 1000, widthMm: 1000, hand: 'left' }],
  ['walls.addOpening', { wall: 'Low', opening: 'window', name: 'N1', alongMm: 7500, widthMm: 1200 }],
  ['walls.addOpening', { wall: 'High', opening: 'window', name: 'N2', alongMm: 2000, widthMm: 1200, at: ['00'] }],
]);
const openings = (framework: Framework, name: string) =>
  recordsOf(framework, 'wall').find((each) => each.name === name)!.openings;
const above = (walls: string[], framework = house, level = '01') =>
  step(framework, 'walls.openingsAsBelow', { walls, level });

describe('doors and windows as on the level below', () => {
  it('stand over one another whatever way the wall over it was drawn; those with no room stay away', () => {
    const { after, sentence } = above(['Up']);
    expect(sentence).toBe('1 opening as on the level below');
    const [door, ...more] = openings(after, 'Up');
    // The window would lie over the end at 8000: from 7500 to 8700.
    expect(more).toEqual([]);
    // From 1000 to 2000 of the axis, along a path that comes from 8000.
    expect(door).toMatchObject({ opening: 'door', name: 'D2', alongMm: 6000, widthMm: 1000, hand: 'right', at: 'all' });
    expect(refusal(after, 'walls.openingsAsBelow', { walls: ['Up'], level: '01' })).toMatch(/^Nothing to take up/);
  });

  it('in a wall through several storeys are the same ones, at one level more', () => {
    const { after } = above(['High']);
    const [one, ...more] = openings(after, 'High');
    expect([one!.name, (one!.at as string[]).length, more]).toEqual(['N2', 2, []]);
    const again = above(['High'], after, '02').after;
    expect(openings(again, 'High')[0]!.at).toHaveLength(3);
  });

  it('are not those of a wall that only runs beside it', () => {
    expect(refusal(house, 'walls.openingsAsBelow', { walls: ['Beside'], level: '01' })).toMatch(/^Nothing to take up/);
  });

  it('are asked for where the wall stands, over a storey', () => {
    expect(refusal(house, 'walls.openingsAsBelow', { walls: ['High'], level: '00' })).toMatch(
      /no storey under level 00/,
    );
    expect(refusal(house, 'walls.openingsAsBelow', { walls: ['Up'], level: '02' })).toMatch(
      /does not stand at level 02/,
    );
  });
});
