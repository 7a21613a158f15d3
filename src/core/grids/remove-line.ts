import { lengthPlus } from '../dimensions/resolve-length';
import { letGo } from '../elements/let-go';
import type { Edit } from '../model/edit';
import { recordOf } from '../model/framework';
import type { Id } from '../model/ids';
import { refuseNow } from '../commands/length-input';
import { quantiseMm } from '../units/length-units';
import type { GridLine } from './grid';
import { lineById } from './resolve-grids';
import { shiftOrigin } from './shift-origin';

/** Takes a line out; its two bays become one. What stands on it keeps its place in plan. */
export function removeLine(edit: Edit, id: Id): void {
  const [grid, line] = lineById(edit.before, id)!;
  const next = [...edit.all()].find((record): record is GridLine => record.kind === 'gridLine' && record.from === id);
  const own = recordOf(edit.framework, 'gridLine', id)!;
  const isFirst = own.from === null;
  const { shape } = grid.record;
  if (shape === 'radial' && line.direction === 'b' && isFirst && !next)
    refuseNow('The last ring cannot go. Remove the whole grid instead');
  if (next) {
    if (own.bayDeg !== null) {
      edit.set('gridLine', next.id, {
        from: own.from,
        bayDeg: isFirst ? 0 : quantiseMm((next.bayDeg ?? 0) + own.bayDeg),
      });
      if (isFirst) {
        const turn = grid.record.waysOf.a * (next.bayDeg ?? 0);
        edit.set('gridSystem', grid.id, { turnDeg: quantiseMm((grid.turnDeg + turn) % 360) });
      }
    } else {
      const sum = lengthPlus(next.bayMm, typeof own.bayMm === 'number' ? own.bayMm : line.bayMm);
      const startsAnew = isFirst && shape === 'rectangular';
      edit.set('gridLine', next.id, { from: own.from, bayMm: startsAnew ? 0 : sum });
      if (startsAnew) shiftOrigin(edit, grid, line, lineById(edit.before, next.id)?.[1].bayMm ?? 0);
    }
  }
  edit.remove(id);
  letGo(edit);
}
