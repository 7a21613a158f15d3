import { mmOf } from '../dimensions/resolve-length';
import { plus, quantised, turned, type Point } from '../geometry/point';
import type { Ring } from '../geometry/polygon';
import { cosDeg, sinDeg } from '../geometry/trig';
import type { Framework } from '../model/framework';
import type { Section } from './column';

/** A section with its sizes in millimetres. */
export type SectionMm =
  { shape: 'rectangle'; widthMm: number; depthMm: number } | { shape: 'circle'; diameterMm: number };

export function sectionMm(framework: Framework, section: Section): SectionMm {
  if (section.shape === 'circle') return { shape: 'circle', diameterMm: mmOf(framework, section.diameterMm) };
  return { shape: 'rectangle', widthMm: mmOf(framework, section.widthMm), depthMm: mmOf(framework, section.depthMm) };
}

/** Area of a section, mm². */
export const sectionArea = (section: SectionMm): number =>
  section.shape === 'circle'
    ? (Math.PI * section.diameterMm * section.diameterMm) / 4
    : section.widthMm * section.depthMm;

/** How a section is written: `500 × 500`, `⌀550`. */
export const sectionWords = (section: SectionMm, write: (mm: number) => string = String): string =>
  section.shape === 'circle'
    ? `⌀${write(section.diameterMm)}`
    : `${write(section.widthMm)} × ${write(section.depthMm)}`;

const CIRCLE_SIDES = 32;

/** The section's ring in plan about a point. A circle is a 32-sided polygon on it: for checks, not for quantities. */
export function sectionRing(section: SectionMm, at: Point, turnDeg: number): Ring {
  if (section.shape === 'circle') {
    const r = section.diameterMm / 2;
    return Array.from({ length: CIRCLE_SIDES }, (_, i) => {
      const degrees = (360 * i) / CIRCLE_SIDES;
      return quantised({ x: at.x + r * cosDeg(degrees), y: at.y + r * sinDeg(degrees) });
    });
  }
  const [w, d] = [section.widthMm / 2, section.depthMm / 2];
  const corners = [
    { x: -w, y: -d },
    { x: w, y: -d },
    { x: w, y: d },
    { x: -w, y: d },
  ];
  return corners.map((corner) => quantised(plus(at, turned(corner, turnDeg))));
}
