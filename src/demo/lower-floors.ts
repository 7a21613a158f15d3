import type { Sent } from '@/core/commands/command-inputs';
import { corners } from './corners';
import { across, FACE, openings, storey } from './made';

const MID = 6425;
const ROW = 4475;
const LOBBY = 11_925;
const EAST = 19_875;
/** Inner face of the basement wall. */
const IN = { low: -100, east: 39_700, north: 28_900 };

/** Outer face of the hall's west wall. */
const HALL_WEST = 25_500;

/** A basement in four: rooms either side of a lobby round the core, doors two leaves wide. */
function basement(level: string, names: readonly [string, 'plant' | 'storage'][]): Sent[] {
  const { wall, door, room } = storey(level);
  const [a, b, c, d, e] = names;
  return [
    wall('west', `${LOBBY},${IN.low} ${LOBBY},${IN.north}`),
    wall('east', `${EAST},${IN.low} ${EAST},${IN.north}`),
    wall('west cross', `${IN.low},14400 ${LOBBY},14400`),
    wall('east cross', `${EAST},14400 30000,14400`),
    wall('far', `30000,${IN.low} 30000,${IN.north}`),
    door('west', 8000, 1610, 2),
    door('west', 20_000, 1610, 2),
    door('east', 8000, 1610, 2),
    door('east', 20_000, 1610, 2),
    door('far', 11_000, 1610, 2),
    room(...a!, 6000, 7000),
    room(...b!, 6000, 21_000),
    room(...c!, 25_000, 7000),
    room(...d!, 25_000, 21_000),
    room(...e!, 35_000, 14_400),
    room('Lobby', 'circulation', 13_000, 14_000),
  ];
}

const foyer = storey('00');
const hall = storey('01');
const gallery = storey('02');
const plant = storey('12');

/** Four rooms of the practice wing along one side of the west bay, and a larger one. */
const practice = (at: ReturnType<typeof storey>, y: (mm: number) => number, face: number, side: string): Sent[] => [
  at.wall(`row ${side}`, `${FACE.west},${y(ROW)} ${LOBBY},${y(ROW)}`),
  at.wall(`lobby ${side}`, `${LOBBY},${face} ${LOBBY},${y(ROW)}`),
  ...[2650, 5725].map((x, i) => at.wall(`between ${side}${i + 1}`, `${x},${face} ${x},${y(ROW)}`, 'Practice 250')),
  at.door(`row ${side}`, 1200),
  at.door(`row ${side}`, 4200),
  at.door(`row ${side}`, 8400),
];

export const LOWER_FLOORS: readonly Sent[] = [
  ...basement('B2', [
    ['Tank room', 'plant'],
    ['Heat pumps', 'plant'],
    ['Switch room', 'plant'],
    ['Water', 'plant'],
    ['Ventilation', 'plant'],
  ]),
  ...basement('B1', [
    ['Instrument store', 'storage'],
    ['Archive', 'storage'],
    ['Bicycles', 'storage'],
    ['Loading', 'storage'],
    ['Stage store', 'storage'],
  ]),
  // Ground floor: foyer west of the core and round it, a café along A, cloakroom and toilets along E.
  foyer.wall('cafe side', `${EAST},${FACE.south} ${EAST},${MID}`),
  foyer.wall('cafe', `${EAST},${MID} ${FACE.east},${MID}`),
  foyer.door('cafe side', 2500, 1810, 2),
  foyer.door('cafe', 15_000),
  foyer.wall('back side', `${EAST},${across(MID)} ${EAST},${FACE.north}`),
  foyer.wall('back', `${EAST},${across(MID)} ${FACE.east},${across(MID)}`),
  ...[24_000, 28_000, 34_000].map((x, i) => foyer.wall(`back ${i + 1}`, `${x},${across(MID)} ${x},${FACE.north}`)),
  ...[1500, 6300, 10_500, 16_500].map((x) => foyer.door('back', x)),
  foyer.room('Foyer', 'assembly', 6000, 14_400),
  foyer.room('Café', 'trade', 30_000, 2000),
  foyer.room('Toilets', 'wet', 22_000, 26_000),
  foyer.room('Toilets', 'wet', 26_000, 26_000),
  foyer.room('Cloakroom', 'other', 31_000, 26_000),
  foyer.room('Stage door', 'circulation', 37_000, 26_000),
  // The hall stands round its void through 01 and 02; its lobbies and practice rooms west of the core.
  {
    command: 'walls.add',
    input: {
      building: 'Hall house',
      name: 'Recital',
      use: 'interior',
      type: 'Core 250',
      place: 'B-5 + 550,550',
      points: corners('0,0 13300,0 13300,14500 0,14500'),
      closed: true,
      on: 'inside',
      startsAt: { level: '01' },
      stopsAt: { level: '03', face: 'soffit' },
    },
  },
  ...openings('Recital', 'door', [44_500, 51_500], { widthMm: 1810, heightMm: 2110, leaves: 2, opens: 'outwards' }, [
    '01',
  ]),
  ...openings('Recital', 'window', [47_500], { widthMm: 2400, heightMm: 1200, sillMm: 900 }, ['02']),
  // Two doors one after the other keep the foyer out of the hall.
  ...(
    [
      ['S', 8700],
      ['N', 15_700],
    ] as const
  ).flatMap(([side, y]): Sent[] => [
    hall.wall(`sound ${side} a`, `${HALL_WEST},${y} 23700,${y}`, 'Practice 250'),
    hall.wall(`sound ${side} b`, `23700,${y} 23700,${y + 3300}`, 'Practice 250'),
    hall.wall(`sound ${side} c`, `23700,${y + 3300} ${HALL_WEST},${y + 3300}`, 'Practice 250'),
    hall.door(`sound ${side} b`, 745, 1810, 2),
    hall.room('Sound lobby', 'circulation', 24_600, y + 1650),
  ]),
  // The stage lies 600 up, the last rows 300.
  ...(
    [
      ['Stage', 12_300, 2700, 600],
      ['Back rows', 1200, 3600, 300],
    ] as const
  ).map(([name, y, depthMm, shiftMm]): Sent => ({
    command: 'floors.setZone',
    input: {
      floor: 'Podium',
      name,
      outline: { type: 'rectangle', place: `B-5 + 900,${y}`, widthMm: 12_600, depthMm },
      levels: ['01'],
      shiftMm,
      // So thick that it lies on the floor.
      thicknessMm: shiftMm + 280,
    },
  })),
  hall.room('Recital hall', 'assembly', 28_800, 17_600),
  hall.room('Hall foyer', 'assembly', 22_000, 14_400),
  ...practice(hall, (y) => y, FACE.south, 'S'),
  ...practice(hall, across, FACE.north, 'N'),
  ...(
    [
      ['Practice', 1000, 2000],
      ['Practice', 4000, 2000],
      ['Green room', 9000, 2000],
      ['Practice', 1000, 26_800],
      ['Practice', 4000, 26_800],
      ['Ensemble', 9000, 26_800],
    ] as const
  ).map(([name, x, y]) => hall.room(name, 'teaching', x, y)),
  ...practice(gallery, (y) => y, FACE.south, 'S'),
  gallery.wall('control S', `${EAST},11800 25500,11800`),
  gallery.wall('control N', `${EAST},17000 25500,17000`),
  gallery.wall('control W', `${EAST},11800 ${EAST},17000`),
  gallery.door('control W', 2200),
  gallery.room('Control room', 'teaching', 22_500, 14_400),
  gallery.room('Gallery', 'assembly', 6000, 14_400),
  gallery.room('Office', 'office', 1000, 2000),
  gallery.room('Office', 'office', 4000, 2000),
  gallery.room('Meeting', 'office', 9000, 2000),
  // Plant on the roof storey.
  plant.wall('west', `${LOBBY},${FACE.south} ${LOBBY},${FACE.north}`),
  plant.wall('east', `${EAST},${FACE.south} ${EAST},${FACE.north}`),
  plant.door('west', 14_000, 1610, 2),
  plant.door('east', 14_000, 1610, 2),
  plant.room('Air handling', 'plant', 6000, 14_400),
  plant.room('Air handling', 'plant', 28_000, 10_000),
  plant.room('Plant lobby', 'circulation', 13_000, 14_400),
];
