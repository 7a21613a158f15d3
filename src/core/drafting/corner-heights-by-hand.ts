import type { Framework } from '../model/framework';
import { recordOf } from '../model/framework';
import type { Id } from '../model/ids';
import type { HighCorner } from '../sloped-floors/faces';
import { cornersOf } from '../sloped-floors/solve-sloped-floor';
import { endMm } from '../levels/resolve-end';
import type { Solved } from '../solving/solved';
import { quantiseMm } from '../units/length-units';
import type { EndSnap, Writing } from './ends-by-hand';

/** The corners of what has heights at its corners, in the building's heights; none of anything else. */
export function highCorners(framework: Framework, id: Id): readonly HighCorner[] {
  const floor = recordOf(framework, 'slopedFloor', id);
  return (floor && cornersOf(framework, floor)) ?? [];
}

/**
 * Where the height of a corner that is dragged goes: level with another corner, or with a floor, within reach; else in steps over where the
 * sloped floor starts. Null: it has no such corner.
 */
export function cornerHeightAt(
  framework: Framework,
  solved: Solved,
  { id, corner }: { id: Id; corner: number },
  zMm: number,
  reachMm: number,
  { stepMm, write }: Writing,
): EndSnap | null {
  const floor = recordOf(framework, 'slopedFloor', id);
  const corners = highCorners(framework, id);
  if (!floor || !corners[corner]) return null;
  const startMm = endMm(framework, floor.baseAt, ({ sslMm }) => sslMm);
  const level = [
    ...corners.flatMap(({ z }, i) => (i === corner ? [] : [{ z, words: `level with corner ${i + 1}` }])),
    ...solved.levels
      .filter(({ building, bounding }) => building === floor.building && bounding)
      .map(({ fflMm, name }) => ({ z: fflMm, words: `FFL of ${name}` })),
  ].sort((a, b) => Math.abs(a.z - zMm) - Math.abs(b.z - zMm))[0];
  const near = level && Math.abs(level.z - zMm) <= reachMm ? level : null;
  const heightMm = near ? quantiseMm(near.z - startMm) : quantiseMm(Math.round((zMm - startMm) / stepMm) * stepMm);
  return {
    zMm: quantiseMm(startMm + heightMm),
    words: `corner ${corner + 1}: ${write(heightMm)}${near ? `, ${near.words}` : ''}`,
    sent: { command: 'slopedFloors.setCorner', input: { slopedFloor: id, corner, heightMm } },
  };
}
