import { lengthPlus, mmOf } from '../dimensions/resolve-length';
import { plus, turned, type Point } from '../geometry/point';
import type { Mirror } from '../kinds/kind';
import { called, walkOfKind } from '../kinds/records';
import type { Place } from '../model/fields';
import type { Framework } from '../model/framework';
import type { Rec } from '../model/kinds';
import { refuseNow } from '../commands/length-input';
import type { Outline } from '../outlines/outline';
import { resolvePlace } from '../outlines/resolve-place';
import { shifted } from '../outlines/shifted';
import type { Length } from '../units/parse-length';
import { movedOutline } from './element-input';
import { mirrored, mirrorOutline } from './mirror-outline';

type Corners = readonly { xMm: Length; yMm: Length }[];

/** A record moved in plan, everything of it that stands there by itself. */
export function movedInPlan<R extends Rec>(framework: Framework, record: R, by: Point): R {
  return walkOfKind(record.kind)!.change(record, (mark, value) => {
    if (mark.is === 'place') return shifted(framework, value as Place, by);
    if (mark.is === 'outline') return movedOutline(framework, record, value as Outline, by);
    if (mark.is !== 'origin') return undefined;
    const { xMm, yMm } = value as { xMm: Length; yMm: Length };
    return { ...(value as object), xMm: lengthPlus(xMm, by.x), yMm: lengthPlus(yMm, by.y) };
  }) as R;
}

/** A record mirrored in a line: outlines and corners where their images are, held from the building's zero. */
export function mirroredInPlan<R extends Rec>(framework: Framework, record: R, mirror: Mirror): R {
  const stands = 'place' in record ? resolvePlace(framework, record.place) : null;
  const hasCorners = 'points' in record;
  return walkOfKind(record.kind)!.change(record, (mark, value) => {
    switch (mark.is) {
      case 'outline':
        return (
          mirrorOutline(framework, value as Outline, mirror) ?? refuseNow(`The outline of ${called(record)} is unsound`)
        );
      case 'place': {
        if (hasCorners) return { lines: null, xMm: 0, yMm: 0 };
        const at = mirrored(mirror, resolvePlace(framework, value as Place).at);
        return { lines: null, xMm: at.x, yMm: at.y };
      }
      case 'corners':
        return (value as Corners).map(({ xMm, yMm }) => {
          const corner = { x: mmOf(framework, xMm), y: mmOf(framework, yMm) };
          const { x, y } = mirrored(mirror, plus(stands!.at, turned(corner, stands!.turnDeg)));
          return { xMm: x, yMm: y };
        });
      default:
        return undefined;
    }
  }) as R;
}
