import { mmOf } from '../dimensions/resolve-length';
import { plus, quantised, turned, type Point } from '../geometry/point';
import type { Ring } from '../geometry/polygon';
import { circleOf } from '../geometry/curve';
import type { Framework } from '../model/framework';
import type { Section } from './column';

/** A section with its sizes in millimetres. */
export type SectionMm =
  | { shape: 'rectangle'; widthMm: number; depthMm: number }
  | { shape: 'circle'; diameterMm: number }
  | { shape: 'I'; widthMm: number; depthMm: number; webMm: number; flangeMm: number };

export function sectionMm(framework: Framework, section: Section): SectionMm {
  if (section.shape === 'circle') return { shape: 'circle', diameterMm: mmOf(framework, section.diameterMm) };
  const [widthMm, depthMm] = [mmOf(framework, section.widthMm), mmOf(framework, section.depthMm)];
  if (section.shape === 'rectangle') return { shape: 'rectangle', widthMm, depthMm };
  const [webMm, flangeMm] = [mmOf(framework, section.webMm), mmOf(framework, section.flangeMm)];
  return { shape: 'I', widthMm, depthMm, webMm, flangeMm };
}

export const isSameSection = (a: SectionMm, b: SectionMm): boolean =>
  a.shape === b.shape && (Object.keys(a) as (keyof SectionMm)[]).every((key) => a[key] === b[key]);

/** Area of a section, mm². */
export function sectionArea(section: SectionMm): number {
  if (section.shape === 'circle') return (Math.PI * section.diameterMm * section.diameterMm) / 4;
  if (section.shape === 'rectangle') return section.widthMm * section.depthMm;
  return 2 * section.widthMm * section.flangeMm + (section.depthMm - 2 * section.flangeMm) * section.webMm;
}

/** Overall width and depth. */
export const sectionSize = (section: SectionMm): [number, number] =>
  section.shape === 'circle' ? [section.diameterMm, section.diameterMm] : [section.widthMm, section.depthMm];

/** How a section is written: `500 × 500`, `⌀550`, `I 300 × 300 × 11 × 19`. */
export function sectionWords(section: SectionMm, write: (mm: number) => string = String): string {
  if (section.shape === 'circle') return `⌀${write(section.diameterMm)}`;
  const size = `${write(section.widthMm)} × ${write(section.depthMm)}`;
  return section.shape === 'I' ? `I ${size} × ${write(section.webMm)} × ${write(section.flangeMm)}` : size;
}

/** How far a section reaches from its centre in a direction of its own axes. */
export function sectionReach(section: SectionMm, direction: Point): number {
  if (section.shape === 'circle') return section.diameterMm / 2;
  return (Math.abs(direction.x) * section.widthMm + Math.abs(direction.y) * section.depthMm) / 2;
}

const CIRCLE_SIDES = 64;

/** The section's ring in plan about a point. A circle is a polygon of 64 corners and of its own area. */
export function sectionRing(section: SectionMm, at: Point, turnDeg: number): Ring {
  if (section.shape === 'circle') return circleOf(at, section.diameterMm / 2, CIRCLE_SIDES);
  const corners = section.shape === 'I' ? cornersOfI(section) : cornersOfBox(section);
  return corners.map((corner) => quantised(plus(at, turned(corner, turnDeg))));
}

/** The convex ring around a section, for asking what it stands on or in. */
export const sectionHull = (section: SectionMm, at: Point, turnDeg: number): Ring =>
  section.shape === 'I'
    ? sectionRing({ shape: 'rectangle', widthMm: section.widthMm, depthMm: section.depthMm }, at, turnDeg)
    : sectionRing(section, at, turnDeg);

function cornersOfBox({ widthMm, depthMm }: { widthMm: number; depthMm: number }): Point[] {
  const [w, d] = [widthMm / 2, depthMm / 2];
  return [
    { x: -w, y: -d },
    { x: w, y: -d },
    { x: w, y: d },
    { x: -w, y: d },
  ];
}

/** Flanges along x at both ends of y. Counter-clockwise from the lower left. */
function cornersOfI({ widthMm, depthMm, webMm, flangeMm }: Extract<SectionMm, { shape: 'I' }>): Point[] {
  const [w, d, t] = [widthMm / 2, depthMm / 2, webMm / 2];
  const f = d - flangeMm;
  return [
    { x: -w, y: -d },
    { x: w, y: -d },
    { x: w, y: -f },
    { x: t, y: -f },
    { x: t, y: f },
    { x: w, y: f },
    { x: w, y: d },
    { x: -w, y: d },
    { x: -w, y: f },
    { x: -t, y: f },
    { x: -t, y: -f },
    { x: -w, y: -f },
  ];
}
