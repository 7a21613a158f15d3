import { turnedInPlan, turnedAbout, turnedShift } from '../elements/turn-in-plan';
import { distance } from '../geometry/point';
import { inOneTurn } from '../geometry/turn';
import type { Turn } from '../kinds/kind';
import type { Framework } from '../model/framework';
import { resolvePlace } from '../outlines/resolve-place';
import { acting } from '../setting-out/acting';
import type { ColumnStack } from './column';
import { placeOf } from './column-input';
import { nearestCrossing } from './nearest-crossing';

/** Nearer than this to the point it is turned about, it turns in its place, mm. */
const IN_PLACE_MM = 1e-3;

/** A stack turned about a point: in its own place it keeps what it is held to; elsewhere it stands on the crossing it comes to. */
export function turnStack(framework: Framework, stack: ColumnStack, turn: Turn): ColumnStack {
  const from = acting(framework, stack);
  if (distance(from.at, turn.about) < IN_PLACE_MM)
    return turnedInPlan(framework, stack, { ...turn, about: resolvePlace(framework, stack.place).at });
  const at = turnedAbout(turn, from.at);
  const near = nearestCrossing(framework, stack.building, { xMm: at.x, yMm: at.y }, 1);
  const axesDeg = near?.turnDeg ?? 0;
  const byDeg = resolvePlace(framework, stack.place).turnDeg + turn.deg - axesDeg;
  return {
    ...stack,
    place: near ? { ...placeOf(near), xMm: near.shift.x, yMm: near.shift.y } : { lines: null, xMm: at.x, yMm: at.y },
    turnDeg: inOneTurn(from.turnDeg + turn.deg - axesDeg),
    holds: [],
    exceptions: stack.exceptions.map((each) => turnedShift(framework, each, byDeg)),
  };
}
