import { mmOf } from '../dimensions/resolve-length';
import { turned } from '../geometry/point';
import type { WhenGone } from '../kinds/marks';
import { GONE, RECORD_GONE, type Changed, type Walk } from '../kinds/walk';
import type { Edit } from '../model/edit';
import type { Length } from '../units/parse-length';
import type { Place } from '../model/fields';
import type { Id } from '../model/ids';
import { refuseNow } from '../commands/length-input';
import { called, recordKindOf, walkOfKind } from '../kinds/records';
import type { Rec } from '../model/kinds';
import type { Outline } from '../outlines/outline';
import { resolvePlace, type ResolvedPlace } from '../outlines/resolve-place';
import { acting } from '../setting-out/acting';
import { quantiseMm } from '../units/length-units';

/**
 * Lets everything go of what an edit has taken out, as each reference says: what follows goes too, what detaches stays
 * where it was, held from the building's zero, and lists lose their entry. What refuses is left for the check of the outcome.
 */
export function letGo(edit: Edit): void {
  for (let gone = goneFrom(edit); gone.size > 0;) {
    const also = new Set<Id>();
    for (const record of [...edit.all()]) {
      const walk = walkOfKind(record.kind);
      const left = walk ? without(edit, record, walk, gone) : record;
      if (left === record) continue;
      if (left !== null) edit.replace(left);
      else {
        edit.remove(record.id);
        also.add(record.id);
      }
    }
    gone = also;
  }
}

function goneFrom(edit: Edit): Set<Id> {
  const gone = new Set<Id>();
  for (const id of edit.before.records.keys()) if (!edit.has(id)) gone.add(id);
  return gone;
}

const whenGone = (edit: Edit, mark: { whenGone: WhenGone; unless: Readonly<Record<string, WhenGone>> }, id: Id) =>
  mark.unless[edit.before.records.get(id)?.kind ?? ''] ?? mark.whenGone;

/** The record without what is gone; itself where it refers to none of that, null where it goes as well. */
function without(edit: Edit, record: Rec, walk: Walk, gone: ReadonlySet<Id>): Rec | null {
  const freed = freedPlace(edit, record, walk, gone);
  const changed: Changed = (mark, value, path) => {
    switch (mark.is) {
      case 'place':
        if (freed && path === 'place') return fromZero(freed);
        return standsOn(value as Place, gone) ? fromZero(resolvePlace(edit.before, value as Place)) : undefined;
      case 'outline':
        return freedOutline(edit, record, value as Outline, gone);
      case 'corners':
      case 'shift':
        return freed && freed.placeTurnDeg !== 0 ? withTurned(edit, value, freed.placeTurnDeg) : undefined;
      case 'turn':
        return freed ? quantiseMm(freed.turnDeg) : undefined;
      case 'ref': {
        if (!gone.has(value as Id)) return undefined;
        const becomes = whenGone(edit, mark, value as Id);
        return becomes === 'refuse' ? undefined : becomes === 'follow' ? RECORD_GONE : GONE;
      }
      default:
        return undefined;
    }
  };
  const left = walk.change(record, changed);
  if (left === GONE || left === RECORD_GONE) return null;
  const more = freed && recordKindOf(record.kind)?.freed?.(record, freed.mark);
  return more ? ({ ...(left as object), ...more } as Rec) : (left as Rec);
}

interface Freed extends ResolvedPlace {
  placeTurnDeg: number;
}

/** Where a record stands that is held to a line that goes; null where it keeps its place. */
function freedPlace(edit: Edit, record: Rec, walk: Walk, gone: ReadonlySet<Id>): Freed | null {
  if (!('place' in record)) return null;
  let isHeld = false;
  walk.see(record, (mark, value, path) => {
    if (mark.is === 'place' && path === 'place') isHeld ||= standsOn(value as Place, gone);
  });
  const place = resolvePlace(edit.before, record.place);
  if (record.kind !== 'columnStack') return isHeld ? { ...place, placeTurnDeg: place.turnDeg } : null;
  if (!isHeld && !record.holds.some(({ line }) => gone.has(line))) return null;
  // Held to another line still, it keeps that hold, which leaves it where it stands.
  const stands = acting(edit.before, record);
  return { ...stands, placeTurnDeg: place.turnDeg };
}

const fromZero = ({ at }: ResolvedPlace): Place => ({ lines: null, xMm: at.x, yMm: at.y });

const standsOn = (place: Place, gone: ReadonlySet<Id>): boolean =>
  (place.line !== undefined && gone.has(place.line)) || (place.lines?.some((id) => gone.has(id)) ?? false);

/** Corners, or one shift, along axes that were turned, along the building's. */
function withTurned(edit: Edit, value: unknown, turnDeg: number): unknown {
  if (Array.isArray(value)) return value.map((each: unknown) => withTurned(edit, each, turnDeg));
  const { xMm, yMm } = value as { xMm: Length; yMm: Length };
  const { x, y } = turned({ x: mmOf(edit.before, xMm), y: mmOf(edit.before, yMm) }, turnDeg);
  return { ...(value as object), xMm: quantiseMm(x), yMm: quantiseMm(y) };
}

/** An outline no longer held to lines that go, where it was. */
function freedOutline(edit: Edit, record: Rec, outline: Outline, gone: ReadonlySet<Id>): Outline | undefined {
  if (outline.type === 'lines' && outline.edges.some((edge) => gone.has(edge.line)))
    refuseNow(`An edge of ${called(record)} is held to this line. Hold it to another one first`);
  if (!('place' in outline) || !standsOn(outline.place, gone)) return undefined;
  const stood = resolvePlace(edit.before, outline.place);
  const place = fromZero(stood);
  if (outline.type === 'rectangle') return { ...outline, place, turnDeg: quantiseMm(outline.turnDeg + stood.turnDeg) };
  if (outline.type === 'circle' || stood.turnDeg === 0) return { ...outline, place };
  return { ...outline, place, points: withTurned(edit, outline.points, stood.turnDeg) as typeof outline.points };
}
