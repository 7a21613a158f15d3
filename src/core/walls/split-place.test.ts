import { recordsOf } from '../model/framework';
import { solve } from '../solving/solve';
import { corners, WALL_200 } from '../testing/drawn';
import { given, SMALL_TOWER, step } from '../testing/given';
import { slidTo } from './opening-place';
import { splitPlace } from './split-place';

const framework = given(
  [
    [
      'walls.add',
      {
        name: 'W',
        type: WALL_200,
        place: '0,0',
        points: corners('1000,3000 10000,3000 10000,8000'),
        startsAt: { level: '00' },
      },
    ],
    ['walls.addOpening', { wall: 'W', opening: 'door', name: 'D1', alongMm: 1000, widthMm: 1000 }],
    ['walls.addOpening', { wall: 'W', opening: 'window', name: 'N1', alongMm: 5000, widthMm: 1200 }],
  ],
  given(SMALL_TOWER),
);
const solved = solve(framework);
const wall = recordsOf(framework, 'wall')[0]!;
const level = solved.levels.find(({ name }) => name === '00')!.id;
const at = (x: number, y: number, more: object = {}) =>
  splitPlace(framework, wall, { x, y }, { stepMm: 50, reachMm: 120, solved, level, ...more });

describe('where a wall is split that is pointed at', () => {
  it('is a round distance from its nearer end', () => {
    expect(at(4423, 3060)).toMatchObject({ alongMm: 3400, before: 3400, after: 10_600, at: { x: 4400, y: 3000 } });
    expect(at(10_030, 6871)).toMatchObject({ alongMm: 12_850, after: 1150 });
  });

  it('is a corner or a line that crosses it, where one is near', () => {
    expect(at(9960, 3010)).toMatchObject({ alongMm: 9000, words: 'at a corner' });
    expect(at(7290, 3010)).toMatchObject({ alongMm: 6200, words: 'on line 2' });
  });

  it('is as far from the nearer end as typed, and nowhere where no wall is', () => {
    expect(at(2000, 3000, { fromEndMm: 1234 })).toMatchObject({ alongMm: 1234 });
    expect(at(10_000, 7000, { fromEndMm: 1234 })).toMatchObject({ alongMm: 14_000 - 1234 });
    expect(at(4000, 4000)).toBeNull();
  });

  it('is where the command splits it', () => {
    const { alongMm, at: where } = at(4423, 3060)!;
    const after = step(framework, 'walls.split', { wall: 'W', alongMm }).after;
    const parts = recordsOf(after, 'wall').flatMap(({ points }) => points.map(({ xMm, yMm }) => [xMm, yMm]));
    expect(parts.filter(([x, y]) => x === where.x && y === where.y)).toHaveLength(2);
  });
});

describe('an opening that is slid along its wall', () => {
  const opening = (name: string) => wall.openings.find((each) => each.name === name)!;
  const slid = (name: string, x: number) =>
    slidTo(framework, wall, opening(name), { level, point: { x, y: 3000 }, stepMm: 50 });

  it('goes in round steps between its neighbours, and not over them', () => {
    expect(slid('D1', 4520)).toMatchObject({ alongMm: 3000, after: { mm: 1000, words: 'N1' } });
    // Pointed at past the window it is in the room beyond it.
    expect(slid('D1', 9000)).toMatchObject({ before: { words: 'N1' } });
    expect(slid('D1', 5900)!.alongMm).toBe(4000);
  });

  it('stays in its own place where it is not moved', () => {
    expect(slid('D1', 2500)!.alongMm).toBe(1000);
    // Near the middle of its room it is taken there.
    expect(slid('N1', 6600)!.alongMm).toBe((2000 + 9000 - 1200) / 2);
  });
});
