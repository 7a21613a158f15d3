import { cross, distance, dot, lengthOf, minus, plus, quantised, times, type Point } from './point';
import { cosDeg, directionDeg, sinDeg } from './trig';

/** A straight stretch. */
export interface Segment {
  readonly kind: 'segment';
  readonly from: Point;
  readonly to: Point;
}

/** Part of a circle, counter-clockwise from an angle through a sweep of more than 0 and at most 360 degrees. */
export interface Arc {
  readonly kind: 'arc';
  readonly centre: Point;
  readonly radiusMm: number;
  readonly fromDeg: number;
  readonly sweepDeg: number;
}

export type Curve = Segment | Arc;

/** A point at an angle on a circle. */
export const onCircle = (centre: Point, radiusMm: number, degrees: number): Point => ({
  x: centre.x + radiusMm * cosDeg(degrees),
  y: centre.y + radiusMm * sinDeg(degrees),
});

/** First and last point of a curve. */
export const endsOf = (curve: Curve): [Point, Point] =>
  curve.kind === 'segment'
    ? [curve.from, curve.to]
    : [
        quantised(onCircle(curve.centre, curve.radiusMm, curve.fromDeg)),
        quantised(onCircle(curve.centre, curve.radiusMm, curve.fromDeg + curve.sweepDeg)),
      ];

/** An angle in 0 ≤ angle < 360. */
export const wrapped = (degrees: number): number => ((degrees % 360) + 360) % 360;

/** How far along a curve a point on it lies, in millimetres from its first end; negative before it. */
function alongOf(curve: Curve, point: Point): number {
  if (curve.kind === 'segment') {
    const way = minus(curve.to, curve.from);
    return dot(minus(point, curve.from), way) / (lengthOf(way) || 1);
  }
  const spoke = minus(point, curve.centre);
  const turn = wrapped(directionDeg(spoke.y, spoke.x) - curve.fromDeg);
  // Nearer before the start than after the end counts as before it.
  const signed = turn > curve.sweepDeg && 360 - turn < turn - curve.sweepDeg ? turn - 360 : turn;
  return ((signed * Math.PI) / 180) * curve.radiusMm;
}

export const curveLength = (curve: Curve): number =>
  curve.kind === 'segment' ? distance(curve.from, curve.to) : ((curve.sweepDeg * Math.PI) / 180) * curve.radiusMm;

/** Where two infinite lines or whole circles meet: none, one or two points. */
function carriersMeet(a: Curve, b: Curve): Point[] {
  if (a.kind === 'segment' && b.kind === 'segment') {
    const [d, e] = [minus(a.to, a.from), minus(b.to, b.from)];
    const area = cross(d, e);
    if (Math.abs(area) <= 1e-9 * lengthOf(d) * lengthOf(e)) return [];
    return [plus(a.from, times(d, cross(minus(b.from, a.from), e) / area))];
  }
  if (a.kind === 'segment' && b.kind === 'arc') {
    const way = times(minus(a.to, a.from), 1 / (lengthOf(minus(a.to, a.from)) || 1));
    const foot = plus(a.from, times(way, dot(minus(b.centre, a.from), way)));
    return aside(foot, way, b.radiusMm * b.radiusMm - squared(minus(foot, b.centre)));
  }
  if (a.kind === 'arc' && b.kind === 'segment') return carriersMeet(b, a);
  const [p, q] = [a as Arc, b as Arc];
  const between = minus(q.centre, p.centre);
  const gap = lengthOf(between);
  if (gap < 1e-9) return [];
  const along = (gap * gap + p.radiusMm * p.radiusMm - q.radiusMm * q.radiusMm) / (2 * gap);
  const way = times(between, 1 / gap);
  return aside(plus(p.centre, times(way, along)), { x: -way.y, y: way.x }, p.radiusMm * p.radiusMm - along * along);
}

const squared = (v: Point): number => dot(v, v);

/** Points at a half chord on both sides of a foot; one where the chord has no length. */
function aside(foot: Point, way: Point, halfSquared: number): Point[] {
  if (halfSquared < -1e-6) return [];
  const half = Math.sqrt(Math.max(0, halfSquared));
  if (half < 1e-6) return [foot];
  return [plus(foot, times(way, -half)), plus(foot, times(way, half))];
}

/** Where two curves meet, within `reachMm` beyond their ends, in order along the first. */
export function curvesMeet(a: Curve, b: Curve, reachMm = 1e-6): Point[] {
  const isOn = (curve: Curve, point: Point): boolean => {
    const along = alongOf(curve, point);
    return along >= -reachMm && along <= curveLength(curve) + reachMm;
  };
  return carriersMeet(a, b)
    .filter((point) => isOn(a, point) && isOn(b, point))
    .sort((p, q) => alongOf(a, p) - alongOf(a, q))
    .map(quantised);
}

/** A curve moved to its left-hand side by a distance; null where an arc would have no radius left. */
export function offsetCurve(curve: Curve, leftMm: number): Curve | null {
  if (curve.kind === 'arc') {
    // Counter-clockwise, left is inwards.
    const radiusMm = curve.radiusMm - leftMm;
    return radiusMm > 1e-6 ? { ...curve, radiusMm } : null;
  }
  const normal = leftOf(curve, curve.from);
  const by = times(normal, leftMm);
  return { ...curve, from: quantised(plus(curve.from, by)), to: quantised(plus(curve.to, by)) };
}

/** Unit vector to the left of a curve at a point. */
export function leftOf(curve: Curve, at: Point): Point {
  if (curve.kind === 'arc') {
    const spoke = minus(curve.centre, at);
    const size = lengthOf(spoke) || 1;
    return times(spoke, 1 / size);
  }
  const way = minus(curve.to, curve.from);
  const size = lengthOf(way) || 1;
  return { x: -way.y / size, y: way.x / size };
}

/** How far left of a curve's carrier a point lies. */
export const leftDistance = (curve: Curve, point: Point): number =>
  curve.kind === 'arc'
    ? curve.radiusMm - distance(point, curve.centre)
    : dot(minus(point, curve.from), leftOf(curve, curve.from));

/** Points along a curve so that chords stay within `sagittaMm` of it; both ends among them. */
export function tessellated(curve: Curve, sagittaMm = 1): Point[] {
  if (curve.kind === 'segment') return [curve.from, curve.to];
  const { centre, radiusMm, fromDeg, sweepDeg } = curve;
  // Chord of angle s: sagitta = r (1 − cos(s / 2)) ≤ r s² / 8.
  const stepDeg = Math.min(15, (Math.sqrt((8 * sagittaMm) / radiusMm) * 180) / Math.PI);
  const count = Math.max(1, Math.ceil(sweepDeg / stepDeg));
  return Array.from({ length: count + 1 }, (_, i) =>
    quantised(onCircle(centre, radiusMm, fromDeg + (sweepDeg * i) / count)),
  );
}

/**
 * A whole circle as a ring of so many corners and of the circle's own area: the corners lie a little outside of it, the middles of
 * the edges a little within. Area of n corners on a circle of radius R: n R² sin(360° / n) / 2.
 */
export function circleOf(centre: Point, radiusMm: number, corners: number): Point[] {
  const stepDeg = 360 / corners;
  const reachMm = radiusMm * Math.sqrt((2 * Math.PI) / (corners * sinDeg(stepDeg)));
  return Array.from({ length: corners }, (_, i) => quantised(onCircle(centre, reachMm, stepDeg * i)));
}

/** The point of a curve nearest to a point on its carrier. */
export function nearestOn(curve: Curve, point: Point): Point {
  if (curve.kind === 'segment') {
    const way = minus(curve.to, curve.from);
    const t = Math.max(0, Math.min(1, dot(minus(point, curve.from), way) / (squared(way) || 1)));
    return plus(curve.from, times(way, t));
  }
  const along = alongOf(curve, point);
  const [first, last] = endsOf(curve);
  if (along < 0 || along > curveLength(curve)) return distance(point, first) < distance(point, last) ? first : last;
  const spoke = minus(point, curve.centre);
  const size = lengthOf(spoke);
  return size < 1e-9 ? first : plus(curve.centre, times(spoke, curve.radiusMm / size));
}

/** The point so far along a curve from its first end, on its carrier beyond the ends, with the direction there in degrees. */
export function pointAlong(curve: Curve, alongMm: number): { at: Point; directionDeg: number } {
  if (curve.kind === 'segment') {
    const way = minus(curve.to, curve.from);
    const size = lengthOf(way) || 1;
    return { at: plus(curve.from, times(way, alongMm / size)), directionDeg: directionDeg(way.y, way.x) };
  }
  const degrees = curve.fromDeg + ((alongMm / curve.radiusMm) * 180) / Math.PI;
  return { at: onCircle(curve.centre, curve.radiusMm, degrees), directionDeg: degrees + 90 };
}
