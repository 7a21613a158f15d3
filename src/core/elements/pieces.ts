import { z } from 'zod';
import { withMembers } from '../cores/core';
import { mmOf } from '../dimensions/resolve-length';
import { facet } from '../kinds/kind';
import { referencesOf } from '../kinds/records';
import { kindOf } from '../kinds/registry';
import { levelsOf } from '../levels/resolve-levels';
import { recordsOf, type Framework } from '../model/framework';
import { idSchema, type Id } from '../model/ids';
import type { Rec } from '../model/kinds';
import { elementIn } from './element-input';
import { inPlanOf } from './in-plan';
import { freedInPlan } from './turn-in-plan';

/** Pieces of a framework are no more than this many at once. */
const MOST_PIECES = 500;

const recordJson = z.record(z.string(), z.unknown());

/**
 * Things taken out of a framework to be put in elsewhere: another level, another building, another project. Each as it is held there, and
 * as it stands free of lines; with what they hang on.
 */
export const piecesSchema = z.strictObject({
  format: z.literal('spine-pieces'),
  version: z.literal(1),
  building: z.strictObject({ id: idSchema, xMm: z.number(), yMm: z.number(), turnDeg: z.number() }),
  /** Levels of that building, by how many storeys they are above the level they were taken at; null: no storey. */
  levels: z.array(z.strictObject({ id: idSchema, steps: z.number().int().nullable() })).max(400),
  pieces: z
    .array(z.strictObject({ held: recordJson, free: recordJson }))
    .min(1, 'Choose things to be taken along first')
    .max(MOST_PIECES, `At most ${MOST_PIECES} things are taken along at once`),
  /** Cores among them, by what is in them. */
  cores: z.array(z.array(idSchema)).max(MOST_PIECES),
  /** What they hang on, which belongs to no building: types of walls. */
  hangsOn: z.array(recordJson).max(MOST_PIECES),
  /** Named dimensions in their lengths, in millimetres at the time. */
  dimensions: z.array(z.strictObject({ id: idSchema, mm: z.number() })).max(1000),
});
export type Pieces = z.infer<typeof piecesSchema>;

/** Somewhere no column stands, so that one is turned about it by nothing and lets go of its lines. */
const NOWHERE = { about: { x: -987_654, y: -123_456 }, deg: 0 };

/** Chosen things as pieces, taken at a level. Refused in words where one of them is not copied. */
export function piecesOf(framework: Framework, ids: readonly Id[], level: Id): Pieces {
  const all = withMembers(framework, [...ids]).map((id) => elementIn(framework, id));
  const own = new Set(all.map(({ id }) => id));
  const first = all.find((record) => 'building' in record) as (Rec & { building: Id }) | undefined;
  const building = recordsOf(framework, 'building').find(({ id }) => id === first?.building);
  if (!building) throw new RangeError('Nothing chosen stands in a building');
  const pieces = all.map((record) => ({ held: asJson(record), free: asJson(freed(framework, record)) }));
  const hangsOn = new Map<Id, Rec>();
  const dimensions = new Map<Id, number>();
  const follow = (record: Rec) => {
    for (const { id } of referencesOf(record)) {
      const other = framework.records.get(id);
      if (!other || own.has(id) || hangsOn.has(id)) continue;
      if (other.kind === 'dimension') dimensions.set(id, mmOf(framework, other.value));
      else if (isShared(other)) {
        hangsOn.set(id, other);
        follow(other);
      }
    }
  };
  for (const record of all) follow(record);
  const mm = (length: Parameters<typeof mmOf>[1]) => mmOf(framework, length);
  return {
    format: 'spine-pieces',
    version: 1,
    building: { id: building.id, xMm: mm(building.xMm), yMm: mm(building.yMm), turnDeg: building.turnDeg },
    levels: stepsFrom(framework, building.id, level),
    pieces,
    cores: ids.flatMap((id) => {
      const core = framework.records.get(id);
      return core?.kind === 'core' ? [core.members] : [];
    }),
    hangsOn: [...hangsOn.values()].map(asJson),
    dimensions: [...dimensions].map(([id, value]) => ({ id, mm: value })),
  };
}

/** Of no building and nothing in it: a type that things are made after. */
const isShared = (record: Rec): boolean =>
  !('building' in record) && !('system' in record) && record.kind !== 'building' && !facet(kindOf(record).inPlan);

const asJson = (record: Rec) => record as unknown as Record<string, unknown>;

/** A record where it stands, held to nothing. */
function freed(framework: Framework, record: Rec): Rec {
  const { turned } = inPlanOf(record, 'copied');
  return freedInPlan(framework, turned ? turned(framework, record, NOWHERE) : record);
}

/** How many storeys each level of a building is above one of them. */
function stepsFrom(framework: Framework, building: Id, level: Id): Pieces['levels'] {
  const all = levelsOf(framework, building);
  const storeys = all.filter(({ bounding }) => bounding).map(({ id }) => id);
  const base = storeys.indexOf(level);
  return all.map(({ id }) => ({ id, steps: base >= 0 && storeys.includes(id) ? storeys.indexOf(id) - base : null }));
}
