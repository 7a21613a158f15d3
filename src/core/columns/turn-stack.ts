import { turnedInPlan, turnedAbout, turnedShift } from '../elements/turn-in-plan';
import { distance } from '../geometry/point';
import { inOneTurn } from '../geometry/turn';
import type { Turn } from '../kinds/kind';
import type { Edit } from '../model/edit';
import { resolvePlace } from '../outlines/resolve-place';
import { acting } from '../setting-out/acting';
import type { ColumnStack } from './column';
import { placeOf } from './column-input';
import { nearestCrossing } from './nearest-crossing';

/** Nearer than this to the point it is turned about, it turns in its place, mm. */
const IN_PLACE_MM = 1e-3;

/** A stack turned about a point: in its own place it keeps what it is held to; elsewhere it stands on the crossing it comes to. */
export function turnStack(edit: Edit, stack: ColumnStack, turn: Turn): ColumnStack {
  const from = acting(edit.before, stack);
  if (distance(from.at, turn.about) < IN_PLACE_MM)
    return { ...turnedInPlan(edit.before, stack, { ...turn, about: resolvePlace(edit.before, stack.place).at }) };
  const at = turnedAbout(turn, from.at);
  const near = nearestCrossing(edit.before, stack.building, { xMm: at.x, yMm: at.y }, 1);
  const axesDeg = near?.turnDeg ?? 0;
  const byDeg = resolvePlace(edit.before, stack.place).turnDeg + turn.deg - axesDeg;
  return {
    ...stack,
    place: near ? { ...placeOf(near), xMm: near.shift.x, yMm: near.shift.y } : { lines: null, xMm: at.x, yMm: at.y },
    turnDeg: inOneTurn(from.turnDeg + turn.deg - axesDeg),
    holds: [],
    exceptions: stack.exceptions.map((each) => turnedShift(edit.before, each, byDeg)),
  };
}
