import { withMembers } from '../cores/core';
import { z } from 'zod';
import { levelById, storeyLevels, type ResolvedLevel } from '../levels/resolve-levels';
import { defineCommand } from '../commands/command';
import type { InputsOf } from '../commands/command-inputs';
import type { Edit } from '../model/edit';
import type { Extent } from '../levels/extent';
import type { End } from '../model/fields';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { refuseNow, refusing } from '../commands/length-input';
import { called } from '../kinds/records';
import type { Rec, RecordOf } from '../model/kinds';
import { buildingAsked, levelReferred, refSchema, thingsSchema } from '../commands/refer';
import type { CarryKind } from '../kinds/carry-kinds';
import { CARRY_KINDS } from './carried';
import { openingCarriedAs } from '../walls/carried-as';
import { facet } from '../kinds/kind';
import { kindOf } from '../kinds/registry';

/** What stands between two levels: columns, shafts, stairs, walls. */
type Carried = Extract<Rec, { startsAt: End; stopsAt: End }>;

/** What serves levels instead of standing between two: floors, ceilings, beams. */
type Serving = Extract<Rec, { levels: Extent }>;

const isServing = (record: Rec): record is Serving => 'levels' in record && !Array.isArray(record.levels);

const isCarried = (record: Rec): record is Carried => 'startsAt' in record && 'stopsAt' in record;

/** The storeys a carried thing stands in: ranks of the lowest and the topmost among the levels of its building. */
function spanOf(record: Carried, storeys: readonly ResolvedLevel[]): [number, number] {
  const rank = (id: Id) => storeys.findIndex((level) => level.id === id);
  const [low, high] = [rank(record.startsAt.level), rank(record.stopsAt.level)];
  // It stops at a level's underside or face: the storey under that is its topmost, unless it starts there.
  return [low, Math.max(low, high - 1)];
}

/** Sets the storeys something stands in, its faces and distances kept. */
function standIn(edit: Edit, record: Carried, storeys: readonly ResolvedLevel[], low: number, high: number): void {
  const stop = storeys[high + 1] ?? storeys[high]!;
  const end = (was: End, level: ResolvedLevel): End => ({ ...was, level: level.id });
  const parts: { startsAt: End; stopsAt: End } = {
    startsAt: end(record.startsAt, storeys[low]!),
    stopsAt: end(record.stopsAt, stop),
  };
  // What stood by a typed height over its own level has no storey above to stop under.
  if (record.stopsAt.level === record.startsAt.level && stop.id !== record.startsAt.level)
    parts.stopsAt = { level: stop.id, face: facet(kindOf(record).carriedAs)?.upTo ?? 'soffit', offsetMm: 0 };
  edit.set(record.kind as 'shaft', record.id, parts);
}

/** Levels of what serves them with a stretch of storeys added. */
function floorWith(edit: Edit, plate: Serving, storeys: readonly ResolvedLevel[], low: number, high: number) {
  const ids = storeys.slice(low, high + 1).map(({ id }) => id);
  const rank = (id: Id) => storeys.findIndex((level) => level.id === id);
  if ('at' in plate.levels) {
    const at = [...new Set([...plate.levels.at, ...ids])];
    return edit.set(plate.kind as 'ceiling', plate.id, { levels: { at } });
  }
  const ranks = plate.levels.range.map(rank);
  const [from, to] = [Math.min(...ranks, low), Math.max(...ranks, high)];
  edit.set(plate.kind as 'ceiling', plate.id, { levels: { range: [storeys[from]!.id, storeys[to]!.id] } });
}

const to = defineCommand({
  name: 'carry.to',
  title: 'Say in which storeys chosen things stand: from the lowest to the topmost',
  input: z.strictObject({
    ids: thingsSchema,
    lowest: refSchema.optional(),
    topmost: refSchema.optional(),
  }),
  plan: (edit, input) =>
    refusing(() => {
      for (const id of withMembers(edit.before, input.ids)) {
        const record = edit.before.records.get(id) ?? refuseNow('Something chosen is not there any more. Choose again');
        if (!isCarried(record) && !isServing(record))
          refuseNow(`A ${called(record)} is not carried from level to level`);
        const storeys = storeyLevels(edit.before, record.building);
        const rankOf = (ref: string | undefined, now: number): number => {
          if (ref === undefined) return now;
          const level = levelReferred(edit.before, ref, record.building);
          const rank = storeys.findIndex((each) => each.id === level.id);
          return rank < 0 ? refuseNow(`Level ${level.record.name} bounds no storey. Choose another`) : rank;
        };
        const now: [number, number] = isCarried(record) ? spanOf(record, storeys) : floorSpan(record, storeys);
        const [low, high] = [rankOf(input.lowest, now[0]), rankOf(input.topmost, now[1])];
        if (high < low) refuseNow('The topmost storey lies under the lowest. Choose them the other way round');
        if (isCarried(record)) standIn(edit, record, storeys, low, high);
        else setFloorSpan(edit, record, storeys, low, high);
      }
    }),
  sentence: (before, input) => {
    const first = before.records.get(input.ids[0]!);
    const what = input.ids.length === 1 && first ? called(first) : `${input.ids.length} things`;
    return `${capital(what)} carried`;
  },
});

function floorSpan(plate: Serving, storeys: readonly ResolvedLevel[]): [number, number] {
  const ids = 'at' in plate.levels ? plate.levels.at : plate.levels.range;
  const ranks = ids.map((id) => storeys.findIndex((level) => level.id === id)).filter((rank) => rank >= 0);
  return [Math.min(...ranks), Math.max(...ranks)];
}

function setFloorSpan(edit: Edit, plate: Serving, storeys: readonly ResolvedLevel[], low: number, high: number): void {
  const [first, last] = [storeys[low]!.id, storeys[high]!.id];
  if ('range' in plate.levels) return edit.set(plate.kind, plate.id, { levels: { range: [first, last] } });
  const rank = (id: Id) => storeys.findIndex((level) => level.id === id);
  const kept = plate.levels.at.filter((id) => rank(id) < 0 || (rank(id) >= low && rank(id) <= high));
  const added = [first, last].filter((id) => !kept.includes(id));
  edit.set(plate.kind, plate.id, { levels: { at: [...kept, ...added] } });
}

const carry = defineCommand({
  name: 'carry.storeys',
  title: 'Carry what stands in a storey up or down to another, and through all between',
  input: z.strictObject({
    from: refSchema,
    to: refSchema,
    building: refSchema.optional(),
    kinds: z
      .array(z.enum(CARRY_KINDS))
      .min(1, 'Choose what is carried')
      // An entrance is seldom wanted in other storeys: it is carried where it is asked for.
      .default(CARRY_KINDS.filter((kind) => kind !== 'entranceDoors')),
    /** Only these; all that stand in the storey where none are named. */
    ids: z.array(refSchema).max(5000).optional(),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const from = levelReferred(edit.before, input.from, buildingAsked(edit.before, input.building));
      const target = levelReferred(edit.before, input.to, from.record.building);
      if (target.record.building !== from.record.building)
        refuseNow('Things are carried within one building. Choose a level of the same one', ['to']);
      const storeys = storeyLevels(edit.before, from.record.building);
      const [a, b] = [from.id, target.id].map((id) => storeys.findIndex((level) => level.id === id)) as [
        number,
        number,
      ];
      if (a < 0 || b < 0) refuseNow('Choose levels that bound storeys');
      if (a === b) refuseNow('That is the storey itself. Choose another to carry to', ['to']);
      const kinds = new Set<CarryKind>(input.kinds);
      const chosen = input.ids && new Set(withMembers(edit.before, input.ids));
      let carried = 0;
      for (const record of [...edit.before.records.values()]) {
        if (chosen && !chosen.has(record.id)) continue;
        if (carryOne(edit, record, storeys, a, b, kinds)) carried += 1;
      }
      if (carried === 0)
        refuseNow('Nothing of that kind ends in this storey: what stands there runs on that far already');
    }),
  sentence: (before, input, after) => {
    const n = changedCount(before, after);
    return `${n} ${n === 1 ? 'thing' : 'things'} carried from level ${nameOf(before, input.from)} to ${nameOf(before, input.to)}`;
  },
});

const nameOf = (framework: Framework, ref: string): string => levelById(framework, ref)?.record.name ?? ref;

const changedCount = (before: Framework, after: Framework): number =>
  [...after.records].filter(([id, record]) => before.records.get(id) !== record).length;

/** What a record is carried as; null for what is not carried. */
const carriedAs = (record: Rec): CarryKind | null => facet(kindOf(record).carriedAs)?.kind(record) ?? null;

/** Carries one record if it stands in the storey and does not reach the other yet; true if it was changed. */
function carryOne(
  edit: Edit,
  record: Rec,
  storeys: readonly ResolvedLevel[],
  from: number,
  target: number,
  kinds: ReadonlySet<CarryKind>,
): boolean {
  const kind = carriedAs(record);
  if (!kind || !kinds.has(kind) || !('building' in record) || record.building !== storeys[0]!.record.building)
    return false;
  if (isServing(record)) {
    const [low, high] = floorSpan(record, storeys);
    if (from < low || from > high || (target >= low && target <= high)) return false;
    floorWith(edit, record, storeys, Math.min(from, target), Math.max(from, target));
    return true;
  }
  if (!isCarried(record)) return false;
  const [low, high] = spanOf(record, storeys);
  if (from < low || from > high || (target >= low && target <= high)) return false;
  standIn(edit, record, storeys, Math.min(low, target), Math.max(high, target));
  if (record.kind === 'wall') keepOpenings(edit, record, storeys, low, high, kinds);
  return true;
}

/** Openings of kinds that are not carried stay at the levels they were at. */
function keepOpenings(
  edit: Edit,
  wall: RecordOf<'wall'>,
  storeys: readonly ResolvedLevel[],
  low: number,
  high: number,
  kinds: ReadonlySet<CarryKind>,
): void {
  const here = storeys.slice(low, high + 1).map(({ id }) => id);
  edit.set('wall', wall.id, {
    openings: wall.openings.map((opening) =>
      opening.at === 'all' && !kinds.has(openingCarriedAs(wall, opening)) ? { ...opening, at: here } : opening,
    ),
  });
}

const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

/** What stands in a storey, by kind, for the filter: counts before anything is carried. */
export function standingIn(framework: Framework, level: Id): Map<CarryKind, number> {
  const at = levelById(framework, level);
  const counts = new Map<CarryKind, number>();
  if (!at) return counts;
  const storeys = storeyLevels(framework, at.record.building);
  const rank = storeys.findIndex(({ id }) => id === level);
  const count = (kind: CarryKind, n = 1) => counts.set(kind, (counts.get(kind) ?? 0) + n);
  for (const record of framework.records.values()) {
    if (isCarried(record) || isServing(record)) {
      if (record.building !== at.record.building) continue;
      const [low, high] = isServing(record) ? floorSpan(record, storeys) : spanOf(record, storeys);
      if (rank < low || rank > high) continue;
      count(carriedAs(record)!);
      if (record.kind !== 'wall') continue;
      for (const opening of record.openings)
        if (opening.at === 'all' || opening.at.includes(level)) count(openingCarriedAs(record, opening));
    }
  }
  return counts;
}

export const CARRY_COMMANDS = [to, carry] as const;

declare module '../commands/command-inputs' {
  interface CommandInputs extends InputsOf<typeof CARRY_COMMANDS> {}
}
