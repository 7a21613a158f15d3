import { acting } from '../setting-out/acting';
import type { ColumnStack } from '../columns/column';
import { mmOf } from '../dimensions/resolve-length';
import { turned } from '../geometry/point';
import type { Edit } from '../model/edit';
import type { Place } from '../model/fields';
import type { Id } from '../model/ids';
import { refuseNow } from '../model/length-input';
import type { Rec } from '../model/record';
import type { Outline } from '../outlines/outline';
import { resolvePlace } from '../outlines/resolve-place';
import type { Shaft } from '../shafts/shaft';
import { quantiseMm } from '../units/length-units';

/**
 * Frees whatever is held to a line that goes: it stays where it is, held from the building's zero. Setting-out lines
 * offset from it go with it.
 */
export function detachFrom(edit: Edit, line: Id): void {
  const gone = new Set([line]);
  // A setting-out line may be offset from another one that goes.
  for (let before = 0; before < gone.size;) {
    before = gone.size;
    for (const record of edit.all()) {
      if (record.kind === 'settingOutLine' && gone.has(record.source)) gone.add(record.id);
    }
  }
  for (const id of gone) edit.remove(id);
  for (const record of [...edit.all()]) free(edit, record, gone);
}

function free(edit: Edit, record: Rec, gone: ReadonlySet<Id>): void {
  switch (record.kind) {
    case 'viewMark':
      if (gone.has(record.of)) edit.remove(record.id);
      return;
    case 'gridLine':
      if (record.jointOf !== null && gone.has(record.jointOf)) edit.set('gridLine', record.id, { jointOf: null });
      return;
    case 'columnStack':
      return freeStack(edit, record, gone);
    case 'level': {
      const extent = record.extent && freed(edit, record.extent, gone, `level ${record.name}`);
      if (extent !== record.extent) edit.set('level', record.id, { extent });
      return;
    }
    case 'shaft':
    case 'floorPlate': {
      const free = (outline: Outline) => freed(edit, outline, gone, record.name);
      const outline = free(record.outline);
      if (outline !== record.outline) edit.set(record.kind, record.id, { outline: outline as Shaft['outline'] });
      if (record.kind === 'floorPlate' && record.zones.length > 0)
        edit.set('floorPlate', record.id, {
          zones: record.zones.map((zone) => ({ ...zone, outline: free(zone.outline) })),
        });
      if (record.exceptions.length === 0) return;
      if (record.kind === 'shaft')
        edit.set('shaft', record.id, {
          exceptions: record.exceptions.map((each) => ({ ...each, outline: each.outline && free(each.outline) })),
        });
      else
        edit.set('floorPlate', record.id, {
          exceptions: record.exceptions.map((each) => ({
            ...each,
            outline: each.outline && free(each.outline),
            voids: each.voids.map(free),
          })),
        });
      return;
    }
    case 'ceiling': {
      const outline = record.outline && freed(edit, record.outline, gone, record.name);
      if (outline !== record.outline) edit.set('ceiling', record.id, { outline });
      return;
    }
    case 'room': {
      if (!standsOn(record.place, gone)) return;
      const { at } = resolvePlace(edit.before, record.place);
      edit.set('room', record.id, { place: { lines: null, xMm: at.x, yMm: at.y } });
      return;
    }
    case 'boundaryLine': {
      if (!standsOn(record.place, gone)) return;
      const { at, turnDeg } = resolvePlace(edit.before, record.place);
      const points = record.points.map(({ xMm, yMm }) => {
        const { x, y } = turned({ x: xMm, y: yMm }, turnDeg);
        return { xMm: quantiseMm(x), yMm: quantiseMm(y) };
      });
      edit.set('boundaryLine', record.id, { place: { lines: null, xMm: at.x, yMm: at.y }, points });
      return;
    }
    case 'wall': {
      if (!standsOn(record.place, gone)) return;
      const { at, turnDeg } = resolvePlace(edit.before, record.place);
      const points = record.points.map(({ xMm, yMm }) => {
        const { x, y } = turned({ x: mmOf(edit.before, xMm), y: mmOf(edit.before, yMm) }, turnDeg);
        return { xMm: quantiseMm(x), yMm: quantiseMm(y) };
      });
      edit.set('wall', record.id, {
        place: { lines: null, xMm: at.x, yMm: at.y },
        points: turnDeg === 0 ? record.points : points,
      });
      return;
    }
    case 'stair': {
      const well = freed(edit, record.well, gone, record.name);
      if (well !== record.well) edit.set('stair', record.id, { well });
      return;
    }
    default:
  }
}

const standsOn = (place: Place, gone: ReadonlySet<Id>): boolean =>
  (place.line !== undefined && gone.has(place.line)) || (place.lines?.some((id) => gone.has(id)) ?? false);

function freeStack(edit: Edit, record: ColumnStack, gone: ReadonlySet<Id>): void {
  const holds = record.holds.filter((hold) => !gone.has(hold.line));
  if (!standsOn(record.place, gone) && holds.length === record.holds.length) return;
  const { at, turnDeg, mark } = acting(edit.before, record);
  // Held to another line still, it keeps that hold, which leaves it where it stands.
  edit.set('columnStack', record.id, {
    place: { lines: null, xMm: at.x, yMm: at.y },
    turnDeg: quantiseMm(turnDeg),
    name: record.name ?? mark,
    holds,
  });
}

/** An outline no longer held to lines that go, where it was. */
function freed(edit: Edit, outline: Outline, gone: ReadonlySet<Id>, name: string): Outline {
  if (outline.type === 'lines' && outline.edges.some((edge) => gone.has(edge.line))) {
    refuseNow(`An edge of ${name} is held to this line. Hold it to another one first`);
  }
  if (outline.type === 'gridOffset' || outline.type === 'lines' || outline.type === 'walls') return outline;
  if (!standsOn(outline.place, gone)) return outline;
  const at = resolvePlace(edit.before, outline.place);
  const place = { lines: null, xMm: at.at.x, yMm: at.at.y };
  if (outline.type === 'polygon' && at.turnDeg !== 0) {
    refuseNow(`${name} stands on a crossing of this line in a turned grid. Move it off first`);
  }
  return outline.type === 'rectangle'
    ? { ...outline, place, turnDeg: quantiseMm(outline.turnDeg + at.turnDeg) }
    : { ...outline, place };
}
