import { mmOf } from '../dimensions/resolve-length';
import { minus, plus, turned } from '../geometry/point';
import { resolvePlace } from '../outlines/resolve-place';
import type { Length } from '../units/parse-length';
import { mirrored, mirroredDeg } from '../elements/mirror-outline';
import type { Mirror } from '../kinds/kind';
import type { Edit } from '../model/edit';
import { acting } from '../setting-out/acting';
import { quantiseMm } from '../units/length-units';
import type { ColumnStack, Keep } from './column';
import { placeOf } from './column-input';
import { nearestCrossing } from './nearest-crossing';

/** What is kept of a section, mirrored: its right side becomes its left one. */
const OTHER_SIDE: Record<Keep, Keep> = { centre: 'centre', 'x+': 'x-', 'x-': 'x+', 'y+': 'y+', 'y-': 'y-' };

/** A stack mirrored in a line, on the crossing it comes to stand on. */
export function mirrorStack(edit: Edit, stack: ColumnStack, mirror: Mirror): ColumnStack {
  const from = acting(edit.before, stack);
  const at = mirrored(mirror, from.at);
  const near = nearestCrossing(edit.before, stack.building, { xMm: at.x, yMm: at.y }, 1);
  const turnDeg = mirroredDeg(mirror, from.turnDeg + 180);
  const { turnDeg: axesDeg } = resolvePlace(edit.before, stack.place);
  const mm = (length: Length) => mmOf(edit.before, length);
  // Shifts run along the axes of a place: over to the mirrored place's.
  const shiftMirrored = ({ xMm, yMm }: ColumnStack['exceptions'][number]) => {
    const shift = turned({ x: mm(xMm), y: mm(yMm) }, axesDeg);
    const over = minus(mirrored(mirror, plus(mirror.on, shift)), mirror.on);
    const { x, y } = turned(over, -(near?.turnDeg ?? 0));
    return { xMm: x, yMm: y };
  };
  return {
    ...stack,
    place: near ? { ...placeOf(near), xMm: near.shift.x, yMm: near.shift.y } : { lines: null, xMm: at.x, yMm: at.y },
    turnDeg: quantiseMm(turnDeg - (near?.turnDeg ?? 0)),
    holds: [],
    exceptions: stack.exceptions.map((each) => ({
      ...each,
      ...shiftMirrored(each),
      keep: OTHER_SIDE[each.keep],
      turnDeg: quantiseMm(-each.turnDeg),
    })),
  };
}
