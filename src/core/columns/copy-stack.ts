import { plus, type Point } from '../geometry/point';
import type { Edit } from '../model/edit';
import type { Id } from '../model/ids';
import { resolvePlace } from '../outlines/resolve-place';
import { quantiseMm } from '../units/length-units';
import type { ColumnStack } from './column';
import { freeMarks, placeOf } from './column-input';
import { nearestCrossing } from './nearest-crossing';

/** Adds copies of a stack and answers their ids: each on the crossing it comes to stand on, or with a free mark where there is none. */
export function copyStack(
  edit: Edit,
  stack: ColumnStack,
  shifts: readonly Point[],
  mark = freeMarks(edit.before),
): Id[] {
  const { id: _, ...rest } = stack;
  const from = resolvePlace(edit.before, stack.place);
  return shifts.map((shift) => {
    const at = plus(from.at, shift);
    const near = nearestCrossing(edit.before, stack.building, { xMm: at.x, yMm: at.y }, 1);
    return edit.add<'columnStack'>({
      ...rest,
      name: near ? null : mark(),
      place: near ? { ...placeOf(near), xMm: near.shift.x, yMm: near.shift.y } : { lines: null, xMm: at.x, yMm: at.y },
      turnDeg: quantiseMm(from.turnDeg + stack.turnDeg - (near?.turnDeg ?? 0)),
      holds: [],
    }).id;
  });
}
