import type { Sent } from '@/core/commands/command-inputs';

/** Corners typed as pairs of millimetres. */
const corners = (text: string) =>
  text.split(' ').map((pair) => {
    const [xMm = 0, yMm = 0] = pair.split(',').map(Number);
    return { xMm, yMm };
  });

/**
 * "Tidewater Yard", a made-up music school with student rooms: the hall house and the annex, as a script of commands. Everything
 * shown in pictures and tests is made by this script.
 */
export const TIDEWATER_YARD: readonly Sent[] = [
  { command: 'project.start', input: { name: 'Tidewater Yard' } },
  { command: 'buildings.add', input: { name: 'Hall house' } },
  { command: 'dimensions.define', input: { name: 'typical', value: 3300, note: 'Floor to floor of the rooms' } },
  {
    command: 'levels.take',
    input: {
      rows: [
        { name: 'B2', title: 'Plant', fflMm: -7500, buildUpMm: 100, levelKind: 'basement' },
        { name: 'B1', title: 'Store', fflMm: -3900, buildUpMm: 100, levelKind: 'basement' },
        { name: '00', title: 'Foyer', fflMm: 0, buildUpMm: 150, levelKind: 'storey' },
        { name: '01', title: 'Hall', fflMm: 5400, buildUpMm: 150, levelKind: 'storey' },
        { name: '02', title: 'Gallery', fflMm: 10200, buildUpMm: 150, levelKind: 'storey' },
        ...Array.from({ length: 9 }, (_, i) => ({
          name: String(i + 3).padStart(2, '0'),
          title: 'Rooms',
          fflMm: 15000 + i * 3300,
          buildUpMm: 80,
          levelKind: 'storey' as const,
        })),
        { name: '12', title: 'Plant', fflMm: 44700, buildUpMm: 100, levelKind: 'plant' },
        { name: 'RF', title: 'Roof', fflMm: 48600, buildUpMm: 0, levelKind: 'roof' },
        { name: 'PP', title: 'Parapet', fflMm: 49800, buildUpMm: 0, levelKind: 'datum' },
      ],
    },
  },
  {
    command: 'grids.add',
    input: { name: 'Hall grid', baysA: '2@7200 3600 3@7200', baysB: '6600 2@7800 6600', extensionMm: 1500 },
  },
  { command: 'grids.splitBay', input: { line: 'B', ratio: 0.5, suffix: '.1' } },
  { command: 'grids.splitBay', input: { line: 'E', ratio: 0.5, suffix: '.1' } },
  {
    command: 'floors.add',
    input: {
      name: 'Podium',
      outline: { type: 'gridOffset', offsetMm: 400 },
      thicknessMm: 280,
      levels: { range: ['B2', '09'] },
    },
  },
  {
    command: 'floors.add',
    input: {
      name: 'Tower',
      outline: {
        type: 'polygon',
        place: { lines: ['1', 'A'], xMm: 0, yMm: 0 },
        points: [
          { xMm: -400, yMm: -400 },
          { xMm: 40000, yMm: -400 },
          { xMm: 40000, yMm: 22600 },
          { xMm: 32800, yMm: 22600 },
          { xMm: 32800, yMm: 29200 },
          { xMm: -400, yMm: 29200 },
        ],
      },
      thicknessMm: 250,
      levels: { range: ['10', 'RF'] },
    },
  },
  {
    command: 'columns.placeAtCrossings',
    input: {
      lines: ['1', '2', '5', '6', 'A', 'B', 'C', 'D', 'E'],
      section: { shape: 'rectangle', widthMm: 500, depthMm: 500 },
    },
  },
  {
    command: 'columns.placeAtCrossings',
    input: { lines: ['7', 'A', 'B', 'C', 'D'], section: { shape: 'rectangle', widthMm: 500, depthMm: 500 } },
  },
  {
    command: 'columns.placeAtCrossings',
    input: {
      lines: ['7', 'E'],
      section: { shape: 'rectangle', widthMm: 500, depthMm: 500 },
      stopsAt: { level: '09', face: 'soffit' },
    },
  },
  {
    command: 'columns.placeAtCrossings',
    input: { lines: ['3', '4', 'A', 'E'], section: { shape: 'circle', diameterMm: 550 } },
  },
  ...(
    [
      {
        name: 'L1',
        purpose: 'lift',
        place: 'B-3 + 300,3900',
        widthMm: 2200,
        depthMm: 2400,
        startsAt: 'B2',
        opensHead: false,
      },
      {
        name: 'L2',
        purpose: 'lift',
        place: 'B-3 + 300,6600',
        widthMm: 2200,
        depthMm: 2400,
        startsAt: 'B2',
        opensHead: false,
      },
      {
        name: 'L3',
        purpose: 'lift',
        place: 'B-3 + 300,9300',
        widthMm: 2200,
        depthMm: 2400,
        startsAt: 'B1',
        opensHead: false,
      },
      {
        name: 'Su',
        purpose: 'supply',
        place: 'B-3 + 2700,3900',
        widthMm: 600,
        depthMm: 3600,
        startsAt: 'B1',
        opensHead: true,
      },
      {
        name: 'Ex',
        purpose: 'extract',
        place: 'B-3 + 2700,8100',
        widthMm: 600,
        depthMm: 3600,
        startsAt: '00',
        opensHead: true,
      },
      {
        name: 'El',
        purpose: 'electrical',
        place: 'B-3 + 300,2700',
        widthMm: 1500,
        depthMm: 900,
        startsAt: 'B2',
        opensHead: false,
      },
    ] as const
  ).map(({ name, purpose, place, widthMm, depthMm, startsAt, opensHead }): Sent => ({
    command: 'shafts.add',
    input: {
      name,
      purpose,
      outline: { type: 'rectangle', place, widthMm, depthMm },
      startsAt: { level: startsAt },
      ...(opensHead ? { stopsAt: { level: 'RF' } } : {}),
      opensHead,
    },
  })),
  {
    command: 'shafts.add',
    input: {
      name: 'Hall',
      purpose: 'void',
      outline: { type: 'rectangle', place: 'B-5 + 600,600', widthMm: 13200, depthMm: 14400 },
      startsAt: { level: '01' },
      stopsAt: { level: '03', face: 'soffit' },
    },
  },
  {
    command: 'levels.setBudget',
    input: { building: 'Hall house', beamMm: 200, servicesMm: 250, ceilingMm: 30, targetMm: 2450 },
  },
  { command: 'levels.setBudget', input: { level: '01', servicesMm: 600, targetMm: 3600 } },
  { command: 'buildings.add', input: { name: 'Annex', zeroMm: 600, xMm: 42000, yMm: 3000 } },
  { command: 'levels.setUp', input: { building: 'Annex', above: '4.2m 2@3.6m', buildUpMm: 100 } },
  {
    command: 'grids.add',
    input: {
      building: 'Annex',
      name: 'Annex grid',
      baysA: '3@5400',
      baysB: '2@6000',
      labelsA: { first: '21' },
      labelsB: { first: 'P', skip: 'IO' },
      extensionMm: 1500,
    },
  },
  {
    command: 'floors.add',
    input: {
      building: 'Annex',
      name: 'Annex floor',
      outline: { type: 'gridOffset', system: 'Annex grid', offsetMm: 300 },
      thicknessMm: 240,
    },
  },
  {
    command: 'columns.placeAtCrossings',
    input: {
      building: 'Annex',
      lines: ['21', '22', '23', '24', 'P', 'Q', 'R'],
      section: { shape: 'circle', diameterMm: 400 },
    },
  },
  {
    command: 'shafts.add',
    input: {
      building: 'Annex',
      name: 'L4',
      purpose: 'lift',
      outline: { type: 'rectangle', place: 'P-22 + 1500,1500', widthMm: 2000, depthMm: 2200 },
    },
  },
  {
    command: 'grids.addRadial',
    input: {
      building: 'Annex',
      name: 'Rotunda',
      angles: '4@30',
      radii: '4200 4800',
      xMm: 16200,
      yMm: 6000,
      turnDeg: -60,
      labelsA: { first: '31' },
      labelsB: { first: 'T', skip: 'IO' },
      extensionMm: 1200,
    },
  },
  {
    command: 'floors.add',
    input: {
      building: 'Annex',
      name: 'Rotunda floor',
      outline: { type: 'gridOffset', system: 'Rotunda', offsetMm: 300 },
      thicknessMm: 240,
      levels: { range: ['00', '02'] },
    },
  },
  {
    command: 'columns.placeAtCrossings',
    input: {
      building: 'Annex',
      lines: ['31', '32', '33', '34', '35', 'T', 'U'],
      section: { shape: 'rectangle', widthMm: 500, depthMm: 250 },
      stopsAt: { level: '02' },
    },
  },
  {
    command: 'settingOut.add',
    input: { building: 'Hall house', lines: ['A', 'E'], offsetMm: 250, side: 'interior', name: 'Face' },
  },
  {
    command: 'columns.except',
    input: {
      columns: ['B-2', 'C-2', 'B-5', 'C-5', 'D-2'],
      level: '06',
      upwards: true,
      section: { shape: 'rectangle', widthMm: 400, depthMm: 400 },
    },
  },
  {
    command: 'columns.setBlocks',
    input: {
      columns: ['B-2', 'C-2', 'D-2'],
      head: { widthMm: 1400, depthMm: 1400, heightMm: 350 },
      at: ['01', '02', '03'],
    },
  },
  ...(
    [
      { name: 'ST1', place: 'B-3 + 450,-4200', startsAt: 'B2', turn: 'left', opening: 'well' },
      { name: 'ST2', place: 'C-3 + 450,4600', startsAt: 'B1', turn: 'right', opening: 'well', entry: 2 },
    ] as const
  ).map(({ name, place, startsAt, ...how }): Sent => ({
    command: 'stairs.add',
    input: {
      building: 'Hall house',
      name,
      well: { type: 'rectangle', place, widthMm: 2700, depthMm: 5600 },
      startsAt: { level: startsAt },
      ...how,
    },
  })),
  {
    command: 'stairs.add',
    input: {
      building: 'Annex',
      name: 'ST3',
      well: { type: 'rectangle', place: 'P-23 + 1200,600', widthMm: 2600, depthMm: 5400 },
      opening: 'tight',
    },
  },
  {
    command: 'walls.add',
    input: {
      building: 'Hall house',
      name: 'Core',
      use: 'core',
      type: { name: 'Core 250', layers: [{ name: 'concrete', thicknessMm: 250, core: true }] },
      place: 'B-3 + 250,-5600',
      points: corners('0,0 3100,0 3100,25000 0,25000'),
      closed: true,
      on: 'inside',
      startsAt: { level: 'B2' },
      stopsAt: { level: 'RF' },
      passesClearMm: 0,
    },
  },
  // Stairs are reached from the two ends, lifts from the west.
  ...[950, 29_050].map((alongMm): Sent => ({
    command: 'walls.addOpening',
    input: { wall: 'Core', opening: 'door', alongMm, widthMm: 1200, opens: 'outwards' },
  })),
  ...[39_550, 42_250, 44_950].map((alongMm): Sent => ({
    command: 'walls.addOpening',
    input: { wall: 'Core', opening: 'plain', alongMm, widthMm: 1100 },
  })),
  {
    command: 'walls.add',
    input: {
      building: 'Hall house',
      name: 'Skin',
      use: 'glazed',
      type: { name: 'Glazed 120', layers: [{ name: 'glazing', thicknessMm: 120, core: true }] },
      place: 'A-1 + -430,-430',
      points: corners('0,0 40460,0 40460,29660 0,29660'),
      closed: true,
      on: 'inside',
      startsAt: { level: '00', face: 'FFL' },
      stopsAt: { level: '09', face: 'SSL' },
      passesClearMm: 30,
    },
  },
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
      building: 'Annex',
      name: 'Annex wall',
      use: 'exterior',
      type: {
        name: 'Exterior 400',
        layers: [
          { name: 'facing', thicknessMm: 90, core: false },
          { name: 'insulation', thicknessMm: 110, core: false },
          { name: 'concrete', thicknessMm: 180, core: true },
          { name: 'plaster', thicknessMm: 20, core: false },
        ],
      },
      place: 'P-21 + -260,-260',
      points: corners('0,0 16720,0 16720,12520 0,12520'),
      closed: true,
      on: 'coreInside',
      startsAt: { level: '00' },
      stopsAt: { level: 'RF' },
    },
  },
  ...[1700, 7100, 12_500].flatMap((alongMm) =>
    [alongMm, 43_560 - alongMm].map((along): Sent => ({
      command: 'walls.addOpening',
      input: { wall: 'Annex wall', opening: 'window', alongMm: along, widthMm: 2400, heightMm: 1700, sillMm: 900 },
    })),
  ),
  {
    command: 'walls.addOpening',
    input: {
      wall: 'Annex wall',
      opening: 'door',
      alongMm: 4700,
      widthMm: 1600,
      leaves: 2,
      opens: 'outwards',
      at: ['00'],
    },
  },
  {
    command: 'walls.add',
    input: {
      building: 'Annex',
      name: 'Corridor',
      use: 'interior',
      type: {
        name: 'Interior 150',
        layers: [
          { name: 'board', thicknessMm: 25, core: false },
          { name: 'studs', thicknessMm: 100, core: true },
          { name: 'board', thicknessMm: 25, core: false },
        ],
      },
      place: 'Q-21 + -260,900',
      points: corners('0,0 16720,0'),
      startsAt: { level: '00' },
      stopsAt: { level: 'RF' },
    },
  },
  ...[5660, 11_060].map((xMm, i): Sent => ({
    command: 'walls.add',
    input: {
      building: 'Annex',
      name: `Between ${i + 1}`,
      use: 'interior',
      type: 'Interior 150',
      place: 'Q-21 + -260,900',
      points: [
        { xMm, yMm: 0 },
        { xMm, yMm: 5360 },
      ],
      startsAt: { level: '00' },
      stopsAt: { level: 'RF' },
    },
  })),
  ...[2000, 7200, 12_600].map((alongMm): Sent => ({
    command: 'walls.addOpening',
    input: { wall: 'Corridor', opening: 'door', alongMm },
  })),
  ...(
    [
      { name: 'Practice', use: 'teaching', place: 'Q-21 + 2700,3600' },
      { name: 'Ensemble', use: 'teaching', place: 'Q-22 + 2700,3600' },
      { name: 'Store', use: 'storage', place: 'Q-23 + 2700,3600' },
      { name: 'Lobby', use: 'circulation', place: 'P-21 + 4000,4400' },
    ] as const
  ).map(({ name, use, place }): Sent => ({
    command: 'rooms.add',
    input: { building: 'Annex', level: '00', name, use, place },
  })),
  {
    command: 'floors.change',
    input: { floor: 'Annex floor', outline: { type: 'walls', walls: ['Annex wall'], face: 'coreOutside' } },
  },
  {
    command: 'roofs.addFlat',
    input: {
      building: 'Annex',
      walls: ['Annex wall'],
      face: 'coreOutside',
      parapet: { type: 'Parapet 240', heightMm: 600 },
    },
  },
  {
    command: 'foundations.add',
    input: { building: 'Hall house', form: 'raft', thicknessMm: 1200, subgradeKnM3: 25_000 },
  },
  { command: 'foundations.add', input: { building: 'Annex', form: 'pads', name: 'Annex pads' } },
  {
    command: 'foundations.add',
    input: { building: 'Annex', form: 'strips', name: 'Annex strips', under: ['Annex wall'], widthMm: 1200 },
  },
  { command: 'cores.add', input: { name: 'K1', ids: ['Core', 'ST1', 'ST2', 'L1', 'L2', 'L3'] } },
  {
    command: 'walls.except',
    input: {
      wall: 'Core',
      level: '08',
      upwards: true,
      type: { name: 'Core 200', layers: [{ name: 'concrete', thicknessMm: 200, core: true }] },
    },
  },
  // Student rooms along the south of level 03, and alike up to level 08.
  {
    command: 'walls.add',
    input: {
      building: 'Hall house',
      name: 'Rooms corridor',
      type: 'Interior 150',
      place: 'A-4 + 1000,8400',
      points: corners('0,0 21030,0'),
      startsAt: { level: '03' },
    },
  },
  ...[1000, 7200, 14_400].map((xMm, i): Sent => ({
    command: 'walls.add',
    input: {
      building: 'Hall house',
      name: `Rooms ${i + 1}`,
      type: 'Interior 150',
      place: 'A-4',
      points: [
        { xMm, yMm: -430 },
        { xMm, yMm: 8400 },
      ],
      startsAt: { level: '03' },
    },
  })),
  ...[2000, 8700, 15_900].map((alongMm): Sent => ({
    command: 'walls.addOpening',
    input: { wall: 'Rooms corridor', opening: 'door', alongMm },
  })),
  ...['A-4 + 4000,3300', 'A-5 + 3600,3300', 'A-6 + 3600,3300'].map((place, i): Sent => ({
    command: 'rooms.add',
    input: {
      building: 'Hall house',
      level: '03',
      name: `Student room ${i + 1}`,
      use: 'dwelling',
      place,
      carriedUp: false,
    },
  })),
  {
    command: 'typical.follow',
    input: { building: 'Hall house', name: 'Student floors', master: '03', levels: ['04', '05', '06', '07', '08'] },
  },
  // A wet room of each student room lies lower, its build-up makes up for it.
  ...[4600, 11_200, 18_400].map((xMm, i): Sent => ({
    command: 'floors.setZone',
    input: {
      floor: 'Podium',
      name: `Wet ${i + 1}`,
      outline: { type: 'rectangle', place: `A-4 + ${xMm},6300`, widthMm: 2000, depthMm: 1900 },
      levels: ['03'],
      shiftMm: -60,
      buildUpMm: 140,
      thicknessMm: 220,
    },
  })),
  // Annex rooms under one ceiling, the lobby and the stair hall open; the student rooms lower.
  {
    command: 'ceilings.add',
    input: {
      building: 'Annex',
      name: 'Annex rooms',
      rooms: ['00.01', '00.02', '00.03'],
      heightMm: 3000,
      thicknessMm: 60,
    },
  },
  {
    command: 'ceilings.add',
    input: {
      building: 'Hall house',
      name: 'Student rooms',
      rooms: ['03.01', '03.02', '03.03'],
      heightMm: 2450,
      thicknessMm: 40,
    },
  },
  {
    command: 'project.setSurvey',
    input: { eastingMm: '412300m', northingMm: '98700m', heightMm: '4.2m', trueNorthDeg: 6.1 },
  },
  {
    command: 'project.describe',
    input: { code: 'TY-04', client: 'Tidewater Trust', address: '4 Slipway Lane, Tidewater' },
  },
];
