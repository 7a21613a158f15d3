import { stairsSaid } from '../stairs/stairs-said';
import { z } from 'zod';
import { defineCommand } from '../commands/command';
import type { InputsOf } from '../commands/command-inputs';
import { textSchema } from '../model/fields';
import type { Framework } from '../model/framework';
import { LengthReader, lengthInputSchema, refuseNow, refusing, saidLength } from '../commands/length-input';
import { buildingReferred, levelReferred, refSchema } from '../commands/refer';
import { outlineInputSchema, readOutline } from '../outlines/outline-input';
import { formatElevation, formatLength } from '../units/format-length';
import { quantiseMm } from '../units/length-units';
import {
  isBelowGround,
  layLevels,
  moveLevel,
  refuseIfDisordered,
  refuseIfLockedMoved,
  type LevelWanted,
} from './chain';
import { BUILD_UP } from './level';
import { LEVEL_KINDS } from './level-kinds';
import { insertLevel } from './insert-level';
import { extendSchema, heightsSchema, modeSchema, readHeights, refuseIfTwice } from './level-input';
import { LEVEL_SET_COMMANDS } from './level-set-commands';
import { nameFrom, numbersWithout, USUAL_NAMES } from './names';
import { levelById, levelsOf, titleOf, type ResolvedLevel } from './resolve-levels';
import { removeLevel } from './remove-level';
import { takeLevels } from './take-levels';
import { setUpAgain } from './set-up-again';

const levelIn = (framework: Framework, ref: string): ResolvedLevel => levelReferred(framework, ref);

/** The level meant, before and after the command. */
function beforeAndAfter(before: Framework, after: Framework, ref: string): [ResolvedLevel, ResolvedLevel | undefined] {
  const was = levelIn(before, ref);
  return [was, levelById(after, was.id)];
}

const nameOf = (framework: Framework, ref: string): string => levelIn(framework, ref).record.name;

const setUp = defineCommand({
  name: 'levels.setUp',
  title: 'Set up the levels of a building',
  input: z.strictObject({
    building: refSchema.optional(),
    /** Floor-to-floor heights from the ground floor up. The level on top of the last is the roof. */
    above: heightsSchema,
    /** Heights of the basement storeys from the ground down. */
    below: heightsSchema.default([]),
    groundMm: lengthInputSchema.default(0),
    buildUpMm: lengthInputSchema.default(100),
    names: z
      .strictObject({ basement: textSchema(12), ground: textSchema(12), upper: textSchema(12), roof: textSchema(12) })
      .default(USUAL_NAMES),
    skip: z.array(z.number().int().positive()).max(50).default([]),
    /** Run again on a building that has levels: those in the same order from the ground are changed. */
    again: z.boolean().default(false),
    /** Run again: what becomes of ends at levels that go. */
    ends: z.enum(['nextLevel', 'keepHeight', 'delete']).default('nextLevel'),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const building = buildingReferred(edit.before, input.building);
      const isAgain = levelsOf(edit.before, building).length > 0;
      if (isAgain && !input.again) {
        refuseNow('This building has levels already. Set them up again to change them, or edit them in the strip');
      }
      const reader = new LengthReader(edit.before);
      const above = readHeights(edit.before, input.above, 'above');
      const below = readHeights(edit.before, input.below, 'below');
      if (above.length === 0) refuseNow('Type a height for the ground floor at least, like 5.4m', ['above']);
      const buildUpMm = reader.read(input.buildUpMm, 'buildUpMm', BUILD_UP).stored;
      const groundMm = reader.read(input.groundMm, 'groundMm').mm;
      const common = { title: '', buildUpMm, locked: false };
      const wanted: LevelWanted[] = [];
      let fflMm = groundMm;
      const upper = numbersWithout(above.length, input.skip);
      above.forEach((heightMm, i) => {
        const name = i === 0 ? nameFrom(input.names.ground, 0) : nameFrom(input.names.upper, upper[i - 1]!);
        wanted.push({ fflMm, level: { ...common, name, levelKind: 'storey' } });
        fflMm = quantiseMm(fflMm + heightMm);
      });
      wanted.push({
        fflMm,
        level: { ...common, name: nameFrom(input.names.roof, above.length), levelKind: 'roof', buildUpMm: 0 },
      });
      fflMm = groundMm;
      numbersWithout(below.length, input.skip).forEach((n, i) => {
        fflMm = quantiseMm(fflMm - below[i]!);
        wanted.push({ fflMm, level: { ...common, name: nameFrom(input.names.basement, n), levelKind: 'basement' } });
      });
      refuseIfTwice(wanted.map(({ level }) => level.name));
      if (!isAgain) return layLevels(edit, building, wanted);
      const of = (kind: LevelWanted['level']['levelKind']) => wanted.filter(({ level }) => level.levelKind === kind);
      setUpAgain(edit, building, { uppers: of('storey'), roof: of('roof')[0]!, basements: of('basement') }, input.ends);
      refuseIfTwice(levelsOf(edit.framework, building).map(({ record }) => record.name));
    }),
  sentence: (_, input, after) =>
    `Levels set up${input.again ? ' again' : ''}: ${levelsOf(after, buildingReferred(after, input.building)).length}`,
});

const setElevation = defineCommand({
  name: 'levels.setElevation',
  title: 'Set the elevation of a level',
  input: z.strictObject({ level: refSchema, fflMm: lengthInputSchema, mode: modeSchema }),
  plan: (edit, input) =>
    refusing(() => {
      const level = levelIn(edit.before, input.level);
      const { mm } = new LengthReader(edit.before).read(input.fflMm, 'fflMm', { atLeastMm: -1e7, atMostMm: 1e7 });
      moveLevel(edit, level, quantiseMm(mm - level.fflMm), input.mode);
    }),
  sentence: (before, input, after) => {
    const [was, is] = beforeAndAfter(before, after, input.level);
    const by = (is?.fflMm ?? 0) - was.fflMm;
    const verb = by < 0 ? 'lowered' : 'raised';
    return `Level ${was.record.name} ${verb} ${formatLength(Math.abs(by))} mm to ${formatElevation(is?.fflMm ?? 0)}, ${input.mode === 'push' ? 'pushing the levels beyond' : 'only this level'}${stairsSaid(before, after)}`;
  },
});

const setHeight = defineCommand({
  name: 'levels.setHeight',
  title: 'Set the floor-to-floor height of the storey on a level',
  input: z.strictObject({ level: refSchema, heightMm: lengthInputSchema, mode: modeSchema }),
  plan: (edit, input) =>
    refusing(() => {
      const level = levelIn(edit.before, input.level);
      const levels = levelsOf(edit.before, level.record.building);
      const upper = levels.find(({ id }) => id === level.above);
      if (!level.bounding || !upper)
        refuseNow(`There is no storey above level ${level.record.name}. Insert a level first`);
      const { mm, stored } = new LengthReader(edit.before).read(input.heightMm, 'heightMm', {
        moreThanMm: 0,
        atMostMm: 1e6,
      });
      const byMm = quantiseMm(mm - level.storeyHeightMm!);
      if (isBelowGround(levels, level)) moveLevel(edit, level, -byMm, input.mode);
      else {
        moveLevel(edit, upper, byMm, input.mode);
        // A height typed with named dimensions keeps them, so the storey follows when they change.
        if (typeof stored !== 'number' && upper.record.from === level.id)
          edit.set('level', upper.id, { heightMm: stored });
      }
    }),
  sentence: (before, input, after) => {
    const [was, is] = beforeAndAfter(before, after, input.level);
    return `Storey ${was.record.name} made ${formatLength(is?.storeyHeightMm ?? 0)} mm high${stairsSaid(before, after)}`;
  },
});

const insert = defineCommand({
  name: 'levels.insert',
  title: 'Insert a level; above a roof it goes in under it, and the roof goes up',
  input: z.strictObject({
    /** The level it is put next to. */
    level: refSchema,
    side: z.enum(['above', 'below']).default('above'),
    /** Only this: distance from that level; push: height of the new storey. */
    heightMm: lengthInputSchema,
    mode: modeSchema,
    name: textSchema(16).optional(),
    title: z.string().trim().max(80).default(''),
    extend: extendSchema,
  }),
  plan: (edit, input) =>
    refusing(() => {
      const level = levelIn(edit.before, input.level);
      const { building } = level.record;
      const { mm } = new LengthReader(edit.before).read(input.heightMm, 'heightMm', { moreThanMm: 0, atMostMm: 1e6 });
      insertLevel(edit, level.id, {
        side: input.side,
        heightMm: mm,
        mode: input.mode,
        name: input.name,
        title: input.title,
        extend: new Set(input.extend),
      });
      refuseIfLockedMoved(edit, building);
      refuseIfDisordered(edit, building);
    }),
  sentence: (before, input, after) => {
    const { record } = levelIn(before, input.level);
    const known = new Set(levelsOf(before, record.building).map(({ id }) => id));
    const added = levelsOf(after, record.building).find(({ id }) => !known.has(id));
    return `Level ${added?.record.name ?? ''} inserted at ${formatElevation(added?.fflMm ?? 0)}`;
  },
});

const rename = defineCommand({
  name: 'levels.rename',
  title: 'Rename a level',
  input: z.strictObject({
    level: refSchema,
    name: textSchema(16).optional(),
    title: z.string().trim().max(80).optional(),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const { id, record } = levelIn(edit.before, input.level);
      if (input.name !== undefined) {
        const other = levelsOf(edit.before, record.building).find(
          (level) => level.id !== id && level.record.name === input.name,
        );
        if (other) refuseNow(`There is a level named ${input.name} already. Choose another name`, ['name']);
      }
      edit.set('level', id, { name: input.name, title: input.title });
    }),
  sentence: (before, input, after) => {
    const [was, is] = beforeAndAfter(before, after, input.level);
    return `Level ${was.record.name} is now ${is?.record.name ?? ''} ${is ? titleOf(after, is.id) : ''}`.trim();
  },
});

const change = defineCommand({
  name: 'levels.change',
  title: 'Change the build-up, kind, lock, extent or way out of a level',
  input: z.strictObject({
    level: refSchema,
    buildUpMm: lengthInputSchema.optional(),
    levelKind: z.enum(LEVEL_KINDS).optional(),
    locked: z.boolean().optional(),
    /** A mezzanine's part of the plan; null: none said. */
    extent: outlineInputSchema.nullable().optional(),
    /** It has a way out of the building; null: where it is the nearest to the building's zero. */
    wayOut: z.boolean().nullable().optional(),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const { id, record } = levelIn(edit.before, input.level);
      if (input.extent && (input.levelKind ?? record.levelKind) !== 'mezzanine')
        refuseNow(`Only a mezzanine has an extent. Make level ${record.name} one first`, ['extent']);
      const buildUpMm =
        input.buildUpMm === undefined
          ? undefined
          : new LengthReader(edit.before).read(input.buildUpMm, 'buildUpMm', BUILD_UP).stored;
      edit.set('level', id, {
        buildUpMm,
        levelKind: input.levelKind,
        locked: input.locked,
        wayOut: input.wayOut,
        extent: input.extent && readOutline(edit.before, record.building, input.extent),
      });
      refuseIfDisordered(edit, record.building);
    }),
  sentence: (before, input) => {
    const parts = [
      input.buildUpMm !== undefined && `build-up ${saidLength(before, input.buildUpMm)}`,
      input.levelKind && `kind ${input.levelKind}`,
      input.extent !== undefined && 'extent',
      input.locked !== undefined && (input.locked ? 'locked' : 'unlocked'),
      input.wayOut !== undefined &&
        (input.wayOut ? 'a way out' : input.wayOut === false ? 'no way out' : 'a way out if it is the ground'),
    ].filter(Boolean);
    return `Level ${nameOf(before, input.level)}: ${parts.join(', ')}`;
  },
});

const remove = defineCommand({
  name: 'levels.remove',
  title: 'Remove a level',
  input: z.strictObject({
    level: refSchema,
    /** What becomes of things that start or stop there. */
    ends: z.enum(['nextLevel', 'keepHeight', 'delete']).default('nextLevel'),
  }),
  plan: (edit, input) => refusing(() => removeLevel(edit, levelIn(edit.before, input.level), input.ends)),
  sentence: (before, input) => `Level ${nameOf(before, input.level)} removed`,
});

export const LEVEL_COMMANDS = [
  setUp,
  takeLevels,
  setElevation,
  setHeight,
  insert,
  rename,
  change,
  remove,
  ...LEVEL_SET_COMMANDS,
] as const;

declare module '../commands/command-inputs' {
  interface CommandInputs extends InputsOf<typeof LEVEL_COMMANDS> {}
}
