import { mmOf } from '../dimensions/resolve-length';
import { minus, plus, quantised, turned, type Point } from '../geometry/point';
import { recordOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';

/** How a place in one building's axes is called in another's, and how much higher the first one's zero is. */
export function between(framework: Framework, from: Id, to: Id): { move: (point: Point) => Point; liftMm: number } {
  const [a, b] = [recordOf(framework, 'building', from), recordOf(framework, 'building', to)];
  if (!a || !b || from === to) return { move: (point) => point, liftMm: 0 };
  const at = ({ xMm, yMm }: typeof a): Point => ({ x: mmOf(framework, xMm), y: mmOf(framework, yMm) });
  return {
    move: (point) => quantised(turned(minus(plus(at(a), turned(point, a.turnDeg)), at(b)), -b.turnDeg)),
    liftMm: mmOf(framework, a.zeroMm) - mmOf(framework, b.zeroMm),
  };
}
