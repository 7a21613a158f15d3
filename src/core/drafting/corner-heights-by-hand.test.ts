import { frameworkHash, recordsOf } from '../model/framework';
import { solve } from '../solving/solve';
import { afterFrom, given } from '../testing/given';
import { cornerHeightAt, highCorners } from './corner-heights-by-hand';

const yard = given([
  ['buildings.add', { name: 'House' }],
  ['levels.setUp', { above: '3m 3m' }],
  [
    'slopedFloors.add',
    {
      name: 'SF1',
      corners: [
        { xMm: 0, yMm: 0, heightMm: 120 },
        { xMm: 4000, yMm: 0 },
        { xMm: 4000, yMm: 3000 },
        { xMm: 0, yMm: 3000, heightMm: 120 },
      ],
      baseAt: { level: '00', offsetMm: -300 },
    },
  ],
]);
const { id } = recordsOf(yard, 'slopedFloor')[0]!;
const writing = { stepMm: 10, write: (mm: number) => `${mm}` };
const take = (corner: number, zMm: number) => cornerHeightAt(yard, solve(yard), { id, corner }, zMm, 20, writing);

describe('the height of a corner dragged', () => {
  it('goes in steps over where the floor starts, and is the one that is typed', () => {
    expect(highCorners(yard, id).map(({ z }) => z)).toEqual([-180, -300, -300, -180]);
    const drag = take(1, -256)!;
    expect(drag).toMatchObject({ zMm: -260, words: 'corner 2: 40' });
    const after = afterFrom(yard);
    const typed = after('slopedFloors.setCorner', { slopedFloor: id, corner: 1, heightMm: 40 });
    expect(frameworkHash(after(drag.sent.command, drag.sent.input as never))).toBe(frameworkHash(typed));
  });

  it('stays level with another corner, or with a floor, that it comes near', () => {
    expect(take(1, -191)).toMatchObject({ zMm: -180, words: 'corner 2: 120, level with corner 1' });
    expect(take(2, 13)).toMatchObject({ zMm: 0, words: 'corner 3: 300, FFL of 00' });
    expect(take(2, 2987)).toMatchObject({ zMm: 3000 });
  });

  it('is no matter of corners that are not there, nor of what has none', () => {
    expect(take(4, 0)).toBeNull();
    expect(highCorners(yard, recordsOf(yard, 'level')[0]!.id)).toEqual([]);
  });
});
