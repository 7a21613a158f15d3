import { z } from 'zod';
import { levelById, storeyLevels } from '../levels/resolve-levels';
import type { Extent } from '../levels/extent';
import { defineCommand } from '../commands/command';
import type { InputsOf } from '../commands/command-inputs';
import type { Edit } from '../model/edit';
import { textSchema } from '../model/fields';
import { recordsOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { refuseNow, refusing } from '../commands/length-input';
import type { Rec, RecordOf } from '../model/kinds';
import { buildingAsked, levelReferred, refSchema } from '../commands/refer';
import { freeOpeningNames, freeWallName } from '../walls/wall-input';
import { wallPath } from '../walls/wall-path';
import { following, type Typical } from './typical';
import { endAt, isWallOf } from './typical-walls';

type Wall = RecordOf<'wall'>;

/** A wall's path and build as text: walls alike have equal texts. */
function shapeOf(framework: Framework, wall: Wall): string {
  const path = wallPath(framework, wall);
  const corners = path?.points.map(({ x, y }) => `${x},${y}`).sort() ?? [];
  return `${wall.type} ${wall.closed} ${path ? Math.abs(path.leftOf(0)) : ''} ${corners.join(' ')}`;
}

const follow = defineCommand({
  name: 'typical.follow',
  title: 'Let levels follow one master: typical floors',
  input: z.strictObject({
    master: refSchema,
    levels: z.array(refSchema).min(1, 'Choose the levels that follow').max(400),
    building: refSchema.optional(),
    name: textSchema(40).optional(),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const master = levelReferred(edit.before, input.master, buildingAsked(edit.before, input.building));
      const { masterOf } = following(edit.before);
      const groups = recordsOf(edit.before, 'typical');
      if (!master.bounding || master.above === null)
        refuseNow(`Level ${master.record.name} has no storey over it. Choose another master`, ['master']);
      if (masterOf.has(master.id))
        refuseNow(`Level ${master.record.name} follows another level itself. Release it first`, ['master']);
      const levels = input.levels.map((ref) => {
        const level = levelReferred(edit.before, ref, master.record.building);
        const { name, building } = level.record;
        if (level.id === master.id) refuseNow(`Level ${name} cannot follow itself`, ['levels']);
        if (building !== master.record.building) refuseNow(`Level ${name} is of another building`, ['levels']);
        if (!level.bounding || level.above === null) refuseNow(`Level ${name} has no storey over it`, ['levels']);
        if (groups.some((group) => group.master === level.id))
          refuseNow(`Other levels follow level ${name}. Release those first`, ['levels']);
        if (masterOf.get(level.id) === master.id) refuseNow(`Level ${name} follows it already`, ['levels']);
        return level.id;
      });
      for (const group of groups) {
        const rest = group.levels.filter((id) => !levels.includes(id));
        if (rest.length === group.levels.length) continue;
        if (rest.length === 0) edit.remove(group.id);
        else edit.set('typical', group.id, { levels: rest });
      }
      const group = groups.find((each) => each.master === master.id);
      if (group) edit.set('typical', group.id, { name: input.name, levels: [...group.levels, ...levels] });
      else
        edit.add<'typical'>({
          kind: 'typical',
          building: master.record.building,
          name: input.name ?? `Typical ${groups.length + 1}`,
          master: master.id,
          levels,
        });
      dropDoubles(edit, master.id, levels);
    }),
  sentence: (before, input) => {
    const names = input.levels.map(
      (ref) => levelReferred(before, ref, buildingAsked(before, input.building)).record.name,
    );
    const { name } = levelReferred(before, input.master, buildingAsked(before, input.building)).record;
    return `Level${names.length === 1 ? '' : 's'} ${names.join(', ')} follow${names.length === 1 ? 's' : ''} level ${name}`;
  },
});

/** Walls of joining levels that stand as the master's do are the master's from now on. */
function dropDoubles(edit: Edit, master: Id, levels: readonly Id[]): void {
  const walls = recordsOf(edit.before, 'wall');
  const shapes = new Set(
    walls.filter((wall) => isWallOf(edit.before, wall, master)).map((wall) => shapeOf(edit.before, wall)),
  );
  const held = new Set(
    [...edit.before.records.values()].flatMap((record) =>
      record.kind === 'core' ? record.members : record.kind === 'foundation' ? record.under : [],
    ),
  );
  for (const wall of walls) {
    if (held.has(wall.id) || !levels.some((level) => isWallOf(edit.before, wall, level))) continue;
    if (shapes.has(shapeOf(edit.before, wall))) edit.remove(wall.id);
  }
}

const release = defineCommand({
  name: 'typical.release',
  title: 'Release levels from the master they follow; what stands there becomes their own',
  input: z.strictObject({
    levels: z.array(refSchema).min(1, 'Choose the levels to release').max(400),
    building: refSchema.optional(),
    /** False: what came from the master goes. */
    keep: z.boolean().default(true),
  }),
  plan: (edit, input) =>
    refusing(() => {
      for (const ref of input.levels) {
        const level = levelReferred(edit.framework, ref, buildingAsked(edit.before, input.building));
        const group = recordsOf(edit.framework, 'typical').find(({ levels }) => levels.includes(level.id));
        if (!group) return refuseNow(`Level ${level.record.name} follows no other`, ['levels']);
        if (input.keep) makeOwn(edit, group, level.id);
        const levels = group.levels.filter((id) => id !== level.id);
        if (levels.length === 0) edit.remove(group.id);
        else edit.set('typical', group.id, { levels });
      }
    }),
  sentence: (before, input) => {
    const names = input.levels.map(
      (ref) => levelReferred(before, ref, buildingAsked(before, input.building)).record.name,
    );
    return `Level${names.length === 1 ? '' : 's'} ${names.join(', ')} released from the master`;
  },
});

/** Copies what a level has from its master, so that it stays when the level no longer follows. */
function makeOwn(edit: Edit, { master }: Typical, level: Id): void {
  const now = edit.framework;
  for (const wall of recordsOf(now, 'wall')) {
    if (!isWallOf(now, wall, master)) continue;
    const out = wall.exceptions.find((each) => each.level === level && each.leftOut);
    const rest = wall.exceptions.filter((each) => each.level !== level);
    if (rest.length < wall.exceptions.length) edit.set('wall', wall.id, { exceptions: rest });
    if (out) continue;
    const take = freeOpeningNames(edit.framework);
    const { id: _, ...fields } = wall;
    edit.add<'wall'>({
      ...fields,
      name: freeWallName(edit.framework),
      startsAt: endAt(now, wall.startsAt, master, level),
      stopsAt: endAt(now, wall.stopsAt, master, level),
      exceptions: [],
      openings: wall.openings
        .filter(({ at }) => at === 'all' || at.includes(master) || at.includes(level))
        .map((opening) => ({ ...opening, id: edit.newId(), name: take(opening.opening), at: 'all' as const })),
    });
  }
  const roomNow = new Map<Id, Id>();
  for (const kind of ['room', 'boundaryLine'] as const) {
    for (const record of recordsOf(now, kind)) {
      if (record.level !== master) continue;
      const { id, ...fields } = record;
      roomNow.set(id, edit.add({ ...fields, level } as Omit<RecordOf<'room'>, 'id'>).id);
    }
  }
  const storeys = storeyLevels(now, levelById(now, level)!.record.building);
  for (const stack of recordsOf(now, 'columnStack')) copyExceptions(edit, stack, master, level);
  for (const shaft of recordsOf(now, 'shaft')) copyExceptions(edit, shaft, master, level);
  for (const plate of now.records.values()) {
    if (!isServing(plate)) continue;
    if (!serves(plate, master, storeys)) continue;
    if (!serves(plate, level, storeys)) {
      const served = storeys.filter(({ id }) => serves(plate, id, storeys) || id === level).map(({ id }) => id);
      edit.set(plate.kind as 'ceiling', plate.id, { levels: { at: served } });
    }
    if (plate.kind === 'floorPlate' && plate.zones.length > 0)
      edit.set('floorPlate', plate.id, {
        zones: plate.zones.map((zone) =>
          zone.levels !== 'all' && zone.levels.includes(master) && !zone.levels.includes(level)
            ? { ...zone, levels: [...zone.levels, level] }
            : zone,
        ),
      });
    if (plate.kind === 'ceiling' && plate.rooms.length > 0) {
      const own = plate.rooms.flatMap((id) => roomNow.get(id) ?? []);
      edit.set('ceiling', plate.id, { rooms: [...plate.rooms, ...own] });
    }
    copyExceptions(edit, plate, master, level);
  }
}

/** What serves levels and may differ at them. */
type Serving = Extract<Rec, { levels: Extent; exceptions: unknown }>;
const isServing = (record: Rec): record is Serving => 'levels' in record && 'exceptions' in record;

type Excepted = Serving | RecordOf<'columnStack'> | RecordOf<'shaft'>;

/** What differs at the master only does at a level that leaves it, unless something of its own does. */
function copyExceptions(edit: Edit, record: Excepted, master: Id, level: Id): void {
  const copied = <E extends { level: Id; upwards: boolean }>(all: readonly E[]): E[] | undefined => {
    const here = all.filter((each) => each.level === master && !each.upwards);
    if (here.length === 0 || all.some((each) => each.level === level)) return undefined;
    return [...all, ...here.map((each) => ({ ...each, level }))];
  };
  const all: readonly { level: Id; upwards: boolean }[] = record.exceptions;
  edit.set(record.kind, record.id, { exceptions: copied(all) } as Partial<typeof record>);
}

function serves(
  { levels }: Pick<RecordOf<'floorPlate'>, 'levels'>,
  level: Id,
  storeys: readonly { id: Id }[],
): boolean {
  if ('at' in levels) return levels.at.includes(level);
  const rank = (id: Id) => storeys.findIndex((each) => each.id === id);
  const [a, b] = levels.range.map(rank) as [number, number];
  return rank(level) >= Math.min(a, b) && rank(level) <= Math.max(a, b);
}

export const TYPICAL_COMMANDS = [follow, release] as const;

declare module '../commands/command-inputs' {
  interface CommandInputs extends InputsOf<typeof TYPICAL_COMMANDS> {}
}
