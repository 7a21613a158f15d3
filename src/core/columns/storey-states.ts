import { mmOf } from '../dimensions/resolve-length';
import { plus, quantised, turned, type Point } from '../geometry/point';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { resolvePlace } from '../outlines/resolve-place';
import { reachingFollowers } from '../typical/as-master';
import { quantiseMm } from '../units/length-units';
import { heldLine } from '../setting-out/held-line';
import { heldAt } from './acting-place';
import type { ColumnException, ColumnStack, Keep } from './column';
import { sectionMm, sectionSize, type SectionMm } from './section-shape';

/** How a stack stands in one storey. */
export interface StoreyState {
  section: SectionMm;
  at: Point;
  turnDeg: number;
  leftOut: boolean;
}

/**
 * How a stack stands in each storey, from its base and its exceptions: one that goes upwards holds until another one
 * does, one that is for here only does not. Storeys without exceptions share one state object.
 */
export function storeyStates(framework: Framework, stack: ColumnStack, storeys: readonly { id: Id }[]): StoreyState[] {
  const place = resolvePlace(framework, stack.place);
  const base = sectionMm(framework, stack.section);
  const baseTurn = quantiseMm(place.turnDeg + stack.turnDeg);
  const stand = (section: SectionMm, free: Point, turnDeg: number, leftOut: boolean): StoreyState => ({
    section,
    at: heldAt(framework, stack.holds, quantised(free), section, turnDeg, heldLine),
    turnDeg,
    leftOut,
  });
  let now = { free: place.at, section: base, turnDeg: baseTurn, leftOut: false };
  let state = stand(now.section, now.free, now.turnDeg, false);
  if (stack.exceptions.length === 0) return storeys.map(() => state);
  const byLevel = groupByLevel(reachingFollowers(framework, stack.exceptions));
  const changed = (from: typeof now, by: ColumnException): typeof now => {
    const section = by.section ? sectionMm(framework, by.section) : from.section;
    const shift = { x: mmOf(framework, by.xMm), y: mmOf(framework, by.yMm) };
    const free = plus(
      plus(from.free, turned(shift, place.turnDeg)),
      turned(keptShift(from.section, section, by.keep), from.turnDeg),
    );
    return { free, section, turnDeg: quantiseMm(from.turnDeg + by.turnDeg), leftOut: by.leftOut };
  };
  return storeys.map(({ id }) => {
    const here = byLevel.get(id) ?? [];
    const upwards = here.find((exception) => exception.upwards);
    if (upwards) {
      now = changed(now, upwards);
      state = stand(now.section, now.free, now.turnDeg, now.leftOut);
    }
    const only = here.find((exception) => !exception.upwards);
    if (!only) return state;
    const once = changed(now, only);
    return stand(once.section, once.free, once.turnDeg, once.leftOut);
  });
}

function groupByLevel(exceptions: readonly ColumnException[]): Map<Id, ColumnException[]> {
  const groups = new Map<Id, ColumnException[]>();
  for (const exception of exceptions) groups.set(exception.level, [...(groups.get(exception.level) ?? []), exception]);
  return groups;
}

/** How the centre moves, in the section's axes, so that a face stays where it was. */
function keptShift(from: SectionMm, to: SectionMm, keep: Keep): Point {
  const [[w0, d0], [w1, d1]] = [sectionSize(from), sectionSize(to)];
  const [x, y] = [(w0 - w1) / 2, (d0 - d1) / 2];
  const shifts: Record<Keep, Point> = {
    centre: { x: 0, y: 0 },
    'x+': { x, y: 0 },
    'x-': { x: -x, y: 0 },
    'y+': { x: 0, y },
    'y-': { x: 0, y: -y },
  };
  return shifts[keep];
}
