import type { Sent } from '@/core/commands/command-inputs';

/** The annex beside it and its rotunda, and what both houses have of exceptions and stairs. */
export const ANNEX: readonly Sent[] = [
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
      { name: 'ST1', place: 'B-3 + 450,-3300', startsAt: 'B2', turn: 'left', opening: 'well' },
      { name: 'ST2', place: 'C-3 + 450,5500', startsAt: 'B1', turn: 'right', opening: 'well', entry: 2 },
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
      form: 'threeFlight',
      well: { type: 'rectangle', place: 'P-23 + 1200,600', widthMm: 3900, depthMm: 5100 },
      widthMm: 1200,
    },
  },
];
