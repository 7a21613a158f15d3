import { lengthPlus, mmOf } from '../dimensions/resolve-length';
import type { Edit } from '../model/edit';
import type { End } from '../model/fields';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { refuseNow } from '../model/length-input';
import { called, referencesOf, type Rec } from '../model/record';
import { markOf } from '../model/refer';
import { letGo } from '../elements/let-go';
import { quantiseMm } from '../units/length-units';
import { extentWithout } from './extent';
import { levelById, levelsOf, type ResolvedLevel } from './resolve-levels';

/** `nextLevel`: the end goes to the neighbouring level; `keepHeight`: it stays where it is, held from there; `delete`: the thing goes. */
export type EndsChoice = 'nextLevel' | 'keepHeight' | 'delete';

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
  for (const record of hangingOn(now, level.id)) {
    if (ends === 'delete' && endsOrStarts(record, level.id)) edit.remove(record.id);
    else refit(edit, record, level, above, below, ends);
  }
  letGo(edit);
}

/** True for what starts or stops at a level. */
const endsOrStarts = (record: Rec, level: Id): boolean =>
  (record.kind === 'columnStack' || record.kind === 'shaft' || record.kind === 'stair' || record.kind === 'wall') &&
  (record.startsAt.level === level || record.stopsAt.level === level);

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
      if (record.kind === 'floorPlate' || record.kind === 'ceiling')
        return `${called(record)} no longer serves this level`;
      if (record.kind === 'columnStack' && record.exceptions.some((each) => each.level === level.id))
        return `column stack ${markOf(framework, record)} differs here`;
      if (record.kind === 'roof') return `${called(record)} lies here and goes`;
      if (record.kind === 'foundation') return `${called(record)} is held to it`;
      if (record.kind === 'typical')
        return record.master === level.id ? 'other levels follow it' : 'it follows another level';
      if (!('startsAt' in record)) return `${called(record)} begins or ends here`;
      const name = record.kind === 'columnStack' ? `column stack ${markOf(framework, record)}` : called(record);
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

function refit(
  edit: Edit,
  record: Rec,
  level: ResolvedLevel,
  above: ResolvedLevel | undefined,
  below: ResolvedLevel | undefined,
  ends: EndsChoice,
): void {
  if (
    record.kind === 'viewMark' ||
    record.kind === 'underlay' ||
    record.kind === 'room' ||
    record.kind === 'boundaryLine'
  )
    return edit.remove(record.id);
  if (record.kind === 'foundation') {
    const next = above ?? below ?? refuseNow(`${called(record)} hangs on level ${level.record.name}. Delete it first`);
    return edit.set('foundation', record.id, { top: { ...record.top, level: next.id } });
  }
  if (record.kind === 'roof') return edit.remove(record.id);
  if (record.kind === 'typical' && record.master === level.id)
    refuseNow(`Other levels follow level ${level.record.name}. Release them first`);
  if (record.kind === 'floorPlate' || record.kind === 'ceiling')
    return refitServing(edit, record, level.id, above?.id, below?.id);
  if (record.kind === 'gridSystem' || record.kind === 'gridLine' || record.kind === 'settingOutLine') {
    // A range that ended here ends at the next level inside it.
    const [from, to] = [record.fromLevel, record.toLevel];
    const range = {
      fromLevel: from === level.id ? (above?.id ?? null) : from,
      toLevel: to === level.id ? (below?.id ?? null) : to,
    };
    return edit.set(record.kind, record.id, range);
  }
  if (record.kind !== 'columnStack' && record.kind !== 'shaft' && record.kind !== 'stair' && record.kind !== 'wall')
    return;
  if (record.kind === 'wall')
    edit.set('wall', record.id, {
      exceptions: movedUp(record.exceptions, level.id, above?.id),
      openings: record.openings.flatMap((opening) => {
        if (opening.at === 'all') return [opening];
        const at = opening.at.filter((id) => id !== level.id);
        return at.length > 0 ? [{ ...opening, at }] : [];
      }),
    });
  if (record.kind === 'columnStack') refitStack(edit, record, level, above);
  if (record.kind === 'shaft')
    edit.set('shaft', record.id, { exceptions: movedUp(record.exceptions, level.id, above?.id) });
  const moved = (end: End, next: ResolvedLevel | undefined): End | null => {
    if (end.level !== level.id) return end;
    if (!next) return null;
    // A stair climbs from floor to floor.
    const shift = ends === 'keepHeight' && record.kind !== 'stair' ? level.fflMm - next.fflMm : 0;
    return { ...end, level: next.id, offsetMm: lengthPlus(end.offsetMm, shift) };
  };
  // A start goes up to the next level, a stop goes down, so the thing never grows.
  const startsAt = moved(record.startsAt, above ?? below);
  const stopsAt = moved(record.stopsAt, below ?? above);
  const collapsed =
    startsAt &&
    stopsAt &&
    (ends === 'nextLevel' || record.kind === 'stair') &&
    startsAt.level === stopsAt.level &&
    startsAt.face === stopsAt.face;
  if (!startsAt || !stopsAt || collapsed) edit.remove(record.id);
  else edit.set(record.kind, record.id, { startsAt, stopsAt });
}

/** Exceptions after a level went: what went upwards from it does so from the next one, unless that has its own. */
function movedUp<E extends { level: Id; upwards: boolean }>(exceptions: readonly E[], level: Id, above?: Id): E[] {
  const taken = new Set(exceptions.filter(({ upwards }) => upwards).map((each) => each.level));
  return exceptions.flatMap((each) => {
    if (each.level !== level) return [each];
    return each.upwards && above !== undefined && !taken.has(above) ? [{ ...each, level: above }] : [];
  });
}

/** What differs from this level up now does from the next one; what differed here only is gone with it. */
function refitStack(
  edit: Edit,
  record: Extract<Rec, { kind: 'columnStack' }>,
  level: ResolvedLevel,
  above: ResolvedLevel | undefined,
): void {
  const isHere = (each: { level: Id }) => each.level === level.id;
  if (![...record.exceptions, ...record.carriedBy].some(isHere) && !record.blocksAt.includes(level.id)) return;
  edit.set('columnStack', record.id, {
    exceptions: movedUp(record.exceptions, level.id, above?.id),
    carriedBy: record.carriedBy.flatMap((each) =>
      isHere(each) ? (above ? [{ ...each, level: above.id }] : []) : [each],
    ),
    blocksAt: record.blocksAt === 'allButTop' ? 'allButTop' : record.blocksAt.filter((id) => id !== level.id),
  });
}

function refitServing(
  edit: Edit,
  record: Extract<Rec, { kind: 'floorPlate' | 'ceiling' }>,
  level: Id,
  above: Id | undefined,
  below: Id | undefined,
): void {
  if (record.kind === 'floorPlate')
    edit.set('floorPlate', record.id, {
      exceptions: movedUp(record.exceptions, level, above),
      zones: record.zones.flatMap((zone) => {
        if (zone.levels === 'all') return [zone];
        const levels = zone.levels.filter((id) => id !== level);
        return levels.length > 0 ? [{ ...zone, levels }] : [];
      }),
    });
  else edit.set('ceiling', record.id, { exceptions: movedUp(record.exceptions, level, above) });
  const levels = extentWithout(record.levels, level, above, below);
  if (levels) edit.set(record.kind, record.id, { levels });
  else edit.remove(record.id);
}
