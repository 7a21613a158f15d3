import type { Sent } from '@/core/commands/command-inputs';

/** The hall house: its levels, grid, floors, columns and shafts. */
export const HALL_HOUSE: readonly Sent[] = [
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
        place: 'B-3 + 300,4800',
        widthMm: 2200,
        depthMm: 2400,
        startsAt: 'B2',
        opensHead: false,
      },
      {
        name: 'L2',
        purpose: 'lift',
        place: 'B-3 + 300,7500',
        widthMm: 2200,
        depthMm: 2400,
        startsAt: 'B2',
        opensHead: false,
      },
      {
        name: 'L3',
        purpose: 'lift',
        place: 'B-3 + 300,10200',
        widthMm: 2200,
        depthMm: 2400,
        startsAt: 'B1',
        opensHead: false,
      },
      {
        name: 'Su',
        purpose: 'supply',
        place: 'B-3 + 2700,4800',
        widthMm: 600,
        depthMm: 3600,
        startsAt: 'B1',
        opensHead: true,
      },
      {
        name: 'Ex',
        purpose: 'extract',
        place: 'B-3 + 2700,9000',
        widthMm: 600,
        depthMm: 3600,
        startsAt: '00',
        opensHead: true,
      },
      {
        name: 'El',
        purpose: 'electrical',
        place: 'B-3 + 300,3600',
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
];
