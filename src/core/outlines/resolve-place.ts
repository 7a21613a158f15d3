import { mmOf } from '../dimensions/resolve-length';
import { pointAlong } from '../geometry/curve';
import { plus, quantised, turned, type Point } from '../geometry/point';
import { axisLine } from '../grids/axis-lines';
import { crossingOf } from '../grids/crossings';
import type { Place } from '../model/fields';
import type { Framework } from '../model/framework';
import { quantiseMm } from '../units/length-units';

/** A place in building axes, with the turn of the axes it is measured along and the crossing's label if it has one. */
export interface ResolvedPlace {
  at: Point;
  turnDeg: number;
  mark: string | null;
}

/** Works out a place. A crossing that is gone counts as the building's zero; integrity checks keep that from happening. */
export function resolvePlace(framework: Framework, place: Place): ResolvedPlace {
  const shift = { x: mmOf(framework, place.xMm), y: mmOf(framework, place.yMm) };
  const axis = place.line ? axisLine(framework, place.line) : undefined;
  if (axis) {
    const { at, directionDeg } = pointAlong(axis.curve, axis.datumMm + shift.x);
    const left = turned({ x: 0, y: shift.y }, directionDeg);
    return { at: quantised(plus(at, left)), turnDeg: quantiseMm(directionDeg), mark: null };
  }
  const crossing = place.lines ? crossingOf(framework, place.lines, place.nth ?? 1) : null;
  if (!crossing) return { at: quantised(shift), turnDeg: 0, mark: null };
  const { turnDeg, label, at } = crossing;
  return { at: quantised(plus(at, turned(shift, turnDeg))), turnDeg, mark: label };
}
