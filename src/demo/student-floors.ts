import type { Sent } from '@/core/commands/command-inputs';
import { across, FACE, storey } from './made';

/**
 * Rooms along A, E and 7 of level 03, corridors inside them that keep clear of the columns on B and D, and what lies between; alike up
 * to level 08. Eleven rooms a side would leave no way round the core: it reaches from one side of the house nearly to the other.
 */
const { wall, door, room } = storey('03');

/** Centre lines of walls along the corridors: of the rooms, and of what lies inside. */
const ROW = 4475;
const MID = 6425;
const LOBBY = 11_925;
const EAST = 19_875;
const INNER = 32_905;
const OUTER = 34_855;

/** Left and right walls of the rooms along A and E; the first one begins at the envelope. */
const WEST_ROOMS = [FACE.west - 75, 3600, 7200] as const;
const EAST_ROOMS = [21_600, 25_200, 28_800, 32_400, 36_000] as const;
const CROSS = [3600, 7200, 10_800, ...EAST_ROOMS];
const OUTER_CROSS = [MID, 10_375, across(14_400), across(10_375)] as const;

const sides = [
  { side: 'S', y: (mm: number) => mm, face: FACE.south },
  { side: 'N', y: across, face: FACE.north },
] as const;

const walls: Sent[] = sides.flatMap(({ side, y, face }) => [
  wall(`row ${side}1`, `${FACE.west},${y(ROW)} ${LOBBY},${y(ROW)}`),
  wall(`row ${side}2`, `${EAST},${y(ROW)} ${FACE.east},${y(ROW)}`),
  wall(`mid ${side}1`, `${FACE.west},${y(MID)} ${LOBBY},${y(MID)}`),
  wall(`mid ${side}2`, `${EAST},${y(MID)} ${INNER},${y(MID)}`),
  wall(`mid ${side}3`, `${OUTER},${y(MID)} ${FACE.east},${y(MID)}`),
  wall(`lobby ${side}`, `${LOBBY},${face} ${LOBBY},${y(ROW)}`),
  wall(`east ${side}`, `${EAST},${face} ${EAST},${y(ROW)}`),
  ...CROSS.map((x, i) => wall(`between ${side}${i + 1}`, `${x},${face} ${x},${y(ROW)}`)),
]);

const middle: Sent[] = [
  ...(
    [
      ['lobby M', LOBBY],
      ['east M', EAST],
      ['inner', INNER],
      ['outer', OUTER],
      ['living', 6500],
      ['kitchen', 24_200],
      ['studio', 28_600],
    ] as const
  ).map(([name, x]) => wall(name, `${x},${MID} ${x},${across(MID)}`)),
  ...[11_800, across(11_800)].flatMap((y, i) => [
    wall(`living ${i + 1}`, `${FACE.west},${y} 6500,${y}`),
    wall(`pantry ${i + 1}`, `6500,${y} ${LOBBY},${y}`),
  ]),
  wall('kitchens', `${EAST},14400 24200,14400`),
  wall('studios', '24200,14400 28600,14400'),
  wall('stores', `28600,14400 ${INNER},14400`),
  ...OUTER_CROSS.slice(1).map((y, i) => wall(`outer ${i + 1}`, `${OUTER},${y} ${FACE.east},${y}`)),
];

interface Cell {
  /** Its wall, from the wall beside it round to the corridor; the first stretch of it, mm. */
  points: string;
  firstMm: number;
  inRoom: readonly [x: number, y: number];
  inCell: readonly [x: number, y: number];
  /** The lowered floor: lower left corner, width and depth. */
  floor: readonly [x: number, y: number, widthMm: number, depthMm: number];
  door: Sent;
}

/** Rooms with their wet cells: 1.15 × 1.9 m clear at the corridor, beside the door; 2.1 m would leave less than 14 m² of room. */
const cells: Cell[] = [
  ...sides.flatMap(({ side, y }) =>
    [...WEST_ROOMS, ...EAST_ROOMS].map((left, i): Cell => {
      const from = Math.max(left, FACE.west);
      const isWest = i < WEST_ROOMS.length;
      const alongMm = left + 1575 - (isWest ? FACE.west : EAST);
      return {
        points: `${from},${y(2450)} ${left + 1275},${y(2450)} ${left + 1275},${y(ROW)}`,
        firstMm: left + 1275 - from,
        inRoom: [left + 1800, y(1000)],
        inCell: [left + 700, y(3300)],
        floor: [left + 75, Math.min(y(2500), y(4400)), 1150, 1900],
        door: door(`row ${side}${isWest ? 1 : 2}`, alongMm),
      };
    }),
  ),
  ...OUTER_CROSS.map((low): Cell => ({
    points: `36880,${low} 36880,${low + 1275} ${OUTER},${low + 1275}`,
    firstMm: 1275,
    inRoom: [37_480, low + 2600],
    inCell: [36_000, low + 700],
    floor: [34_930, low + 75, 1900, 1150],
    door: door('outer', low + 1575 - MID),
  })),
];

const students: Sent[] = cells.flatMap(({ points, firstMm, door: own }, i) => [
  wall(`cell ${i + 1}`, points, 'Cell 100'),
  own,
  door(`cell ${i + 1}`, firstMm + 500, 810),
]);

const named: Sent[] = [
  ...cells.map(({ inRoom: [x, y] }, i) => room(`Student room ${i + 1}`, 'dwelling', x, y)),
  room('Corridor', 'circulation', 16_000, 28_500),
  ...cells.map(({ inCell: [x, y] }, i) => room(`Wet cell ${i + 1}`, 'wet', x, y)),
];

const others: Sent[] = [
  ...sides.flatMap(({ side, y }, i): Sent[] => [
    // Where a whole room has no place: linen beside the lobby, a store beside the east passage.
    door(`row ${side}1`, LOBBY - FACE.west - 970, 810),
    room(i === 0 ? 'Linen' : 'Cleaner', 'storage', 11_350, y(2000)),
    door(`row ${side}2`, 350),
    room('Luggage', 'storage', 20_700, y(2000)),
    door(`mid ${side}1`, 4900, 1610, 2),
    room('Living room', 'dwelling', 3000, y(9000)),
    door(`mid ${side}1`, 9400),
    room('Kitchen', 'dwelling', 9200, y(9000)),
    door(`mid ${side}2`, 1600),
    room(i === 0 ? 'Kitchen' : 'Laundry', 'dwelling', 22_000, y(9000)),
    door(`mid ${side}2`, 6100),
    room('Practice', 'teaching', 26_400, y(9000)),
    door(`mid ${side}2`, 10_600),
    room('Store', 'storage', 30_700, y(9000)),
  ]),
  door('living', 14_000 - MID),
  room('Reading room', 'dwelling', 3000, 13_400),
  door('lobby M', 13_800 - MID, 1610, 2),
  room('Common room', 'dwelling', 9200, 13_000),
];

export const STUDENT_FLOORS: readonly Sent[] = [
  ...walls,
  ...middle,
  ...students,
  ...named,
  ...others,
  {
    command: 'typical.follow',
    input: { building: 'Hall house', name: 'Student floors', master: '03', levels: ['04', '05', '06', '07', '08'] },
  },
  // The floor of a wet cell lies 20 lower.
  ...cells.map(({ floor: [x, y, widthMm, depthMm] }, i): Sent => ({
    command: 'floors.setZone',
    input: {
      floor: 'Podium',
      name: `Wet ${i + 1}`,
      outline: { type: 'rectangle', place: `A-1 + ${x},${y}`, widthMm, depthMm },
      levels: ['03'],
      shiftMm: -60,
      buildUpMm: 120,
      thicknessMm: 220,
    },
  })),
  ...(
    [
      ['Student rooms', cells.map((_, i) => i + 1), 2450],
      ['Corridors', [cells.length + 1], 2450],
    ] as const
  ).map(([name, numbers, heightMm]): Sent => ({
    command: 'ceilings.add',
    input: {
      building: 'Hall house',
      name,
      rooms: numbers.map((n) => `03.${String(n).padStart(2, '0')}`),
      heightMm,
      thicknessMm: 40,
    },
  })),
];
