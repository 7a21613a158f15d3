import { z } from 'zod';
import { recordKind } from '../kinds/record-kind';
import type { Bounds } from '../kinds/marks';
import { lengthWithin, textSchema } from '../model/fields';
import { idSchema } from '../model/ids';
import type { WallUse } from './wall';

export const LAYER_THICKNESS: Bounds = { moreThanMm: 0, atMostMm: 2000 };

/** A layered build of walls: its layers from the outside inwards, those that carry marked as its core. */
const wallTypeSchema = z.object({
  kind: z.literal('wallType'),
  id: idSchema,
  name: textSchema(40),
  layers: z
    .array(z.object({ name: textSchema(40), thicknessMm: lengthWithin(LAYER_THICKNESS), core: z.boolean() }))
    .min(1, 'A wall has a layer at least')
    .max(12),
});
export type WallType = z.infer<typeof wallTypeSchema>;

/** Types a project may start from. */
export const STARTING_TYPES = [
  {
    name: 'Exterior 400',
    layers: [
      { name: 'facing', thicknessMm: 90, core: false },
      { name: 'insulation', thicknessMm: 110, core: false },
      { name: 'concrete', thicknessMm: 180, core: true },
      { name: 'plaster', thicknessMm: 20, core: false },
    ],
  },
  {
    name: 'Interior 150',
    layers: [
      { name: 'board', thicknessMm: 25, core: false },
      { name: 'studs', thicknessMm: 100, core: true },
      { name: 'board', thicknessMm: 25, core: false },
    ],
  },
  { name: 'Core 250', layers: [{ name: 'concrete', thicknessMm: 250, core: true }] },
  {
    name: 'Party 300',
    layers: [
      { name: 'concrete', thicknessMm: 130, core: true },
      { name: 'separation', thicknessMm: 40, core: false },
      { name: 'concrete', thicknessMm: 130, core: true },
    ],
  },
  { name: 'Glazed 120', layers: [{ name: 'glazing', thicknessMm: 120, core: true }] },
] as const;

/** An imperial type: thicknesses in inches, named by their sum. */
const inInches = (use: string, sum: string, layers: [name: string, inches: number, core: boolean][]) => ({
  name: `${use} ${sum} in`,
  layers: layers.map(([name, inches, core]) => ({ name, thicknessMm: inches * 25.4, core })),
});

/** The same for who builds in feet and inches, in the same order. */
const STARTING_TYPES_IN_FEET = [
  inInches('Exterior', '16', [
    ['facing', 3.625, false],
    ['insulation', 3.625, false],
    ['concrete', 8, true],
    ['plaster', 0.75, false],
  ]),
  inInches('Interior', '4 7/8', [
    ['board', 0.625, false],
    ['studs', 3.625, true],
    ['board', 0.625, false],
  ]),
  inInches('Core', '10', [['concrete', 10, true]]),
  inInches('Party', '12', [
    ['concrete', 5, true],
    ['separation', 2, false],
    ['concrete', 5, true],
  ]),
  inInches('Glazed', '5', [['glazing', 5, true]]),
];

interface StartingType {
  readonly name: string;
  readonly layers: readonly { readonly name: string; readonly thicknessMm: number; readonly core: boolean }[];
}

/** Types to start from, in round lengths of who builds. */
export const startingTypes = (system: 'metric' | 'imperial'): readonly StartingType[] =>
  system === 'imperial' ? STARTING_TYPES_IN_FEET : STARTING_TYPES;

/** The type a wall of a use usually has, by name. */
export const USUAL_TYPE: Record<WallUse, (typeof STARTING_TYPES)[number]['name']> = {
  exterior: 'Exterior 400',
  interior: 'Interior 150',
  core: 'Core 250',
  party: 'Party 300',
  glazed: 'Glazed 120',
};

const USES_IN_ORDER: readonly WallUse[] = ['exterior', 'interior', 'core', 'party', 'glazed'];

/** The name of the type a wall of a use usually has. */
export const usualType = (use: WallUse, system: 'metric' | 'imperial'): string =>
  startingTypes(system)[USES_IN_ORDER.indexOf(use)]!.name;

declare module '../model/kinds' {
  interface Kinds {
    wallType: WallType;
  }
}

export const wallTypeRecords = recordKind({
  kind: 'wallType',
  named: 'in the project',
  words: { one: 'wall type', many: 'wall types' },
  letters: null,
  schema: wallTypeSchema,
  migrations: [],
});
