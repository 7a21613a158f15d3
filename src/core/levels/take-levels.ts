import { z } from 'zod';
import { defineCommand } from '../commands/command';
import { refuseNow, refusing } from '../commands/length-input';
import { buildingReferred, refSchema } from '../commands/refer';
import type { Edit } from '../model/edit';
import { textSchema } from '../model/fields';
import { recordOf, recordsOf } from '../model/framework';
import type { Id } from '../model/ids';
import { layLevels, refuseIfDisordered, refuseIfLockedMoved, type LevelWanted } from './chain';
import { refuseIfTwice } from './level-input';
import { LEVEL_KINDS } from './level-kinds';
import { levelsOf, titleOf } from './resolve-levels';

/** A row of a level table. */
interface TakenRow {
  name: string;
  title?: string;
  fflMm?: number;
  sslMm?: number;
  buildUpMm?: number;
  levelKind?: LevelWanted['level']['levelKind'];
  kindIfNew: LevelWanted['level']['levelKind'];
  building?: string;
}

/** The rows of each building, which is made where it is not there; of one that is asked for only its own. */
function rowsByBuilding(edit: Edit, asked: string | undefined, rows: readonly TakenRow[]): [Id, TakenRow[]][] {
  const names = [...new Set(rows.flatMap(({ building }) => building ?? []))];
  if (names.length === 0) return [[buildingReferred(edit.before, asked), [...rows]]];
  const nameless = rows.find(({ building }) => building === undefined);
  if (nameless) refuseNow(`Level ${nameless.name}: say of which building it is, as of the others`, ['rows']);
  const of = (name: string) => rows.filter(({ building }) => building === name);
  if (asked !== undefined) {
    const id = buildingReferred(edit.before, asked);
    const { name } = recordOf(edit.before, 'building', id)!;
    const own = names.length === 1 ? [...rows] : of(name);
    if (own.length === 0)
      refuseNow(`The table holds levels of ${names.join(', ')}, none of ${name}. Say no building, or one of those`, [
        'building',
      ]);
    return [[id, own]];
  }
  const known = recordsOf(edit.before, 'building');
  return names.map((name): [Id, TakenRow[]] => {
    const id = known.find((building) => building.name === name)?.id;
    const made = { kind: 'building', name, zeroMm: 0, xMm: 0, yMm: 0, turnDeg: 0, budget: null } as const;
    return [id ?? edit.add<'building'>(made).id, of(name)];
  });
}

/** Takes rows into a building: levels of their names are changed, others added. */
function takeRows(edit: Edit, building: Id, taken: readonly TakenRow[]): void {
  refuseIfTwice(taken.map(({ name }) => name));
  const existing = levelsOf(edit.framework, building);
  const byName = new Map(existing.map((level) => [level.record.name, level]));
  const rows = taken.map((row, i): LevelWanted => {
    const known = byName.get(row.name);
    byName.delete(row.name);
    if ((row.fflMm === undefined) === (row.sslMm === undefined))
      refuseNow(`Level ${row.name}: say either its FFL or its SSL`, ['rows', i, 'fflMm']);
    const level = {
      name: row.name,
      title: row.title ?? (known ? titleOf(edit.framework, known.id) : ''),
      levelKind: row.levelKind ?? known?.record.levelKind ?? row.kindIfNew,
      buildUpMm: row.buildUpMm ?? known?.record.buildUpMm ?? 0,
      locked: known?.record.locked ?? false,
    };
    const buildUpMm = row.buildUpMm ?? (known ? known.fflMm - known.sslMm : 0);
    return { id: known?.id, fflMm: row.fflMm ?? row.sslMm! + buildUpMm, level };
  });
  const kept: LevelWanted[] = [...byName.values()].map(({ id, fflMm, record }) => {
    const { name, levelKind, buildUpMm, locked } = record;
    const title = titleOf(edit.framework, id);
    return { id, fflMm, level: { name, title, levelKind, buildUpMm, locked } };
  });
  layLevels(edit, building, [...rows, ...kept]);
  refuseIfLockedMoved(edit, building);
  refuseIfDisordered(edit, building);
}

export const takeLevels = defineCommand({
  name: 'levels.take',
  title: 'Take a level table: new levels are added, those of the same name get what it says of them',
  input: z.strictObject({
    building: refSchema.optional(),
    rows: z
      .array(
        z.strictObject({
          name: textSchema(16),
          /** What is left out stays as it is; a new level has none, no build-up, and is a storey. */
          title: z.string().trim().max(80).optional(),
          /** One of the two. From the SSL the FFL is worked out with the level's build-up. */
          fflMm: z.number().min(-1e7).max(1e7).optional(),
          sslMm: z.number().min(-1e7).max(1e7).optional(),
          buildUpMm: z.number().min(0).max(2000).optional(),
          levelKind: z.enum(LEVEL_KINDS).optional(),
          /** What a level that is new is, where the table does not say. */
          kindIfNew: z.enum(LEVEL_KINDS).default('storey'),
          /** The building it is of, by name, where the table holds several: a new one where there is none of that name. */
          building: textSchema(80).optional(),
        }),
      )
      .min(1, 'The table holds no level')
      .max(400),
  }),
  plan: (edit, input) =>
    refusing(() => {
      for (const [building, rows] of rowsByBuilding(edit, input.building, input.rows)) takeRows(edit, building, rows);
    }),
  sentence: (_, input) => `Level table taken: ${input.rows.length} levels`,
});
