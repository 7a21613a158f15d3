import type { Step } from '../commands/command-inputs';
import { corners } from './drawn';

/** One layer of concrete. */
export const layers = (thicknessMm: number) => [{ name: 'concrete', thicknessMm, core: true }];
/** A digest, made up. */
export const SHA = (n: number) => n.toString(16).padStart(64, '0');
/** A rectangle 9 m deep. */
export const square = (widthMm: number, place = '0,0') => ({
  type: 'rectangle' as const,
  place,
  widthMm,
  depthMm: 9000,
});

/** A framework with a thing of every kind, so that every command finds something to work on. */
export const RICH: Step[] = [
  ['buildings.add', { name: 'West' }],
  ['levels.setUp', { building: 'West', above: '5.4m 2@4.8m 3@3.3m', below: '3.6m' }],
  ['grids.add', { building: 'West', name: 'G1', baysA: '2@7200 3600 7200', baysB: '6600 7800' }],
  [
    'grids.addRadial',
    {
      building: 'West',
      name: 'Fan',
      angles: '3@15',
      radii: '8m 4m',
      labelsA: { first: '31' },
      labelsB: { first: 'R' },
      xMm: 60_000,
    },
  ],
  [
    'grids.addFree',
    {
      building: 'West',
      name: 'Free',
      lines: [{ path: { x0Mm: -3000, y0Mm: 20_000, x1Mm: 20_000, y1Mm: 26_000 }, label: 'Z' }],
    },
  ],
  ['floors.add', { building: 'West', name: 'Plate', outline: { type: 'gridOffset', system: 'G1', offsetMm: 300 } }],
  ['floors.setZone', { floor: 'Plate', outline: square(3000, '15000,1000'), shiftMm: -50 }],
  [
    'columns.placeAtCrossings',
    { building: 'West', lines: ['1', '2', 'A', 'B'], section: { shape: 'circle', diameterMm: 500 } },
  ],
  ['shafts.add', { building: 'West', name: 'S1', outline: square(2400, '2000,1500') }],
  [
    'stairs.add',
    { building: 'West', name: 'ST1', well: { type: 'rectangle', place: '9000,7000', widthMm: 2700, depthMm: 5600 } },
  ],
  ['guards.add', { building: 'West', name: 'GD1', along: { of: 'edges', edges: 'outer' } }],
  [
    'ramps.add',
    {
      building: 'West',
      name: 'RA1',
      place: '-9000,-9000',
      startsAt: { level: '00' },
      stopsAt: { level: '00', offsetMm: 600 },
    },
  ],
  [
    'pitchedRoofs.add',
    {
      building: 'West',
      name: 'PR1',
      outline: { type: 'rectangle', place: '-9000,-40000', widthMm: 9000, depthMm: 7000 },
      eavesAt: { level: '00', offsetMm: 3000 },
      edges: [{ edge: 1, is: 'gable' }],
    },
  ],
  ['roofOpenings.add', { name: 'RO1', roof: 'PR1', edge: 0, alongMm: 4500, widthMm: 1200, heightMm: 700 }],
  ['fallLayers.add', { building: 'West', name: 'FL1', outlets: ['3000,3000', '9000,3000'], edges: [{ edge: 0 }] }],
  [
    'slopedFloors.add',
    {
      building: 'West',
      name: 'SF1',
      place: '-9000,-20000',
      baseAt: { level: '00' },
      corners: [
        { xMm: 0, yMm: 0, heightMm: 150 },
        { xMm: 1000, yMm: 0, heightMm: 0 },
        { xMm: 1000, yMm: 3000, heightMm: 0 },
        { xMm: 0, yMm: 3000, heightMm: 150 },
      ],
    },
  ],
  [
    'walls.add',
    {
      building: 'West',
      name: 'P',
      type: { name: 'T', layers: layers(200) },
      points: [
        { xMm: 0, yMm: 20_000 },
        { xMm: 9000, yMm: 20_000 },
      ],
      startsAt: { level: '00' },
    },
  ],
  [
    'walls.add',
    {
      building: 'West',
      name: 'Q',
      type: 'T',
      points: [
        { xMm: 0, yMm: 22_000 },
        { xMm: 9000, yMm: 22_000 },
      ],
      startsAt: { level: '00' },
    },
  ],
  // Two that meet at their ends and are alike.
  ...(['14000,30000 17000,30000', '17000,30000 17000,33000'] as const).map((points, i): Step => [
    'walls.add',
    { building: 'West', name: `J${i + 1}`, type: 'T', points: corners(points), startsAt: { level: '00' } },
  ]),
  ['walls.addOpening', { wall: 'P', opening: 'door', alongMm: 1000 }],
  // One over the first, without its door.
  [
    'walls.add',
    {
      building: 'West',
      name: 'Over',
      type: 'T',
      points: [
        { xMm: 0, yMm: 20_000 },
        { xMm: 9000, yMm: 20_000 },
      ],
      startsAt: { level: '01' },
    },
  ],
  ['walls.holdClear', { walls: ['P', 'Q'], widthMm: 1500 }],
  ['rooms.add', { level: '00', building: 'West', place: '4000,21000', name: 'Room' }],
  [
    'rooms.addBoundary',
    {
      level: '00',
      building: 'West',
      points: [
        { xMm: 3000, yMm: 19_000 },
        { xMm: 3000, yMm: 24_000 },
      ],
    },
  ],
  ['foundations.add', { building: 'West', form: 'pads' }],
  ['ceilings.add', { building: 'West' }],
  ['beams.add', { building: 'West', line: 'A', between: ['1', '2'] }],
  ['settingOut.add', { lines: ['A'], offsetMm: 210, side: 'positive', name: 'Face' }],
  ['cores.add', { ids: ['S1'] }],
  ['typical.follow', { building: 'West', master: '02', levels: ['03'] }],
  ['columns.except', { columns: ['B-2'], level: '01', xMm: 50 }],
  ['views.keep', { building: 'West', name: 'Kept', level: '01' }],
  ['dimensions.define', { name: 'typical', value: 3300 }],
  ['presets.save', { name: 'P', system: 'G1' }],
  ['ruleSets.copy', { name: 'House', from: 'private' }],
  ['shafts.change', { shaft: 'S1', purpose: 'lift' }],
  ['shafts.setLift', { shaft: 'S1', lift: { stops: ['00', '02'] } }],
  [
    'underlays.add',
    { building: 'West', name: 'Sketch', sha256: SHA(1), content: 'picture', width: 800, height: 600, mmPerUnit: 20 },
  ],
  ['buildings.add', { name: 'Left', xMm: 200_000 }],
  ['buildings.add', { name: 'Right', xMm: 212_000, zeroMm: 600 }],
  ['carry.wholeBuilding', { building: 'Left', storeys: '3@3.3m', outline: square(12_000) }],
  ['carry.wholeBuilding', { building: 'Right', storeys: '3@3.3m', outline: square(9000) }],
  ['roofs.addFlat', { building: 'Left' }],
  ['buildings.add', { name: 'Empty', xMm: 500_000 }],
];
