import { z } from 'zod';
import { buildingReferred, levelReferred, refSchema } from '../commands/refer';
import { freeName } from '../commands/free-name';
import { defineCommand } from '../commands/command';
import type { InputsOf } from '../commands/command-inputs';
import { LengthReader, lengthInputSchema, refuseNow, refusing } from '../commands/length-input';
import { mmOf } from '../dimensions/resolve-length';
import { plus, quantised, turned, type Point } from '../geometry/point';
import { called, recordSchema, referencesOf, walkOfKind } from '../kinds/records';
import { GONE, RECORD_GONE, type Changed } from '../kinds/walk';
import { levelsOf } from '../levels/resolve-levels';
import type { Edit } from '../model/edit';
import { recordOf, recordsOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { sameJson } from '../model/json';
import type { Rec } from '../model/kinds';
import { dimensionsUsed, lengthMm, type Length } from '../units/parse-length';
import { addCopies } from './in-plan';
import { piecesSchema, type Pieces } from './pieces';
import { turnedInPlan } from './turn-in-plan';

const paste = defineCommand({
  name: 'elements.paste',
  title: 'Put in things that were taken from another level, building or project',
  input: z.strictObject({
    pieces: piecesSchema,
    building: refSchema.optional(),
    /** In place of the level they were taken at; several: once for each. */
    levels: z.array(refSchema).min(1, 'Say at which level').max(200),
    xMm: lengthInputSchema.default(0),
    yMm: lengthInputSchema.default(0),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const reader = new LengthReader(edit.before);
      const by = { x: reader.read(input.xMm, 'xMm').mm, y: reader.read(input.yMm, 'yMm').mm };
      const building = buildingReferred(edit.before, input.building);
      const { pieces } = input;
      const read = (json: unknown): Rec => {
        const record = recordSchema.safeParse(json);
        return record.success
          ? withLengths(edit.before, pieces, record.data)
          : refuseNow('What is to be put in is damaged. Copy it again where it stands', ['pieces']);
      };
      const all = inOrder(pieces.pieces.map(({ held, free }) => ({ held: read(held), free: read(free) })));
      const known = hangsOn(edit, pieces.hangsOn.map(read));
      for (const ref of input.levels) {
        const level = levelReferred(edit.before, ref, building);
        if (level.record.building !== building)
          refuseNow(`Level ${level.record.name} is in another building. Say one of this`, ['levels']);
        putIn(edit, pieces, all, { building, levelFor: levelsAt(edit.before, pieces, building, level.id), known, by });
      }
    }),
  sentence: (before, { pieces, levels, building }) => {
    const n = pieces.pieces.length;
    const own = buildingReferred(before, building);
    const named = levels.map((ref) => levelReferred(before, ref, own).record.name);
    return `Put in ${n === 1 ? 'one thing' : `${n} things`} at ${named.join(', ')}`;
  },
});

/** A record whose lengths that name dimensions which are not there are what they were. */
function withLengths(framework: Framework, { dimensions }: Pieces, record: Rec): Rec {
  const values = new Map(dimensions.map(({ id, mm }) => [id, mm]));
  return (walkOfKind(record.kind)?.change(record, (mark, value) => {
    if (mark.is !== 'length') return undefined;
    const length = value as Length;
    if (dimensionsUsed(length).every((id) => framework.records.has(id))) return undefined;
    return lengthMm(length, (id) => values.get(id)) ?? 0;
  }) ?? record) as Rec;
}

interface Piece {
  held: Rec;
  free: Rec;
}

/** What others refer to comes before them. */
function inOrder(pieces: readonly Piece[]): Piece[] {
  const byId = new Map(pieces.map((piece) => [piece.held.id, piece]));
  const sorted = new Set<Piece>();
  const seen = new Set<Piece>();
  const visit = (piece: Piece) => {
    if (seen.has(piece)) return;
    seen.add(piece);
    for (const { id } of referencesOf(piece.held)) {
      const other = byId.get(id);
      if (other) visit(other);
    }
    sorted.add(piece);
  };
  for (const piece of pieces) visit(piece);
  return [...sorted];
}

/** What pieces hang on, brought along where the same is not there: their ids in the framework. */
function hangsOn(edit: Edit, records: readonly Rec[]): Map<Id, Id> {
  const ids = new Map<Id, Id>();
  for (const record of records) {
    if (edit.before.records.get(record.id)?.kind === record.kind) {
      ids.set(record.id, record.id);
      continue;
    }
    const same = recordsOf(edit.framework, record.kind).find((other) => isSame(other, record));
    if (same) {
      ids.set(record.id, same.id);
      continue;
    }
    const { id: _, ...rest } = record;
    const own = 'name' in record ? { name: nameFor(edit.framework, record) } : {};
    ids.set(record.id, edit.add({ ...rest, ...own } as never).id);
  }
  return ids;
}

/** Whether two records say the same, under the same name or one that a number was put to. */
function isSame(other: Rec, record: Rec): boolean {
  const [named, own] = [other, record].map((each) => ('name' in each ? (each.name ?? '') : ''));
  const bare = (each: Rec) => ({ ...(each as object), id: '', name: '' });
  const rest = named!.startsWith(own!) ? named!.slice(own!.length) : null;
  return rest !== null && /^( \d+)?$/.test(rest) && sameJson(bare(other), bare(record));
}

/** Its own name, or the next with a number where another one has it. */
function nameFor(framework: Framework, record: Rec): string {
  const { name } = record as { name: string };
  const taken = new Set(recordsOf(framework, record.kind).map((other) => (other as { name?: string }).name));
  for (let n = 1; ; n += 1) {
    const next = n === 1 ? name : `${name} ${n}`;
    if (!taken.has(next)) return next;
  }
}

interface LevelFor {
  /** The level that far from the new one; null: there is none. */
  exact: (level: Id) => Id | null;
  /** The same, or the lowest or highest there is. */
  nearest: (level: Id) => Id | null;
}

/** Which level each level of where pieces were taken from is now. */
function levelsAt(framework: Framework, { levels, building: from }: Pieces, building: Id, level: Id): LevelFor {
  const steps = new Map(levels.map((each) => [each.id, each.steps]));
  const storeys = levelsOf(framework, building)
    .filter(({ bounding }) => bounding)
    .map(({ id }) => id);
  const base = storeys.indexOf(level);
  if (base < 0)
    refuseNow(`${called(recordOf(framework, 'level', level)!)} bounds no storey. Say one that does`, ['levels']);
  const at = (id: Id): number | null => {
    const step = steps.get(id);
    return step === undefined || step === null ? null : base + step;
  };
  // A level without a storey has none in its place elsewhere.
  const asItIs = (id: Id) => (from.id === building && framework.records.has(id) ? id : null);
  return {
    exact: (id) => {
      const index = at(id);
      return index === null ? asItIs(id) : (storeys[index] ?? null);
    },
    nearest: (id) => {
      const index = at(id);
      return index === null ? asItIs(id) : storeys[Math.min(Math.max(index, 0), storeys.length - 1)]!;
    },
  };
}

interface Where {
  building: Id;
  levelFor: LevelFor;
  known: ReadonlyMap<Id, Id>;
  by: Point;
}

function putIn(edit: Edit, pieces: Pieces, all: readonly Piece[], where: Where): void {
  const made = new Map<Id, Id>(where.known);
  for (const piece of all) {
    const isHeld = pieces.building.id === where.building && isThere(edit, piece.held, made, pieces);
    const record = isHeld ? piece.held : between(edit.before, pieces, piece.free, where.building);
    const placed = withRefs(edit, pieces, record, where, made);
    const [id] = addCopies(edit, placed, [where.by]);
    made.set(piece.held.id, id!);
  }
  for (const members of pieces.cores) {
    const own = members.flatMap((id) => made.get(id) ?? []);
    if (own.length === members.length)
      edit.add<'core'>({
        kind: 'core',
        building: where.building,
        name: freeName(edit.framework, 'core'),
        members: own,
      });
  }
}

/** Whether all that a piece is held to is there: then it is held to it again. */
const isThere = (edit: Edit, record: Rec, made: ReadonlyMap<Id, Id>, { levels }: Pieces): boolean =>
  referencesOf(record).every(({ id }) => edit.has(id) || made.has(id) || levels.some((level) => level.id === id));

/** A piece where it stood on the site, in the axes of another building of the same project; of another project, in those of its building. */
function between(framework: Framework, { building: from }: Pieces, record: Rec, building: Id): Rec {
  const there = recordOf(framework, 'building', from.id);
  const to = recordOf(framework, 'building', building)!;
  if (!there || from.id === building) return record;
  const at = { x: mmOf(framework, to.xMm), y: mmOf(framework, to.yMm) };
  // The zero of the one in the axes of the other, and how far those are turned.
  const zero = quantised(turned({ x: from.xMm - at.x, y: from.yMm - at.y }, -to.turnDeg));
  const inPlace = turnedInPlan(framework, record, { about: { x: 0, y: 0 }, deg: from.turnDeg - to.turnDeg });
  return shiftedRecord(framework, inPlace, zero);
}

const shiftedRecord = (framework: Framework, record: Rec, by: Point): Rec =>
  walkOfKind(record.kind)!.change(record, (mark, value) => {
    const moved = (place: { xMm: Length; yMm: Length }) => {
      const { x, y } = plus({ x: mmOf(framework, place.xMm), y: mmOf(framework, place.yMm) }, by);
      return { ...place, xMm: x, yMm: y };
    };
    if (mark.is === 'place' || mark.is === 'origin') return moved(value as { xMm: Length; yMm: Length });
    if (mark.is !== 'outline') return undefined;
    const outline = value as { place: { xMm: Length; yMm: Length } };
    return { ...outline, place: moved(outline.place) };
  }) as Rec;

/** A piece with levels, building and types of where it is put in; what is not there it lets go of. */
function withRefs(
  edit: Edit,
  pieces: Pieces,
  record: Rec,
  { building, levelFor }: Where,
  made: ReadonlyMap<Id, Id>,
): Rec {
  const isLevel = new Set(pieces.levels.map(({ id }) => id));
  const change: Changed = (mark, value) => {
    if (mark.is === 'end') {
      const end = value as { level: Id };
      const level =
        levelFor.nearest(end.level) ??
        (edit.has(end.level) && !isLevel.has(end.level) ? end.level : null) ??
        refuseNow(`${called(record)} ends at a level that is not there. Change that first`);
      return { ...end, level };
    }
    if (mark.is === 'extent' && value !== null && typeof value === 'object' && 'range' in value) {
      const [low, high] = (value as { range: [Id, Id] }).range;
      return { ...value, range: [levelFor.nearest(low) ?? low, levelFor.nearest(high) ?? high] };
    }
    if (mark.is === 'limit') return value === null ? undefined : levelFor.nearest(value as Id);
    if (mark.is !== 'ref') return undefined;
    const id = value as Id;
    if (id === pieces.building.id) return building;
    if (isLevel.has(id)) return levelFor.exact(id) ?? GONE;
    return made.get(id) ?? (edit.has(id) ? undefined : GONE);
  };
  const changed = walkOfKind(record.kind)!.change(record, change);
  if (changed === GONE || changed === RECORD_GONE)
    refuseNow(`${called(record)} cannot stand there: what it belongs to is not there`);
  return changed as Rec;
}

export const PASTE_COMMANDS = [paste] as const;

declare module '../commands/command-inputs' {
  interface CommandInputs extends InputsOf<typeof PASTE_COMMANDS> {}
}
