import { lengthPlus } from '../dimensions/resolve-length';
import { turned, type Point } from '../geometry/point';
import type { Place } from '../model/fields';
import type { Framework } from '../model/framework';
import { resolvePlace } from './resolve-place';

/** A place moved in plan, still held to what it is held to. */
export function shifted(framework: Framework, place: Place, by: Point): Place {
  const along = turned(by, -resolvePlace(framework, place).turnDeg);
  return { ...place, xMm: lengthPlus(place.xMm, along.x), yMm: lengthPlus(place.yMm, along.y) };
}
