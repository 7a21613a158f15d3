import { recordsOf } from '../model/framework';
import { solve } from '../solving/solve';
import { WALL_200 } from '../testing/drawn';
import { FURNISHED, given, levelId, step } from '../testing/given';
import { openingPlace, type OpeningToPlace } from './opening-place';

/** A wall of one storey along y = 20000 from x = 20000, 6000 long, turning north by 4000; its middle on the path. */
const house = given(
  [
    [
      'walls.add',
      {
        name: 'W',
        type: WALL_200,
        on: 'centre',
        points: [
          { xMm: 20_000, yMm: 20_000 },
          { xMm: 26_000, yMm: 20_000 },
          { xMm: 26_000, yMm: 24_000 },
        ],
        startsAt: { level: '01' },
        stopsAt: { level: '02', face: 'soffit' },
      },
    ],
    ['walls.addOpening', { wall: 'W', opening: 'door', name: 'D9', alongMm: 3000, widthMm: 1000 }],
  ],
  given(FURNISHED),
);
const door: OpeningToPlace = {
  opening: 'door',
  leaves: 1,
  hand: 'left',
  opens: 'inwards',
  widthMm: 900,
  heightMm: 2100,
  sillMm: 0,
};
const place = (x: number, y: number, more: { wanted?: OpeningToPlace; fromEndMm?: number; level?: string } = {}) => {
  const { wanted = door, level = '01', fromEndMm } = more;
  return openingPlace(house, solve(house), levelId(house, level), { x, y }, wanted, {
    reachMm: 200,
    stepMm: 50,
    ...(fromEndMm === undefined ? {} : { fromEndMm }),
  });
};

describe('where an opening goes in the wall that is pointed at', () => {
  it('is a round distance from the nearer of corner and opening, both distances said', () => {
    // Pointed at 20870 its beginning would be at 420: 400 in steps of 50 from the end of the wall.
    expect(place(20_870, 20_020)).toMatchObject({
      wallName: 'W',
      alongMm: 400,
      before: { mm: 400, words: 'the end of wall W' },
      after: { mm: 3000 - 400 - 900, words: 'D9' },
      refused: null,
    });
    // Beyond the door, nearer to it than to the corner.
    expect(place(24_850, 19_950)).toMatchObject({ alongMm: 4400, before: { mm: 400, words: 'D9' } });
    expect(place(25_200, 20_000)).toMatchObject({ after: { words: 'the corner of wall W' } });
  });

  it('is the middle of its room where one points near that, and never past its ends', () => {
    expect(place(21_540, 20_000)).toMatchObject({ alongMm: 1050, before: { mm: 1050 }, after: { mm: 1050 } });
    expect(place(20_010, 20_000)?.alongMm).toBe(0);
    expect(place(25_990, 20_000)?.alongMm).toBe(6000 - 900);
  });

  it('is just as far from the nearer end as is typed, or says that there is no room', () => {
    expect(place(20_800, 20_000, { fromEndMm: 612.5 })?.alongMm).toBe(612.5);
    expect(place(25_500, 20_000, { fromEndMm: 300 })?.alongMm).toBe(6000 - 900 - 300);
    expect(place(20_800, 20_000, { fromEndMm: 2500 })?.refused).toMatch(/no room for it between .*wall W and D9/);
    expect(place(25_000, 20_000, { wanted: { ...door, widthMm: 2400 } })?.refused).toMatch(/no room/);
  });

  it('is along the next part round a corner, from the start of the path', () => {
    // 2000 up the second part: its middle.
    expect(place(26_050, 22_000)).toMatchObject({ alongMm: 6000 + 2000 - 450 });
  });

  it('is nowhere where there is no wall at the level within reach', () => {
    expect(place(23_000, 21_000)).toBeNull();
    expect(place(20_870, 20_020, { level: '03' })).toBeNull();
  });

  it('stands as it will be drawn once it is there', () => {
    const shown = place(21_540, 20_000)!;
    const put = step(house, 'walls.addOpening', {
      wall: 'W',
      opening: 'door',
      name: 'D10',
      alongMm: shown.alongMm,
      widthMm: 900,
      heightMm: 2100,
    }).after;
    const wall = recordsOf(put, 'wall').find(({ name }) => name === 'W')!;
    const piece = solve(put).walls.find((each) => each.wall === wall.id)!;
    const drawn = piece.openings.find(({ name }) => name === 'D10')!;
    const { inwards, ends, hand, opens, widthMm, thicknessMm, bottomMm, topMm } = drawn;
    const close = (points: readonly { x: number; y: number }[]) =>
      points.map(({ x, y }) => ({ x: expect.closeTo(x, 6), y: expect.closeTo(y, 6) }));
    expect(shown.drawn).toMatchObject({ hand, opens, widthMm, thicknessMm, bottomMm, topMm });
    expect([...shown.drawn.ends, shown.drawn.inwards]).toEqual(close([...ends, inwards]));
  });
});
