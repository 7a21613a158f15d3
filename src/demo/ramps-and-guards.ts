import type { Sent } from '@/core/commands/command-inputs';

/** The stair of the foyer, the ways in where the ground lies higher and lower, and what keeps one from falling. */
export const RAMPS_AND_GUARDS: readonly Sent[] = [
  {
    command: 'stairs.add',
    input: {
      building: 'Hall house',
      name: 'ST4',
      form: 'circular',
      begin: { place: { lines: null, xMm: 6400, yMm: 7750 }, towardsDeg: 90 },
      widthMm: 1200,
      startsAt: { level: '00' },
      stopsAt: { level: '02' },
    },
  },
  // The ground falls 310 to the west of the way in, and rises 180 to the east.
  {
    command: 'slopedFloors.add',
    input: {
      building: 'Hall house',
      name: 'Apron',
      baseAt: { level: '00' },
      rules: 'general',
      corners: [
        { xMm: 1000, yMm: -5750, heightMm: -310 },
        { xMm: 13_600, yMm: -5750, heightMm: 180 },
        { xMm: 10_200, yMm: -750, heightMm: 0 },
        { xMm: 4400, yMm: -750, heightMm: 0 },
      ],
    },
  },
  {
    command: 'ramps.add',
    input: {
      building: 'Annex',
      name: 'Entry ramp',
      place: { lines: null, xMm: 14_300, yMm: -2000 },
      towardsDeg: 180,
      widthMm: 1500,
      startsAt: { level: '00', offsetMm: -600 },
      stopsAt: { level: '00' },
    },
  },
  ...['Hall house', 'Annex'].map((building): Sent => ({
    command: 'guards.add',
    input: { building, name: building === 'Annex' ? 'Annex edges' : 'Edges', along: { of: 'edges' } },
  })),
  {
    command: 'guards.add',
    input: { building: 'Annex', name: 'Ramp rails', along: { of: 'ramp', ramp: 'Entry ramp', side: 'both' } },
  },
  ...(['ST1', 'ST2', 'ST4'] as const).map((stair): Sent => ({
    command: 'guards.add',
    input: {
      building: 'Hall house',
      name: `Handrails ${stair}`,
      is: 'handrail',
      along: { of: 'stair', stair, side: 'both' },
    },
  })),
  {
    command: 'guards.add',
    input: {
      building: 'Annex',
      name: 'Handrails ST3',
      is: 'handrail',
      along: { of: 'stair', stair: 'ST3', side: 'both' },
    },
  },
  // Falls of 2 %: on the roof to two outlets, on the terrace to one in its corner.
  {
    command: 'fallLayers.add',
    input: {
      building: 'Hall house',
      name: 'Roof falls',
      on: 'Tower',
      level: 'RF',
      outlets: ['9000,14400', '30600,14400'],
    },
  },
  {
    command: 'fallLayers.add',
    input: {
      building: 'Hall house',
      name: 'Terrace falls',
      on: 'Podium',
      level: '09',
      slope: 1.5,
      outlets: ['36600,26000'],
    },
  },
];
