import { lengthPlus, mmOf } from '../dimensions/resolve-length';
import { minus, quantised, turned, type Point } from '../geometry/point';
import type { Framework } from '../model/framework';
import { resolveOutline } from '../setting-out/resolve-outline';
import { isReversed } from './edge-moved';
import type { Outline } from './outline';
import { resolvePlace } from './resolve-place';
import { shifted } from './shifted';

type Drawn = Extract<Outline, { type: 'polygon' }>;

/**
 * An outline with one corner of its ring moved in plan, mm in building axes. A rectangle stays one: the corner across from it stays
 * where it is. Null where the outline has no corners of its own or nothing sound would be left.
 */
export function cornerMoved(framework: Framework, outline: Outline, corner: number, by: Point): Outline | null {
  if (outline.type === 'rectangle') {
    const turn = resolvePlace(framework, outline.place).turnDeg + outline.turnDeg;
    const { x, y } = quantised(turned(by, -turn));
    const [isLeft, isLow] = [corner === 0 || corner === 3, corner < 2];
    return sound(framework, {
      ...outline,
      place: shifted(framework, outline.place, turned({ x: isLeft ? x : 0, y: isLow ? y : 0 }, turn)),
      widthMm: lengthPlus(outline.widthMm, isLeft ? -x : x),
      depthMm: lengthPlus(outline.depthMm, isLow ? -y : y),
    });
  }
  if (outline.type !== 'polygon') return null;
  const { turnDeg } = resolvePlace(framework, outline.place);
  const shift = quantised(turned(by, -turnDeg));
  const at = typedIndex(framework, outline, corner);
  if (at === null) return null;
  return sound(framework, {
    ...outline,
    points: outline.points.map((point, i) =>
      i === at ? { xMm: lengthPlus(point.xMm, shift.x), yMm: lengthPlus(point.yMm, shift.y) } : point,
    ),
  });
}

/** An outline with one corner more on an edge of its ring, at a point in building axes. A rectangle becomes drawn by its corners. */
export function cornerAdded(framework: Framework, outline: Outline, edge: number, at: Point): Outline | null {
  const drawn = asDrawn(framework, outline);
  const ring = drawn && resolveOutline(framework, drawn);
  const typed = drawn && typedIndex(framework, drawn, edge);
  if (!drawn || !ring || typed === null) return null;
  const point = pointIn(framework, drawn, at);
  const isSame = !isReversed(framework, drawn, ring);
  // Going the other way round, the edge ends at the corner it begins with in the ring.
  const before = isSame ? typed + 1 : typed;
  return sound(framework, {
    ...drawn,
    points: [...drawn.points.slice(0, before), point, ...drawn.points.slice(before)],
  });
}

/** An outline without one corner of its ring. A triangle has none to spare. */
export function cornerRemoved(framework: Framework, outline: Outline, corner: number): Outline | null {
  const drawn = asDrawn(framework, outline);
  const typed = drawn && typedIndex(framework, drawn, corner);
  if (!drawn || typed === null || drawn.points.length < 4) return null;
  return sound(framework, { ...drawn, points: drawn.points.filter((_, i) => i !== typed) });
}

const sound = (framework: Framework, outline: Outline): Outline | null => {
  const positive =
    outline.type !== 'rectangle' || (mmOf(framework, outline.widthMm) > 0 && mmOf(framework, outline.depthMm) > 0);
  return positive && resolveOutline(framework, outline) ? outline : null;
};

/** Drawn by its corners: a rectangle by its four. */
function asDrawn(framework: Framework, outline: Outline): Drawn | null {
  if (outline.type === 'polygon') return outline;
  const ring = outline.type === 'rectangle' ? resolveOutline(framework, outline) : null;
  if (outline.type !== 'rectangle' || !ring) return null;
  const drawn: Drawn = { type: 'polygon', place: outline.place, points: [] };
  return { ...drawn, points: ring.map((corner) => pointIn(framework, drawn, corner)) };
}

/** A point in building axes along the axes of an outline's place. */
function pointIn(framework: Framework, { place }: Drawn, point: Point): { xMm: number; yMm: number } {
  const { at, turnDeg } = resolvePlace(framework, place);
  const { x, y } = quantised(turned(minus(point, at), -turnDeg));
  return { xMm: x, yMm: y };
}

/** Which of the typed corners a corner of the ring is; null where there is no such corner. */
function typedIndex(framework: Framework, outline: Drawn, corner: number): number | null {
  const ring = resolveOutline(framework, outline);
  if (ring?.length !== outline.points.length || corner >= ring.length) return null;
  return isReversed(framework, outline, ring) ? ring.length - 1 - corner : corner;
}
