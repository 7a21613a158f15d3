import { mmOf } from '../dimensions/resolve-length';
import { plus, quantised, turned, type Point } from '../geometry/point';
import { crossingOf, lineById } from '../grids/resolve-grids';
import type { Place } from '../model/fields';
import type { Framework } from '../model/framework';

/** A place in building axes, with the turn of the axes it is measured along and the crossing's label if it has one. */
export interface ResolvedPlace {
  at: Point;
  turnDeg: number;
  mark: string | null;
}

/** Works out a place. A crossing that is gone counts as the building's zero; integrity checks keep that from happening. */
export function resolvePlace(framework: Framework, place: Place): ResolvedPlace {
  const shift = { x: mmOf(framework, place.xMm), y: mmOf(framework, place.yMm) };
  const crossing = place.lines ? crossingOf(framework, place.lines) : null;
  if (!crossing) return { at: quantised(shift), turnDeg: 0, mark: null };
  const turnDeg = lineById(framework, crossing.lines[0])![0].turnDeg;
  return { at: quantised(plus(crossing.at, turned(shift, turnDeg))), turnDeg, mark: crossing.label };
}
