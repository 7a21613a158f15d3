import type { Sent } from '@/core/commands/command-inputs';
import { across, FACE, storey } from './made';

type At = ReturnType<typeof storey>;

const ROW = 4475;
const MID = 6425;
const LOBBY = 11_925;
const EAST = 19_875;
const INNER = 32_905;
const OUTER = 34_855;

interface Row {
  side: 'S' | 'N';
  y: (mm: number) => number;
  face: number;
  /** Where it ends in the east. */
  end: number;
  /** Left and right walls of its rooms, west and east of the core. */
  west: readonly number[];
  east: readonly number[];
}

const ROWS: readonly Row[] = [
  {
    side: 'S',
    y: (mm) => mm,
    face: FACE.south,
    end: FACE.east,
    west: [FACE.west - 75, 3800, 7900],
    east: [EAST, 24_900, 29_900, 34_900],
  },
  {
    side: 'N',
    y: across,
    face: FACE.north,
    end: 32_830,
    west: [FACE.west - 75, 3800, 7900],
    east: [EAST, 24_200, 28_500],
  },
];

const walls = ({ wall }: At): Sent[] =>
  ROWS.flatMap(({ side, y, face, end, west, east }) => [
    wall(`row ${side}1`, `${FACE.west},${y(ROW)} ${LOBBY},${y(ROW)}`),
    wall(`row ${side}2`, `${EAST},${y(ROW)} ${end},${y(ROW)}`),
    wall(`mid ${side}1`, `${FACE.west},${y(MID)} ${LOBBY},${y(MID)}`),
    wall(`mid ${side}2`, `${EAST},${y(MID)} ${INNER},${y(MID)}`),
    wall(`mid ${side}3`, `${OUTER},${y(MID)} ${FACE.east},${y(MID)}`),
    wall(`lobby ${side}`, `${LOBBY},${face} ${LOBBY},${y(ROW)}`),
    wall(`east ${side}`, `${EAST},${face} ${EAST},${y(ROW)}`),
    ...[...west, ...east]
      .filter((x) => x > FACE.west && x !== EAST)
      .map((x, i) => wall(`between ${side}${i + 1}`, `${x},${face} ${x},${y(ROW)}`)),
  ]);

const middle = ({ wall }: At): Sent[] => [
  ...(
    [
      ['lobby M', LOBBY],
      ['east M', EAST],
      ['inner', INNER],
      ['outer', OUTER],
      ['living', 6500],
      ['kitchen', 26_400],
    ] as const
  ).map(([name, x]) => wall(name, `${x},${MID} ${x},${across(MID)}`)),
  wall('living 1', `${FACE.west},14400 6500,14400`),
  wall('pantry 1', `6500,14400 ${LOBBY},14400`),
  wall('kitchens', `${EAST},14400 26400,14400`),
  wall('stores', `26400,14400 ${INNER},14400`),
  wall('common', `${OUTER},14400 ${FACE.east},14400`),
];

const cells = ROWS.flatMap(({ side, y, west, east }) =>
  [...west, ...east].map((left, i) => {
    const isWest = i < west.length;
    const from = Math.max(left, FACE.west);
    return {
      points: `${from},${y(2250)} ${left + 1325},${y(2250)} ${left + 1325},${y(ROW)}`,
      firstMm: left + 1325 - from,
      inRoom: [left + 2100, y(1000)] as const,
      inCell: [left + 700, y(3300)] as const,
      row: `row ${side}${isWest ? 1 : 2}`,
      alongMm: left + 1575 - (isWest ? FACE.west : EAST),
    };
  }),
);

/** Larger rooms of a storey above the student floors, with wet cells and what lies between the corridors. */
function floor(at: At): Sent[] {
  const { wall, door, room } = at;
  return [
    ...walls(at),
    ...middle(at),
    ...cells.flatMap(({ points, firstMm, row, alongMm }, i) => [
      wall(`cell ${i + 1}`, points, 'Cell 100'),
      door(row, alongMm),
      door(`cell ${i + 1}`, firstMm + 500, 810),
    ]),
    ...cells.map(({ inRoom: [x, y] }, i) => room(`Large room ${i + 1}`, 'dwelling', x, y)),
    room('Corridor', 'circulation', 16_000, 28_500),
    ...cells.map(({ inCell: [x, y] }, i) => room(`Wet cell ${i + 1}`, 'wet', x, y)),
    ...ROWS.flatMap(({ side, y }): Sent[] => [
      door(`mid ${side}1`, 4900, 1610, 2),
      room('Living room', 'dwelling', 3000, y(9500)),
      door(`mid ${side}1`, 9400),
      room('Kitchen', 'dwelling', 9200, y(9500)),
      door(`mid ${side}2`, 2600),
      room('Practice', 'teaching', 23_000, y(9500)),
      door(`mid ${side}2`, 9600),
      room('Store', 'storage', 29_600, y(9500)),
    ]),
    door('outer', 10_000 - MID, 1610, 2),
    room('Common room', 'dwelling', 37_500, 10_400),
    door('outer', 18_400 - MID, 1610, 2),
    room('Study', 'dwelling', 37_500, 18_400),
  ];
}

/** The north-east corner of level 09 is a terrace. Its slab is the lower floors' one: 10 and 11 alone are alike. */
export const UPPER_FLOORS: readonly Sent[] = [
  ...floor(storey('09')),
  ...floor(storey('10')),
  {
    command: 'typical.follow',
    input: { building: 'Hall house', name: 'Upper floors', master: '10', levels: ['11'] },
  },
];
