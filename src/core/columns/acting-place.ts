import { mmOf } from '../dimensions/resolve-length';
import { leftDistance, leftOf } from '../geometry/curve';
import { cross, plus, quantised, times, turned, type Point } from '../geometry/point';
import type { Framework } from '../model/framework';
import { resolvePlace, type ResolvedPlace } from '../outlines/resolve-place';
import type { LineOf } from '../outlines/outline-ring';
import { quantiseMm } from '../units/length-units';
import type { ColumnStack, Hold } from './column';
import { sectionMm, sectionReach, type SectionMm } from './section-shape';

/** Where a stack stands with its first section: centre, turn of the section, and its crossing's label. */
export function actingOn(framework: Framework, stack: ColumnStack, lineOf: LineOf): ResolvedPlace {
  const place = resolvePlace(framework, stack.place);
  const turnDeg = quantiseMm(place.turnDeg + stack.turnDeg);
  const section = sectionMm(framework, stack.section);
  return { ...place, at: heldAt(framework, stack.holds, place.at, section, turnDeg, lineOf), turnDeg };
}

/**
 * The centre of a section after it has been moved square to the lines it is held to, so that its face (or its centre)
 * stands at the distance asked for. Two straight lines fix it exactly; with an arc it is approached to 1e-6 mm.
 */
export function heldAt(
  framework: Framework,
  holds: readonly Hold[],
  from: Point,
  section: SectionMm,
  turnDeg: number,
  lineOf: LineOf,
): Point {
  const wanted = holds.flatMap((hold) => {
    const axis = lineOf(framework, hold.line);
    return axis ? [{ axis, hold, offsetMm: mmOf(framework, hold.offsetMm) }] : [];
  });
  if (wanted.length === 0) return from;
  const shiftOf = ({ axis, hold, offsetMm }: (typeof wanted)[number], at: Point): { normal: Point; by: number } => {
    const normal = leftOf(axis.curve, at);
    const reach = sectionReach(section, turned(normal, -turnDeg));
    const side = hold.body === 'left' ? 1 : hold.body === 'right' ? -1 : 0;
    return { normal, by: offsetMm + side * reach - leftDistance(axis.curve, at) };
  };
  let at = from;
  for (let round = 0; round < 50; round += 1) {
    const shifts = wanted.map((each) => shiftOf(each, at));
    if (shifts.every(({ by }) => Math.abs(by) < 1e-7)) break;
    at = plus(at, stepFor(shifts));
  }
  return quantised(at);
}

/** The move that answers one shift along its normal, or two at once where their normals differ. */
function stepFor(shifts: readonly { normal: Point; by: number }[]): Point {
  const [one, two] = shifts;
  const area = two ? cross(one!.normal, two.normal) : 0;
  if (!two || Math.abs(area) < 1e-6) return times(one!.normal, one!.by);
  // p · n1 = b1, p · n2 = b2.
  return {
    x: (one!.by * two.normal.y - two.by * one!.normal.y) / area,
    y: (two.by * one!.normal.x - one!.by * two.normal.x) / area,
  };
}
