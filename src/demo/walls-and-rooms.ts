import type { Sent } from '@/core/commands/command-inputs';
import { corners } from './corners';

/** Walls, openings, rooms, ceilings, cores and the rest of both houses. */
export const WALLS_AND_ROOMS: readonly Sent[] = [
  {
    command: 'walls.add',
    input: {
      building: 'Hall house',
      name: 'Core',
      use: 'core',
      type: { name: 'Core 250', layers: [{ name: 'concrete', thicknessMm: 250, core: true }] },
      place: 'B-3 + 250,-4700',
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
      parapet: null,
    },
  },
  // Over its topmost floor the annex has a roof of 35°, with a gable to the street.
  {
    command: 'pitchedRoofs.add',
    input: {
      building: 'Annex',
      name: 'Annex roof',
      walls: ['Annex wall'],
      // High enough that the stair into the attic has its headroom under it.
      eavesAt: { level: 'RF', offsetMm: 1200 },
      slope: 35,
      overhangMm: 450,
      edges: [{ edge: 1, is: 'gable' }],
    },
  },
  { command: 'pitchedRoofs.trimWalls', input: { roof: 'Annex roof', walls: ['Annex wall'] } },
  {
    command: 'roofOpenings.add',
    input: { name: 'Attic dormer', roof: 'Annex roof', edge: 0, alongMm: 11_500, upMm: 900, widthMm: 2600, slope: 35 },
  },
  {
    command: 'roofOpenings.add',
    input: { name: 'Attic window', roof: 'Annex roof', edge: 0, alongMm: 6000, upMm: 2400, is: 'window' },
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
  // Annex rooms under one ceiling, the lobby and the stair hall open.
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
    command: 'project.setSurvey',
    input: { eastingMm: '412300m', northingMm: '98700m', heightMm: '4.2m', trueNorthDeg: 6.1 },
  },
  { command: 'ruleSets.copy', input: { from: 'public', name: 'Tidewater, with sprinklers' } },
  {
    command: 'ruleSets.setLimit',
    input: {
      ruleSet: 'Tidewater, with sprinklers',
      limit: 'escape.deadEnd',
      value: 30_000,
      source: 'Fire strategy, draft 2: sprinklers throughout',
    },
  },
  {
    command: 'project.describe',
    input: {
      code: 'TY-04',
      client: 'Tidewater Trust',
      address: '4 Slipway Lane, Tidewater',
      rules: 'Tidewater, with sprinklers',
    },
  },
];
