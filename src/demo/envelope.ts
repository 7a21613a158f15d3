import type { Sent } from '@/core/commands/command-inputs';
import { corners } from './corners';
import { FACE, openings } from './made';

const LONG = FACE.east - FACE.west;
const DEEP = FACE.north - FACE.south;

/** Along the envelope from its south-west corner round by east, to a place on each side. */
const along = {
  south: (x: number) => x - FACE.west,
  east: (y: number) => LONG + y - FACE.south,
  north: (x: number) => LONG + DEEP + FACE.east - x,
  west: (y: number) => 2 * LONG + DEEP + FACE.north - y,
};

const WINDOW = { widthMm: 2100, heightMm: 1500, sillMm: 900 };
const TALL = { widthMm: 2400, heightMm: 3000, sillMm: 300 };
/** Ends of corridors are glazed from a low sill. */
const END = { widthMm: 1500, heightMm: 1850, sillMm: 300 };

/** Middles of the student rooms along A and E, and of the two ends of the core, where the passages have light. */
const ROOMS_X = [1585, 5400, 9000, 16_200, 23_400, 27_000, 30_600, 34_200, 38_000];
const ROOMS_EAST_Y = [8400, 12_390, 16_410, 20_400];
const LIVING_Y = [7900, 10_300, 13_200, 15_600, 18_500, 20_900];
const CORRIDORS_Y = [5450, 23_350];

const EXTERIOR = {
  name: 'Facade 330',
  layers: [
    { name: 'facing', thicknessMm: 70, core: false },
    { name: 'air', thicknessMm: 40, core: false },
    { name: 'insulation', thicknessMm: 120, core: false },
    { name: 'concrete', thicknessMm: 100, core: true },
  ],
};

/** Where the sides of the upper facade begin along it: its north-east corner is left to a terrace. */
const STEP = { east: LONG, south: LONG + 23_060, terrace: LONG + 30_260, north: LONG + 36_860, west: LONG + 70_120 };
const UPPER_LEVELS = ['09', '10', '11'];
const UPPER = {
  south: [1700, 6200, 10_300, 16_200, 22_400, 27_400, 32_400, 37_400].map((x) => x - FACE.west - 1050),
  east: [2600, 8400, 11_900, 16_900, 20_400].map((y) => STEP.east + y - FACE.south - 1050),
  north: [30_700, 26_400, 22_100, 16_200, 10_300, 6200, 1700].map((x) => STEP.north + 32_830 - x - 1050),
  west: [...LIVING_Y].reverse().map((y) => STEP.west + FACE.north - y - 1050),
};

/** Tall windows at the ground, glass round the hall, layered walls with windows above, following the setback; basements in concrete. */
export const ENVELOPE: readonly Sent[] = [
  {
    command: 'walls.add',
    input: {
      building: 'Hall house',
      name: 'Basement wall',
      use: 'exterior',
      type: { name: 'Basement 300', layers: [{ name: 'concrete', thicknessMm: 300, core: true }] },
      place: 'A-1',
      points: corners('-400,-400 40000,-400 40000,29200 -400,29200'),
      closed: true,
      on: 'outside',
      startsAt: { level: 'B2' },
      stopsAt: { level: '00', face: 'soffit' },
    },
  },
  {
    command: 'walls.add',
    input: {
      building: 'Hall house',
      name: 'Ground wall',
      use: 'exterior',
      type: EXTERIOR,
      place: 'A-1 + -430,-430',
      points: corners(`0,0 ${LONG},0 ${LONG},${DEEP} 0,${DEEP}`),
      closed: true,
      on: 'inside',
      startsAt: { level: '00', face: 'SSL' },
      stopsAt: { level: '01', face: 'SSL' },
      passesClearMm: 30,
    },
  },
  // Two double doors to the foyer, the stage door on E; tall windows to the street and the yard.
  ...openings('Ground wall', 'door', [along.south(4400), along.south(8000)], {
    widthMm: 2000,
    heightMm: 2500,
    leaves: 2,
    opens: 'outwards',
  }),
  ...openings('Ground wall', 'door', [along.north(37_000)], {
    widthMm: 1600,
    heightMm: 2500,
    leaves: 2,
    opens: 'outwards',
  }),
  ...openings(
    'Ground wall',
    'window',
    [1000, 11_000, 15_000, 20_600, 24_200, 27_800, 31_400, 35_000].map((x) => along.south(x)),
    TALL,
  ),
  ...openings(
    'Ground wall',
    'window',
    [1500, 8500, 11_500, 15_000, 18_500, 25_000].map((y) => along.east(y)),
    TALL,
  ),
  ...openings(
    'Ground wall',
    'window',
    [11_000, 7500, 4000].map((x) => along.north(x)),
    TALL,
  ),
  ...openings(
    'Ground wall',
    'window',
    [24_000, 20_000, 16_000, 12_000, 8000, 4000].map((y) => along.west(y)),
    TALL,
  ),
  {
    command: 'walls.add',
    input: {
      building: 'Hall house',
      name: 'Skin',
      use: 'glazed',
      type: { name: 'Glazed 120', layers: [{ name: 'glazing', thicknessMm: 120, core: true }] },
      place: 'A-1 + -430,-430',
      points: corners(`0,0 ${LONG},0 ${LONG},${DEEP} 0,${DEEP}`),
      closed: true,
      on: 'inside',
      startsAt: { level: '01', face: 'SSL' },
      stopsAt: { level: '03', face: 'SSL' },
      passesClearMm: 30,
    },
  },
  {
    command: 'walls.add',
    input: {
      building: 'Hall house',
      name: 'Facade',
      use: 'exterior',
      type: EXTERIOR.name,
      place: 'A-1 + -430,-430',
      points: corners(`0,0 ${LONG},0 ${LONG},${DEEP} 0,${DEEP}`),
      closed: true,
      on: 'inside',
      startsAt: { level: '03', face: 'SSL' },
      stopsAt: { level: '09', face: 'SSL' },
      passesClearMm: 30,
    },
  },
  ...openings(
    'Facade',
    'window',
    ROOMS_X.map((x) => along.south(x - 1050)),
    WINDOW,
  ),
  ...openings(
    'Facade',
    'window',
    ROOMS_EAST_Y.map((y) => along.east(y - 1050)),
    WINDOW,
  ),
  ...openings(
    'Facade',
    'window',
    CORRIDORS_Y.map((y) => along.east(y - 750)),
    END,
  ),
  ...openings(
    'Facade',
    'window',
    [...ROOMS_X].reverse().map((x) => along.north(x + 1050)),
    WINDOW,
  ),
  ...openings('Facade', 'window', LIVING_Y.map((y) => along.west(y + 1050)).reverse(), WINDOW),
  ...openings(
    'Facade',
    'window',
    CORRIDORS_Y.map((y) => along.west(y + 750)),
    END,
  ),
  {
    command: 'walls.add',
    input: {
      building: 'Hall house',
      name: 'Upper facade',
      use: 'exterior',
      type: EXTERIOR.name,
      place: 'A-1',
      points: corners('-430,-430 40030,-430 40030,22630 32830,22630 32830,29230 -430,29230'),
      closed: true,
      on: 'inside',
      startsAt: { level: '09', face: 'SSL' },
      stopsAt: { level: 'RF', face: 'SSL' },
      passesClearMm: 30,
    },
  },
  ...openings('Upper facade', 'window', UPPER.south, WINDOW, UPPER_LEVELS),
  ...openings('Upper facade', 'window', UPPER.east, WINDOW, UPPER_LEVELS),
  ...openings('Upper facade', 'window', UPPER.north, WINDOW, UPPER_LEVELS),
  ...openings('Upper facade', 'window', UPPER.west, WINDOW, UPPER_LEVELS),
  // Out to the terrace, and its wall to lean on.
  ...openings('Upper facade', 'door', [STEP.south + 5500], { widthMm: 1010, heightMm: 2110, opens: 'outwards' }, [
    '09',
  ]),
  {
    command: 'walls.add',
    input: {
      building: 'Hall house',
      name: 'Parapet',
      use: 'exterior',
      type: {
        name: 'Parapet 240',
        layers: [
          { name: 'facing', thicknessMm: 60, core: false },
          { name: 'concrete', thicknessMm: 180, core: true },
        ],
      },
      place: 'A-1',
      points: corners('-400,-400 40000,-400 40000,22600 32800,22600 32800,29200 -400,29200'),
      closed: true,
      on: 'outside',
      startsAt: { level: 'RF' },
      stopsAt: { level: 'PP', face: 'FFL' },
    },
  },
  {
    command: 'walls.add',
    input: {
      building: 'Hall house',
      name: 'Terrace wall',
      use: 'exterior',
      type: 'Parapet 240',
      place: 'A-1',
      points: corners('40000,22960 40000,29200 33160,29200'),
      on: 'outside',
      outside: 'right',
      startsAt: { level: '09' },
      stopsAt: { level: '09', face: 'FFL', offsetMm: 1100 },
    },
  },
];
