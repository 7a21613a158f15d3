import { GONE, RECORD_GONE, type Changed } from '../kinds/walk';
import { lengthPlus, mmOf } from '../dimensions/resolve-length';
import type { Edit } from '../model/edit';
import type { End } from '../model/fields';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { refuseNow } from '../commands/length-input';
import { called, referencesOf, walkOfKind } from '../kinds/records';
import type { Rec } from '../model/kinds';
import { calledIn } from '../commands/refer';
import { letGo } from '../elements/let-go';
import { quantiseMm } from '../units/length-units';
import { extentWithout, type Extent } from './extent';
import { levelById, levelsOf, type ResolvedLevel } from './resolve-levels';

/** `nextLevel`: the end goes to the neighbouring level; `keepHeight`: it stays where it is, held from there; `delete`: the thing goes. */
export type EndsChoice = 'nextLevel' | 'keepHeight' | 'delete';

interface Removal {
  level: ResolvedLevel;
  /** The next levels that bound storeys. */
  above: ResolvedLevel | undefined;
  below: ResolvedLevel | undefined;
  ends: EndsChoice;
}

/** Removes a level. The others keep their heights; what starts, stops or stands there follows the choice. */
export function removeLevel(edit: Edit, { id }: { id: Id }, ends: EndsChoice): void {
  // As it stands now: several levels may go in one edit.
  const now = edit.framework;
  const level = levelById(now, id)!;
  const levels = levelsOf(now, level.record.building);
  if (level.record.locked) refuseNow(`Level ${level.record.name} is locked. Unlock it first`);
  const others = levels.filter(({ id, bounding }) => id !== level.id && bounding);
  const above = others.find(({ id }) => id === level.above);
  const below = others.find(({ id }) => id === level.below);
  rehang(edit, levels, level, above ?? below);
  edit.remove(level.id);
  const removal = { level, above, below, ends };
  for (const record of hangingOn(now, level.id)) {
    const left = ends === 'delete' && endsOrStarts(record, level.id) ? null : refitted(record, removal);
    if (left === null) edit.remove(record.id);
    else edit.replace(left);
  }
  letGo(edit);
}

/** True for what starts or stops at a level. */
const endsOrStarts = (record: Rec, level: Id): boolean =>
  'startsAt' in record && (record.startsAt.level === level || record.stopsAt.level === level);

/** Things other than levels that refer to a level: what a removal would reach. */
function hangingOn(framework: Framework, level: Id): Rec[] {
  return [...framework.records.values()]
    .filter((record) => record.kind !== 'level' && referencesOf(record).some(({ id }) => id === level))
    .sort((a, b) => (a.id < b.id ? -1 : 1));
}

/** One line per thing a removal would reach, for the preview. */
export function removalPreview(framework: Framework, level: ResolvedLevel): string[] {
  return hangingOn(framework, level.id)
    .filter(({ kind }) => kind !== 'viewMark' && kind !== 'namedView')
    .map((record) => {
      if ('levels' in record && record.kind !== 'typical') return `${called(record)} no longer serves this level`;
      if ('holds' in record && record.exceptions.some((each) => each.level === level.id))
        return `${calledIn(framework, record)} differs here`;
      if (record.kind === 'roof') return `${called(record)} lies here and goes`;
      if (record.kind === 'foundation') return `${called(record)} is held to it`;
      if (record.kind === 'typical')
        return record.master === level.id ? 'other levels follow it' : 'it follows another level';
      if (!('startsAt' in record)) return `${called(record)} begins or ends here`;
      const name = calledIn(framework, record);
      const starts = record.startsAt.level === level.id;
      const stops = record.stopsAt.level === level.id;
      return `${name} ${starts && stops ? 'starts and stops' : starts ? 'starts' : 'stops'} here`;
    });
}

/** Holds the removed level's dependants from where it was held, at the same heights. */
function rehang(
  edit: Edit,
  levels: readonly ResolvedLevel[],
  level: ResolvedLevel,
  successor: ResolvedLevel | undefined,
): void {
  const dependants = levels.filter(({ record }) => record.from === level.id);
  const { from } = level.record;
  if (from !== null) {
    const own = mmOf(edit.before, level.record.heightMm);
    for (const { id, record } of dependants)
      edit.set('level', id, { from, heightMm: lengthPlus(record.heightMm, own) });
    return;
  }
  if (!successor) {
    if (levels.length > 1) refuseNow('The last storey cannot go while other levels hang on it. Remove those first');
    return;
  }
  // The level held from zero goes: its neighbour takes that part.
  const heir = dependants.find(({ id }) => id === successor.id) ?? successor;
  edit.set('level', heir.id, { from: null, heightMm: heir.fflMm });
  for (const { id, fflMm } of dependants) {
    if (id !== heir.id) edit.set('level', id, { from: heir.id, heightMm: quantiseMm(fflMm - heir.fflMm) });
  }
}

/** A record that hangs on a level that goes, as it is without it; null where nothing is left of it. */
function refitted(record: Rec, { level, above, below, ends }: Removal): Rec | null {
  if (record.kind === 'typical' && record.master === level.id)
    refuseNow(`Other levels follow level ${level.record.name}. Release them first`);
  const next = (side: 'start' | 'stop' | 'top') => (side === 'stop' ? (below ?? above) : (above ?? below));
  const changed: Changed = (mark, value, path) => {
    switch (mark.is) {
      case 'end': {
        const end = value as End;
        if (end.level !== level.id) return undefined;
        // A start goes up to the next level, a stop goes down, so the thing never grows.
        const to = next(mark.side);
        if (!to && mark.side === 'top')
          refuseNow(`${called(record)} hangs on level ${level.record.name}. Delete it first`);
        // What only another building wants there stays without it.
        if (!to) return path.startsWith('sharedEnds') ? GONE : RECORD_GONE;
        const keeps = ends === 'keepHeight' && mark.side !== 'top' && !mark.floors;
        const shift = keeps ? level.fflMm - to.fflMm : 0;
        return { ...end, level: to.id, offsetMm: lengthPlus(end.offsetMm, shift) };
      }
      case 'limit':
        // A range that ended here ends at the next level inside it.
        if (value !== level.id) return undefined;
        return (mark.side === 'lowest' ? above : below)?.id ?? null;
      case 'extent':
        return extentWithout(value as Extent, level.id, above?.id, below?.id) ?? RECORD_GONE;
      case 'exceptions':
        return movedUp(value as { level: Id; upwards: boolean }[], level.id, above?.id);
      case 'movesUp':
        return value === level.id ? (above?.id ?? GONE) : undefined;
      default:
        return undefined;
    }
  };
  const left = walkOfKind(record.kind)!.change(record, changed);
  if (left === GONE || left === RECORD_GONE) return null;
  return isCollapsed(left as Rec, record, ends) ? null : (left as Rec);
}

/** True if a thing now starts where it stops, and did not before. */
function isCollapsed(left: Rec, before: Rec, ends: EndsChoice): boolean {
  if (!('startsAt' in left) || !('startsAt' in before)) return false;
  if (ends !== 'nextLevel' && left.kind !== 'stair') return false;
  const same = left.startsAt === before.startsAt && left.stopsAt === before.stopsAt;
  return !same && left.startsAt.level === left.stopsAt.level && left.startsAt.face === left.stopsAt.face;
}

/** Exceptions after a level went: what went upwards from it does so from the next one, unless that has its own. */
function movedUp<E extends { level: Id; upwards: boolean }>(
  exceptions: readonly E[],
  level: Id,
  above?: Id,
): readonly E[] {
  if (!exceptions.some((each) => each.level === level)) return exceptions;
  const taken = new Set(exceptions.filter(({ upwards }) => upwards).map((each) => each.level));
  return exceptions.flatMap((each) => {
    if (each.level !== level) return [each];
    return each.upwards && above !== undefined && !taken.has(above) ? [{ ...each, level: above }] : [];
  });
}
