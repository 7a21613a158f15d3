import { z } from 'zod';
import { MATERIALS } from '../columns/column';
import { storeyLevels } from '../levels/resolve-levels';
import { defineCommand } from '../commands/command';
import type { InputsOf } from '../commands/command-inputs';
import type { Edit } from '../model/edit';
import { textSchema } from '../model/fields';
import { freeName, refuseTaken } from '../commands/free-name';
import { recordsOf } from '../model/framework';
import type { Id } from '../model/ids';
import { LengthReader, lengthInputSchema, refuseNow, refusing, saidLength } from '../commands/length-input';
import { lengthPlus } from '../dimensions/resolve-length';
import { buildingReferred, levelReferred, refSchema, thingReferred } from '../commands/refer';
import { outlineFromWalls } from '../walls/outline-from-walls';
import { STARTING_TYPES } from '../walls/wall-type';
import { takeType, typeInputSchema } from '../walls/wall-input';
import { named, step } from '../commands/step-of';
import { FALL_COMMANDS, fallFields } from '../falls/fall-commands';
import { carryingWalls } from './carrying-walls';
import { ROOF_FACES, type Roof, PARAPET_HEIGHT, ROOF_OVERHANG, ROOF_THICKNESS } from './roof';

const parapetSchema = z.strictObject({
  type: typeInputSchema.default(STARTING_TYPES[0] as unknown as z.infer<typeof typeInputSchema>),
  heightMm: lengthInputSchema.default(900),
});

/** A floor that lay where the roof comes to lie ends a level lower; one that serves only this level goes. */
function makeWay(edit: Edit, building: Id, level: Id): void {
  const storeys = storeyLevels(edit.before, building).map(({ id }) => id);
  for (const plate of recordsOf(edit.before, 'floorPlate')) {
    if (plate.building !== building) continue;
    const { levels } = plate;
    if ('at' in levels) {
      const at = levels.at.filter((id) => id !== level);
      if (at.length === levels.at.length) continue;
      if (at.length === 0) edit.remove(plate.id);
      else edit.set('floorPlate', plate.id, { levels: { at } });
      continue;
    }
    const ranks = levels.range.map((id) => storeys.indexOf(id));
    const [low, high] = [Math.min(...ranks), Math.max(...ranks)];
    const rank = storeys.indexOf(level);
    if (rank < low || rank > high) continue;
    const left = storeys.slice(low, high + 1).filter((id) => id !== level);
    const exceptions = plate.exceptions.filter((each) => each.level !== level);
    if (left.length === 0) edit.remove(plate.id);
    else if (rank === high)
      edit.set('floorPlate', plate.id, { levels: { range: [left[0]!, left.at(-1)!] }, exceptions });
    else edit.set('floorPlate', plate.id, { levels: { at: left }, exceptions });
  }
}

const readParapet = (edit: Edit, parapet: z.infer<typeof parapetSchema> | null): Roof['parapet'] =>
  parapet && {
    type: takeType(edit, parapet.type),
    heightMm: new LengthReader(edit.before).read(parapet.heightMm, 'parapet heightMm', PARAPET_HEIGHT).stored,
  };

const addFlat = defineCommand({
  name: 'roofs.addFlat',
  title: 'Add a flat roof with a parapet on the walls that carry it; a floor that lay there makes way',
  input: z.strictObject({
    building: refSchema.optional(),
    name: textSchema(40).optional(),
    /** The topmost level where not said. */
    level: refSchema.optional(),
    walls: z.array(refSchema).min(1, 'Choose a wall').max(200).optional(),
    face: z.enum(ROOF_FACES).default('coreInside'),
    /** Past the outside of the walls, in place of a parapet. */
    overhangMm: lengthInputSchema.default(0),
    thicknessMm: lengthInputSchema.default(250),
    material: z.enum(MATERIALS).default('concrete'),
    /** Not said: one of 900, or none with an overhang. */
    parapet: parapetSchema.nullable().optional(),
    /** Laid on it. */
    falls: z.strictObject(fallFields).optional(),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const building = buildingReferred(edit.before, input.building);
      const top = storeyLevels(edit.before, building).at(-1);
      const level = input.level ? levelReferred(edit.before, input.level, building) : top;
      if (!level) return refuseNow('Set up the levels before roofing them', ['level']);
      if (!level.bounding || level.below === null)
        refuseNow(`Level ${level.record.name} has no storey under it to roof`, ['level']);
      refuseTaken(edit.before, 'roof', input.name);
      if (recordsOf(edit.before, 'roof').some((each) => each.building === building && each.level === level.id))
        refuseNow(`Level ${level.record.name} has a roof already. Change that one`, ['level']);
      const walls = carryingWalls(edit.before, building, level.id, input.walls);
      if (walls.length === 0)
        refuseNow(`No exterior wall reaches level ${level.record.name}. Choose the walls it lies within`, ['walls']);
      if (!outlineFromWalls(edit.before, { walls, face: input.face, offsetMm: 0 }))
        refuseNow('These walls do not go round one after another. Choose walls that close', ['walls']);
      makeWay(edit, building, level.id);
      const reader = new LengthReader(edit.before);
      const over = reader.read(input.overhangMm, 'overhangMm', ROOF_OVERHANG);
      const parapet = input.parapet === undefined ? (over.mm > 0 ? null : parapetSchema.parse({})) : input.parapet;
      const { id } = edit.add<'roof'>({
        kind: 'roof',
        building,
        name: input.name ?? freeName(edit.before, 'roof'),
        form: 'flat',
        level: level.id,
        walls,
        face: input.face,
        overhangMm: over.stored,
        thicknessMm: reader.read(input.thicknessMm, 'thicknessMm', ROOF_THICKNESS).stored,
        material: input.material,
        parapet: readParapet(edit, parapet),
      });
      return input.falls
        ? (step(edit, named(FALL_COMMANDS, 'fallLayers.add'), { building, ...input.falls, on: id }, 1) ?? undefined)
        : undefined;
    }),
  sentence: (before, input) => `Flat roof ${input.name ?? freeName(before, 'roof')} added`,
});

const change = defineCommand({
  name: 'roofs.change',
  title: 'Change a roof',
  input: z.strictObject({
    roof: refSchema,
    name: textSchema(40).optional(),
    walls: z.array(refSchema).min(1, 'Choose a wall').max(200).optional(),
    face: z.enum(ROOF_FACES).optional(),
    overhangMm: lengthInputSchema.optional(),
    thicknessMm: lengthInputSchema.optional(),
    material: z.enum(MATERIALS).optional(),
    parapet: parapetSchema.nullable().optional(),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const roof = thingReferred(edit.before, 'roof', input.roof);
      refuseTaken(edit.before, 'roof', input.name, roof.id);
      const walls = input.walls && carryingWalls(edit.before, roof.building, roof.level, input.walls);
      if (walls && !outlineFromWalls(edit.before, { walls, face: input.face ?? roof.face, offsetMm: 0 }))
        refuseNow('These walls do not go round one after another. Choose walls that close', ['walls']);
      const reader = new LengthReader(edit.before);
      edit.set('roof', roof.id, {
        name: input.name,
        walls,
        face: input.face,
        overhangMm:
          input.overhangMm === undefined
            ? undefined
            : reader.read(input.overhangMm, 'overhangMm', ROOF_OVERHANG).stored,
        thicknessMm:
          input.thicknessMm === undefined
            ? undefined
            : reader.read(input.thicknessMm, 'thicknessMm', ROOF_THICKNESS).stored,
        material: input.material,
        parapet: input.parapet === undefined ? undefined : readParapet(edit, input.parapet),
      });
    }),
  sentence: (before, input) => `Roof ${thingReferred(before, 'roof', input.roof).name} changed`,
});

const raiseParapet = defineCommand({
  name: 'roofs.raiseParapet',
  title: 'Make the parapet of a flat roof higher',
  input: z.strictObject({ roof: refSchema, byMm: lengthInputSchema }),
  plan: (edit, input) =>
    refusing(() => {
      const roof = thingReferred(edit.before, 'roof', input.roof);
      const { parapet } = roof;
      if (!parapet) return refuseNow(`Roof ${roof.name} has no parapet. Give it one first`, ['roof']);
      const by = new LengthReader(edit.before).read(input.byMm, 'byMm', { atLeastMm: -10_000, atMostMm: 10_000 });
      edit.set('roof', roof.id, { parapet: { ...parapet, heightMm: lengthPlus(parapet.heightMm, by.mm) } });
    }),
  sentence: (before, { roof, byMm }) =>
    `Parapet of roof ${thingReferred(before, 'roof', roof).name} made ${saidLength(before, byMm)} higher`,
});

export const ROOF_COMMANDS = [addFlat, change, raiseParapet] as const;

declare module '../commands/command-inputs' {
  interface CommandInputs extends InputsOf<typeof ROOF_COMMANDS> {}
}
