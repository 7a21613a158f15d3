import { circleOf, curvesMeet, tessellated, wrapped, type Arc, type Curve } from '../geometry/curve';
import { distance, lengthOf, minus, plus, quantised, times, type Point } from '../geometry/point';
import { ringArea, type Ring } from '../geometry/polygon';
import { directionDeg } from '../geometry/trig';

/** An edge of an outline: the line it lies on, moved outwards of the outline by a distance. */
export interface EdgeOnLine {
  curve: Curve;
  offsetMm: number;
}

/** Beyond their ends lines go on as far as an outline needs. */
const CARRIERS = 1e7;

/**
 * The ring whose edges lie on lines in order, each moved outwards by its distance: corners are where neighbours meet,
 * arcs are followed by chords within 1 mm. Null where two neighbours never meet.
 */
export function ringOnLines(edges: readonly EdgeOnLine[]): Ring | null {
  const plain = corners(edges.map(({ curve }) => curve));
  if (!plain) return null;
  const isLeft = ringArea(plain) > 0;
  const moved = edges.map(({ curve, offsetMm }, i) =>
    movedOutwards(curve, plain[i]!, plain[(i + 1) % plain.length]!, offsetMm, isLeft),
  );
  if (moved.some((curve) => curve === null)) return null;
  const at = corners(moved as Curve[], plain);
  if (!at) return null;
  return at.flatMap((corner, i): Point[] => {
    const curve = moved[i]!;
    if (curve.kind === 'segment') return [corner];
    return along(curve, corner, at[(i + 1) % at.length]!).slice(0, -1);
  });
}

/** Corner i is where edge i begins: on the edge before it and on it. Near the `wanted` corners where two are possible. */
function corners(curves: readonly Curve[], wanted?: readonly Point[]): Point[] | null {
  const found: Point[] = [];
  for (const [i, curve] of curves.entries()) {
    const before = curves[(i + curves.length - 1) % curves.length]!;
    const near = curvesMeet(before, curve);
    const all = near.length > 0 && !wanted ? near : curvesMeet(before, curve, CARRIERS);
    const aim = wanted?.[i];
    const best = aim ? [...all].sort((p, q) => distance(p, aim) - distance(q, aim))[0] : all[0];
    if (!best) return null;
    found.push(best);
  }
  return found;
}

function movedOutwards(curve: Curve, from: Point, to: Point, offsetMm: number, isLeft: boolean): Curve | null {
  if (offsetMm === 0) return curve;
  if (curve.kind === 'segment') {
    const way = minus(to, from);
    const size = lengthOf(way);
    if (size < 1e-6) return null;
    const right = times({ x: way.y, y: -way.x }, ((isLeft ? 1 : -1) * offsetMm) / size);
    return { ...curve, from: quantised(plus(from, right)), to: quantised(plus(to, right)) };
  }
  // Counter-clockwise travel round the centre has the outside of the circle to its right.
  const isCcw = sweepOf(curve, from, to) > 0;
  const radiusMm = curve.radiusMm + (isCcw === isLeft ? offsetMm : -offsetMm);
  return radiusMm > 1e-6 ? { ...curve, radiusMm } : null;
}

/** Signed sweep from one point of a circle to another, the way that stays on the arc where only one does. */
function sweepOf(arc: Arc, from: Point, to: Point): number {
  const angle = (point: Point) => {
    const spoke = minus(point, arc.centre);
    return wrapped(directionDeg(spoke.y, spoke.x) - arc.fromDeg);
  };
  if (arc.sweepDeg >= 360) {
    const ccw = wrapped(angle(to) - angle(from));
    return ccw <= 180 ? ccw : ccw - 360;
  }
  // Points a little before the arc's start count as before it.
  const on = (degrees: number) => (degrees > (arc.sweepDeg + 360) / 2 ? degrees - 360 : degrees);
  return on(angle(to)) - on(angle(from));
}

function along(arc: Arc, from: Point, to: Point): Point[] {
  const sweep = sweepOf(arc, from, to);
  const spoke = minus(sweep >= 0 ? from : to, arc.centre);
  const fromDeg = directionDeg(spoke.y, spoke.x);
  const points = tessellated({ ...arc, fromDeg, sweepDeg: Math.max(1e-9, Math.abs(sweep)) });
  const ordered = sweep >= 0 ? points : [...points].reverse();
  return [from, ...ordered.slice(1, -1), to];
}

/** A whole circle as a ring of the same area. */
export const circleRing = (centre: Point, radiusMm: number): Ring =>
  circleOf(centre, radiusMm, tessellated({ kind: 'arc', centre, radiusMm, fromDeg: 0, sweepDeg: 360 }).length - 1);
