import { z } from 'zod';
import { defineCommand } from '../commands/command';
import type { Edit } from '../model/edit';
import { textSchema } from '../model/fields';
import { recordOf } from '../model/framework';
import type { Id } from '../model/ids';
import { LengthReader, lengthInputSchema, refuseNow, refusing, saidLength } from '../commands/length-input';
import { buildingReferred, levelReferred, refSchema } from '../commands/refer';
import { formatElevation, formatLength } from '../units/format-length';
import { quantiseMm } from '../units/length-units';
import { BUDGET_ZONES, NO_BUDGET, ZONE } from './budget';
import { baseLevel, isBelowGround, refuseIfDisordered, refuseIfLockedMoved, shiftLevel } from './chain';
import { insertLevel, roofOverAll } from './insert-level';
import { BUILD_UP } from './level';
import { LEVEL_KINDS } from './level-kinds';
import { extendSchema, heightsSchema, modeSchema, readHeights, refuseIfTwice } from './level-input';
import { freeName, nameFrom, USUAL_NAMES } from './names';
import { levelById, levelsOf, storeyLevels, titleOf } from './resolve-levels';

const countSchema = z.number().int().min(1).max(200);

/** Names taken in a building as edited so far. */
const namesOf = (edit: Edit, building: Id): Set<string> =>
  new Set(levelsOf(edit.framework, building).map(({ record }) => record.name));

const insertMany = defineCommand({
  name: 'levels.insertMany',
  title: 'Insert several levels at once',
  input: z.strictObject({
    /** The level they are put next to, counted away from it. */
    level: refSchema,
    side: z.enum(['above', 'below']).default('above'),
    heights: heightsSchema,
    mode: modeSchema,
    extend: extendSchema,
  }),
  plan: (edit, input) =>
    refusing(() => {
      const level = levelReferred(edit.before, input.level);
      const heights = readHeights(edit.before, input.heights, 'heights');
      if (heights.length === 0) refuseNow('Type a height for each new storey, like 3@3.3m', ['heights']);
      let beside = level.id;
      // Under a roof that goes up there is room for as many as one likes.
      const mode = input.side === 'above' && roofOverAll(edit.before, level) ? 'push' : input.mode;
      const extend = new Set(input.extend);
      for (const heightMm of heights)
        beside = insertLevel(edit, beside, { side: input.side, heightMm, mode, title: '', extend });
      refuseIfLockedMoved(edit, level.record.building);
      refuseIfDisordered(edit, level.record.building);
    }),
  sentence: (before, input) => {
    const heights = readHeights(before, input.heights, 'heights');
    const name = levelReferred(before, input.level).record.name;
    return `${heights.length} levels inserted ${input.side} ${name}`;
  },
});

const copy = defineCommand({
  name: 'levels.copy',
  title: 'Copy a level at a distance, once or several times',
  input: z.strictObject({ level: refSchema, byMm: lengthInputSchema, count: countSchema.default(1) }),
  plan: (edit, input) =>
    refusing(() => {
      const { id, record } = levelReferred(edit.before, input.level);
      const { mm } = new LengthReader(edit.before).read(input.byMm, 'byMm', { atLeastMm: -1e6, atMostMm: 1e6 });
      if (mm === 0) refuseNow('A copy at no distance would stand in the same place. Type a distance', ['byMm']);
      const side = mm > 0 ? 'above' : 'below';
      const source = levelById(edit.before, id)!;
      for (let i = 1; i <= input.count; i += 1) {
        const wantedMm = quantiseMm(source.fflMm + i * mm);
        const storeys = storeyLevels(edit.framework, record.building);
        const clash = storeys.find(({ fflMm }) => Math.abs(fflMm - wantedMm) < 1);
        if (clash) refuseNow(`Level ${clash.record.name} stands at ${formatElevation(wantedMm)} already`, ['byMm']);
        // Beside the nearest level on the way, so that nothing has to move.
        const beside =
          side === 'above'
            ? storeys.filter(({ fflMm }) => fflMm < wantedMm).at(-1)!
            : storeys.find(({ fflMm }) => fflMm > wantedMm)!;
        const added = insertLevel(edit, beside.id, {
          side,
          heightMm: Math.abs(quantiseMm(wantedMm - beside.fflMm)),
          mode: 'only',
          title: titleOf(edit.framework, record.id),
          levelKind: record.levelKind === 'roof' ? 'storey' : record.levelKind,
          exactly: true,
        });
        edit.set('level', added, { buildUpMm: record.buildUpMm });
      }
      refuseIfDisordered(edit, record.building);
    }),
  sentence: (before, input) => {
    const name = levelReferred(before, input.level).record.name;
    return `Level ${name} copied by ${saidLength(before, input.byMm)}${input.count > 1 ? `, ${input.count} times` : ''}`;
  },
});

const split = defineCommand({
  name: 'levels.split',
  title: 'Split the storey on a level into equal parts',
  input: z.strictObject({ level: refSchema, parts: z.number().int().min(2).max(20).default(2) }),
  plan: (edit, input) =>
    refusing(() => {
      const level = levelReferred(edit.before, input.level);
      const heightMm = level.storeyHeightMm;
      if (heightMm === null) refuseNow(`There is no storey on level ${level.record.name} to split`);
      let beside = level;
      for (let i = 1; i < input.parts; i += 1) {
        const wantedMm = quantiseMm(level.fflMm + (heightMm * i) / input.parts);
        const added = insertLevel(edit, beside.id, {
          side: 'above',
          heightMm: quantiseMm(wantedMm - beside.fflMm),
          mode: 'only',
          name: freeName(level.record.name, namesOf(edit, level.record.building)),
          title: '',
        });
        beside = levelById(edit.framework, added)!;
      }
    }),
  sentence: (before, input) => {
    const { record, storeyHeightMm } = levelReferred(before, input.level);
    return `Storey ${record.name} split into ${input.parts} of ${formatLength((storeyHeightMm ?? 0) / input.parts)} mm`;
  },
});

const renumber = defineCommand({
  name: 'levels.renumber',
  title: 'Name the levels anew by pattern; locked levels keep their names',
  input: z.strictObject({
    building: refSchema.optional(),
    names: z
      .strictObject({ basement: textSchema(12), ground: textSchema(12), upper: textSchema(12), roof: textSchema(12) })
      .default(USUAL_NAMES),
    skip: z.array(z.number().int().positive()).max(50).default([]),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const building = buildingReferred(edit.before, input.building);
      const storeys = storeyLevels(edit.before, building);
      const base = baseLevel(storeys);
      if (!base) refuseNow('There are no levels to name yet. Set them up first');
      const at = storeys.indexOf(base);
      const wanted = new Map([[base.id, nameFrom(input.names.ground, 0)]]);
      const run = (levels: typeof storeys, pattern: string) => {
        let n = 0;
        for (const level of levels) {
          do n += 1;
          while (input.skip.includes(n));
          wanted.set(level.id, nameFrom(pattern, n));
        }
      };
      run(storeys.slice(0, at).reverse(), input.names.basement);
      const uppers = storeys.slice(at + 1);
      run(
        uppers.filter(({ record }) => record.levelKind !== 'roof'),
        input.names.upper,
      );
      const roofs = uppers.filter(({ record }) => record.levelKind === 'roof');
      roofs.forEach((level, i) =>
        wanted.set(level.id, nameFrom(input.names.roof, i + 1) + (i === 0 ? '' : `${i + 1}`)),
      );
      const all = levelsOf(edit.before, building);
      const final = all.map(({ id, record }) => (record.locked ? record.name : (wanted.get(id) ?? record.name)));
      const twice = final.find((name, i) => final.indexOf(name) !== i);
      if (twice !== undefined)
        refuseNow(`Two levels would be named ${twice}. Unlock the one that keeps it, or change the pattern`, ['names']);
      for (const [i, { id }] of all.entries()) edit.set('level', id, { name: final[i]! });
    }),
  sentence: (before, input, after) => {
    const building = buildingReferred(after, input.building);
    const was = new Map(levelsOf(before, building).map(({ id, record }) => [id, record.name]));
    const n = levelsOf(after, building).filter(({ id, record }) => was.get(id) !== record.name).length;
    return `${n} levels named anew by pattern`;
  },
});

const editTable = defineCommand({
  name: 'levels.editTable',
  title: 'Edit several levels at once, as in a table',
  input: z.strictObject({
    rows: z
      .array(
        z.strictObject({
          level: refSchema,
          name: textSchema(16).optional(),
          title: z.string().trim().max(80).optional(),
          levelKind: z.enum(LEVEL_KINDS).optional(),
          fflMm: lengthInputSchema.optional(),
          /** Floor-to-floor height of the storey on it; everything above moves along. */
          heightMm: lengthInputSchema.optional(),
          buildUpMm: lengthInputSchema.optional(),
        }),
      )
      .min(1, 'Nothing to change')
      .max(400),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const reader = new LengthReader(edit.before);
      const rows = input.rows.map((row) => ({ ...row, id: levelReferred(edit.before, row.level).id }));
      const building = levelById(edit.before, rows[0]!.id)!.record.building;
      for (const { id, name, title, levelKind, buildUpMm } of rows) {
        if (levelById(edit.before, id)!.record.building !== building) refuseNow('Edit one building at a time');
        edit.set('level', id, {
          name,
          title,
          levelKind,
          buildUpMm: buildUpMm === undefined ? undefined : reader.read(buildUpMm, 'buildUpMm', BUILD_UP).stored,
        });
      }
      for (const { id, fflMm } of rows) {
        if (fflMm === undefined) continue;
        const { mm } = reader.read(fflMm, 'fflMm', { atLeastMm: -1e7, atMostMm: 1e7 });
        const level = levelById(edit.framework, id)!;
        shiftLevel(edit, level, quantiseMm(mm - level.fflMm), 'only');
      }
      for (const { id, heightMm } of rows) {
        if (heightMm === undefined) continue;
        const { mm } = reader.read(heightMm, 'heightMm', { moreThanMm: 0, atMostMm: 1e6 });
        const levels = levelsOf(edit.framework, building);
        const level = levels.find((each) => each.id === id)!;
        const upper = levels.find((each) => each.id === level.above);
        if (level.storeyHeightMm === null || !upper) {
          refuseNow(`There is no storey above level ${level.record.name}, so it has no height`, ['heightMm']);
        }
        const byMm = quantiseMm(mm - level.storeyHeightMm);
        if (isBelowGround(levels, level)) shiftLevel(edit, level, -byMm, 'push');
        else shiftLevel(edit, upper, byMm, 'push');
      }
      refuseIfTwice(levelsOf(edit.framework, building).map(({ record }) => record.name));
      refuseIfLockedMoved(edit, building);
      refuseIfDisordered(edit, building);
    }),
  sentence: (_, input) => `${input.rows.length} ${input.rows.length === 1 ? 'level' : 'levels'} edited in the table`,
});

const zoneInput = lengthInputSchema.nullable().optional();

const setBudget = defineCommand({
  name: 'levels.setBudget',
  title: 'Type the zones of a height budget, for one level or as the typical ones of a building',
  input: z.strictObject({
    building: refSchema.optional(),
    /** Left out: the building's typical zones. */
    level: refSchema.optional(),
    /** Null: for a level the typical zone again, for a building none. */
    beamMm: zoneInput,
    servicesMm: zoneInput,
    ceilingMm: zoneInput,
    targetMm: zoneInput,
  }),
  plan: (edit, { building, level, ...zones }) =>
    refusing(() => {
      const reader = new LengthReader(edit.before);
      const typed = Object.fromEntries(
        BUDGET_ZONES.filter((zone) => zones[zone] !== undefined).map((zone) => {
          const value = zones[zone]!;
          const read = (length: typeof value) => reader.read(length, zone, ZONE).stored;
          return [zone, value === null ? null : read(value)];
        }),
      );
      if (level !== undefined) {
        const { id, record } = levelReferred(edit.before, level);
        edit.set('level', id, { budget: { ...NO_BUDGET, ...record.budget, ...typed } });
      } else {
        const id = buildingReferred(edit.before, building);
        edit.set('building', id, {
          budget: { ...NO_BUDGET, ...recordOf(edit.before, 'building', id)?.budget, ...typed },
        });
      }
    }),
  sentence: (before, input) =>
    input.level === undefined
      ? 'Typical height budget changed'
      : `Height budget of storey ${levelReferred(before, input.level).record.name} changed`,
});

export const LEVEL_SET_COMMANDS = [insertMany, copy, split, renumber, editTable, setBudget] as const;
