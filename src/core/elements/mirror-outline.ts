import type { Mirror } from '../kinds/kind';
import { minus, plus, quantised, times, dot, type Point } from '../geometry/point';
import { directionDeg } from '../geometry/trig';
import { inOneTurn } from '../geometry/turn';
import type { Framework } from '../model/framework';
import type { Outline } from '../outlines/outline';
import { resolvePlace } from '../outlines/resolve-place';
import { resolveOutline } from '../setting-out/resolve-outline';

export function mirrored({ on, along }: Mirror, point: Point): Point {
  const from = minus(point, on);
  return quantised(plus(on, minus(times(along, 2 * dot(from, along)), from)));
}

/** Direction of an angle mirrored in the line, degrees. */
export function mirroredDeg({ along }: Mirror, degrees: number): number {
  return inOneTurn(2 * directionDeg(along.y, along.x) - degrees);
}

/**
 * An outline mirrored in a line. A rectangle stays one, its sizes as they were typed: what was its right side is its left
 * one. Outlines on grid or setting-out lines become drawn ones, since their lines stay where they are. Null where unsound.
 */
export function mirrorOutline(framework: Framework, outline: Outline, mirror: Mirror): Outline | null {
  if (outline.type === 'rectangle') {
    const { turnDeg } = resolvePlace(framework, outline.place);
    const ring = resolveOutline(framework, outline);
    if (!ring) return null;
    // The mirror image of its lower right corner is the lower left one of the new rectangle.
    const corner = mirrored(mirror, ring[1]!);
    const turn = mirroredDeg(mirror, turnDeg + outline.turnDeg + 180);
    return { ...outline, place: { lines: null, xMm: corner.x, yMm: corner.y }, turnDeg: turn };
  }
  if (outline.type === 'circle') {
    const centre = mirrored(mirror, resolvePlace(framework, outline.place).at);
    return { ...outline, place: { lines: null, xMm: centre.x, yMm: centre.y } };
  }
  const ring = resolveOutline(framework, outline);
  if (!ring) return null;
  const points = [...ring].reverse().map((point) => {
    const { x, y } = mirrored(mirror, point);
    return { xMm: x, yMm: y };
  });
  return { type: 'polygon', place: { lines: null, xMm: 0, yMm: 0 }, points };
}
