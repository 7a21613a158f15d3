import { acting } from '../columns/acting-place';
import type { Edit } from '../model/edit';
import type { Id } from '../model/ids';
import { refuseNow } from '../model/length-input';
import { resolvePlace } from '../outlines/resolve-place';
import { quantiseMm } from '../units/length-units';

/**
 * Frees whatever is held to a line that goes: it stays where it is, held from the building's zero. Setting-out lines
 * offset from it go with it.
 */
export function detachFrom(edit: Edit, line: Id): void {
  for (const record of [...edit.all()]) {
    if (record.kind === 'gridLine' && record.jointOf === line) edit.set('gridLine', record.id, { jointOf: null });
    if (record.kind === 'settingOutLine' && record.source === line) {
      edit.remove(record.id);
      detachFrom(edit, record.id);
    }
    if (record.kind === 'columnStack') {
      const holds = record.holds.filter((hold) => hold.line !== line);
      const isOn = record.place.line === line || (record.place.lines?.includes(line) ?? false);
      if (!isOn && holds.length === record.holds.length) continue;
      const { at, turnDeg, mark } = acting(edit.before, record);
      // Held to another line still, it keeps that hold, which leaves it where it stands.
      edit.set('columnStack', record.id, {
        place: { lines: null, xMm: at.x, yMm: at.y },
        turnDeg: quantiseMm(turnDeg),
        name: record.name ?? mark,
        holds,
      });
    }
    if (record.kind !== 'shaft' && record.kind !== 'floorPlate') continue;
    const { outline } = record;
    if (outline.type === 'lines' && outline.edges.some((edge) => edge.line === line)) {
      refuseNow(`An edge of ${record.name} is held to this line. Hold it to another one first`);
    }
    if (outline.type === 'gridOffset' || outline.type === 'lines') continue;
    if (outline.place.line !== line && !outline.place.lines?.includes(line)) continue;
    const at = resolvePlace(edit.before, outline.place);
    const place = { lines: null, xMm: at.at.x, yMm: at.at.y };
    if (outline.type === 'polygon' && at.turnDeg !== 0) {
      refuseNow(`${record.name} stands on a crossing of this line in a turned grid. Move it off first`);
    }
    edit.set(record.kind, record.id, {
      outline:
        outline.type === 'rectangle'
          ? { ...outline, place, turnDeg: quantiseMm(outline.turnDeg + at.turnDeg) }
          : { ...outline, place },
    });
  }
}
