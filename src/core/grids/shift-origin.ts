import { lengthPlus } from '../dimensions/resolve-length';
import { turned } from '../geometry/point';
import type { Edit } from '../model/edit';
import type { ResolvedGrid, ResolvedLine } from './resolve-grids';

/** Moving the first line of a rectangular system moves the corner it is counted from. */
export function shiftOrigin(edit: Edit, grid: ResolvedGrid, line: ResolvedLine, mm: number): void {
  const axis = turned(line.direction === 'a' ? { x: 1, y: 0 } : { x: 0, y: 1 }, grid.turnDeg);
  const moved = grid.record.waysOf[line.direction] * mm;
  edit.set('gridSystem', grid.id, {
    xMm: lengthPlus(grid.record.xMm, axis.x * moved),
    yMm: lengthPlus(grid.record.yMm, axis.y * moved),
  });
}
