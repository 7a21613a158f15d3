import { z } from 'zod';
import { axisLines, type AxisLine } from '../grids/axis-lines';
import { buildingCrossings, crossingOf, type Crossing } from '../grids/crossings';
import { gridById, gridsOf, lineById, type ResolvedGrid, type ResolvedLine } from '../grids/resolve-grids';
import { levelById, type ResolvedLevel } from '../levels/resolve-levels';
import { resolvePlace } from '../outlines/resolve-place';
import { recordsOf, type Framework } from '../model/framework';
import { isUuid, type Id } from '../model/ids';
import { refuseNow } from './length-input';
import { called, wordOf } from '../kinds/records';
import type { Kind, Rec, RecordOf } from '../model/kinds';

/** A thing named in a command's input: its id, or its name where only one thing has it. */
export const refSchema = z.string().trim().min(1).max(64).meta({ description: 'Id, or name if only one thing has it' });

/** The building referred to; when none is named, the only one there is. */
export function buildingReferred(framework: Framework, ref: string | undefined): Id {
  const buildings = recordsOf(framework, 'building');
  if (ref === undefined) {
    if (buildings.length === 1) return buildings[0]!.id;
    refuseNow(buildings.length === 0 ? 'There is no building yet. Add one first' : 'Say which building is meant', [
      'building',
    ]);
  }
  return one(buildings, ref, (building) => building.name, 'building').id;
}

/** The building asked for, by id or name; undefined where none is, for what names its own. */
export const buildingAsked = (framework: Framework, ref: string | undefined): Id | undefined =>
  ref === undefined ? undefined : buildingReferred(framework, ref);

export function levelReferred(framework: Framework, ref: string, building?: Id): ResolvedLevel {
  const byId = levelById(framework, ref);
  if (byId) return byId;
  const levels = recordsOf(framework, 'level').filter((level) => building === undefined || level.building === building);
  return levelById(framework, one(levels, ref, (level) => level.name, 'level').id)!;
}

export function gridReferred(framework: Framework, ref: string | undefined, building?: Id): ResolvedGrid {
  const grids = gridsOf(framework).filter(({ record }) => building === undefined || record.building === building);
  if (ref === undefined) {
    if (grids.length === 1) return grids[0]!;
    refuseNow(grids.length === 0 ? 'There is no grid yet. Add one first' : 'Say which grid is meant', ['system']);
  }
  return gridById(framework, one(grids, ref, (grid) => grid.record.name, 'grid').id)!;
}

export function lineReferred(framework: Framework, ref: string, building?: Id): [ResolvedGrid, ResolvedLine] {
  const byId = lineById(framework, ref);
  if (byId) return byId;
  const lines = gridsOf(framework)
    .filter(({ record }) => building === undefined || record.building === building)
    .flatMap((grid) => [...grid.a, ...grid.b]);
  return lineById(framework, one(lines, ref, (line) => line.label ?? '', 'grid line').id)!;
}

/** A grid line or setting-out line, by id, label or name. */
export function axisReferred(framework: Framework, ref: string, building?: Id): AxisLine {
  const lines = [...axisLines(framework).values()].filter(
    (line) => building === undefined || line.building === building,
  );
  return one(lines, ref, (line) => line.label ?? '', 'grid or setting-out line');
}

/** A crossing of grid lines, or of any two lines where one is a setting-out line: `C-4`, `Front-4`. */
export function crossingReferred(framework: Framework, label: string, building?: Id): Crossing {
  const buildings = building === undefined ? recordsOf(framework, 'building').map(({ id }) => id) : [building];
  const crossings = buildings
    .flatMap((id) => buildingCrossings(framework, id))
    .map((crossing) => ({ ...crossing, id: crossing.lines.join() }));
  if (!crossings.some((crossing) => crossing.label === label)) {
    const found = byLabels(framework, label, building);
    if (found) return found;
  }
  return one(crossings, label, (crossing) => crossing.label ?? '', 'crossing');
}

/** Lines that meet beyond their ends, or a setting-out line with another. */
function byLabels(framework: Framework, label: string, building: Id | undefined): Crossing | null {
  const lines = [...axisLines(framework).values()].filter(
    (line) => line.label !== null && (building === undefined || line.building === building),
  );
  const starts = lines.filter((line) => label.startsWith(`${line.label}-`));
  for (const first of starts) {
    const rest = label.slice(first.label!.length + 1);
    for (const second of lines.filter((line) => line.label === rest && line.id !== first.id)) {
      const crossing = crossingOf(framework, [first.id, second.id]);
      if (crossing) return crossing;
    }
  }
  return null;
}

/** A column stack's mark: typed, or from its crossing. */
export const markOf = (framework: Framework, stack: RecordOf<'columnStack'>): string =>
  stack.name ?? resolvePlace(framework, stack.place).mark ?? 'column';

/** A record in words: `shaft S1`; a column by its mark: `column stack A-1`. */
export const calledIn = (framework: Framework, record: Rec): string =>
  record.kind === 'columnStack' ? `${wordOf(record.kind)} ${markOf(framework, record)}` : called(record);

/** Kinds whose records are called by a name. */
type Named = { [K in Kind]: RecordOf<K> extends { building: Id; name: string | null } ? K : never }[Kind];

/** Things of any kind, each by its id, or by its name or mark where only one thing has it. */
export const thingsSchema = z.array(refSchema).min(1, 'Choose something first').max(5000);

/** The ids of things; what is no name is left as it is, for the command to say that it is gone. */
export function idsOfThings(framework: Framework, refs: readonly string[]): Id[] {
  if (refs.every((ref) => framework.records.has(ref) || isUuid(ref))) return [...refs];
  const byName = new Map<string, Rec[]>();
  for (const record of framework.records.values()) {
    const name = record.kind === 'columnStack' ? markOf(framework, record) : 'name' in record ? record.name : null;
    if (name) byName.set(name, [...(byName.get(name) ?? []), record]);
  }
  return refs.map((ref) => {
    if (framework.records.has(ref) || isUuid(ref)) return ref;
    const named = byName.get(ref) ?? [];
    if (named.length === 1) return named[0]!.id;
    if (named.length === 0) return refuseNow(`There is nothing named ${ref}`, ['ids']);
    const all = named.map((record) => calledIn(framework, record)).join(', ');
    return refuseNow(`There are ${named.length} things named ${ref}: ${all}. Say which one by its id`, ['ids']);
  });
}

/** A thing by its id, or by its name or mark. */
export function thingReferred<K extends Named>(framework: Framework, kind: K, ref: string): RecordOf<K> {
  const things: RecordOf<Named>[] = recordsOf(framework, kind);
  const nameOf = (thing: RecordOf<Named>) =>
    thing.kind === 'columnStack' ? markOf(framework, thing) : (thing.name ?? '');
  return one(things, ref, nameOf, wordOf(kind)) as RecordOf<K>;
}

function one<T extends { id: Id }>(things: readonly T[], ref: string, nameOf: (thing: T) => string, word: string): T {
  const byId = things.find(({ id }) => id === ref);
  if (byId) return byId;
  const named = things.filter((thing) => nameOf(thing) === ref);
  if (named.length === 1) return named[0]!;
  if (named.length > 1) refuseNow(`There are ${named.length} ${word}s named ${ref}. Say which one by its id`);
  const isId = /^[0-9a-f]{8}-/.test(ref);
  return refuseNow(isId ? `That ${word} is not there any more. Choose another` : `There is no ${word} named ${ref}`);
}
