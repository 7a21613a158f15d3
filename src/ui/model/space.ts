import { sectionRing } from '@/core/columns/section-shape';
import { plus, turned, type Point } from '@/core/geometry/point';
import { DEFINITIONS } from '@/core/kinds/registry';
import type { Solid, SolidForm } from '@/core/kinds/solids';
import type { ViewKind } from '@/core/kinds/view-kinds';
import type { Id } from '@/core/model/ids';
import type { Solved } from '@/core/solving/solved';

/** What takes space of a building, kind by kind, but for kinds that are hidden. */
export function solidsOf(solved: Solved, building: Id, hidden: ReadonlySet<ViewKind>) {
  return DEFINITIONS.flatMap(({ records, solids, shownAs }) => {
    if ('none' in solids || (!('none' in shownAs) && hidden.has(shownAs.kind))) return [];
    return [{ kind: records.kind, solids: solids.of(solved, building) }];
  });
}

/** How far something reaches, mm. */
export interface Reach {
  low: readonly [x: number, y: number, z: number];
  high: readonly [x: number, y: number, z: number];
}

function pointsOf(form: SolidForm, profiles: Solved['profiles']): [number, number, number][] {
  if ('slants' in form)
    return form.slants.flat().flatMap(({ x, y, topMm, bottomMm }) => [
      [x, y, bottomMm],
      [x, y, topMm],
    ]);
  if ('from' in form) {
    const [from, x, y] = [form.from, form.x, form.y];
    const z = [x[1] * y[2] - x[2] * y[1], x[2] * y[0] - x[0] * y[2], x[0] * y[1] - x[1] * y[0]];
    return form.ring.flatMap((p) =>
      [0, form.heightMm].map(
        (h): [number, number, number] =>
          [0, 1, 2].map((i) => from[i]! + p.x * x[i]! + p.y * y[i]! + h * z[i]!) as never,
      ),
    );
  }
  const ring: readonly Point[] =
    'section' in form
      ? sectionRing(form.section, form.at, form.turnDeg)
      : 'ring' in form
        ? form.ring
        : profiles[form.profile]!.regions.flatMap(({ outer }) => outer);
  return ring.flatMap(({ x, y }) => [
    [x, y, form.bottomMm],
    [x, y, form.bottomMm + form.heightMm],
  ]);
}

/** How far solids reach together, in their building's axes; null: there are none. */
export function reachOf(solids: readonly Solid[], profiles: Solved['profiles']): Reach | null {
  const points = solids.flatMap(({ form }) => pointsOf(form, profiles));
  if (points.length === 0) return null;
  const ends = (take: (...values: number[]) => number) =>
    [0, 1, 2].map((i) =>
      points.reduce((most, point) => take(most, point[i]!), points[0]![i]!),
    ) as unknown as Reach['low'];
  return { low: ends(Math.min), high: ends(Math.max) };
}

/** Middle of all buildings in metres, and how large they are together. */
export function middleOf(solved: Solved): { x: number; y: number; z: number; size: number } {
  const points = solved.buildings.flatMap(({ id, at, turnDeg, zeroMm }) => {
    const leaning = solved.assemblies.filter((each) => each.building === id);
    const own = [
      ...leaning.flatMap(({ ring }) => ring),
      ...solved.walls.filter((wall) => wall.building === id).flatMap(({ strips }) => strips.flat()),
      ...solved.crossings.filter((crossing) => crossing.building === id).map((crossing) => crossing.at),
      ...solved.floors.filter((floor) => floor.building === id).flatMap(({ outline }) => outline),
    ];
    const heights = [
      ...solved.levels.filter((level) => level.building === id).map(({ fflMm }) => fflMm),
      ...leaning.flatMap(({ bottomMm, topMm }) => [bottomMm, topMm]),
    ].map((mm) => mm + zeroMm);
    const [low, high] = [Math.min(...heights), Math.max(...heights)];
    const corners = own.length > 0 ? own : [{ x: 0, y: 0 }];
    return corners.flatMap((point) => [low, high].map((z) => ({ ...plus(at, turned(point, turnDeg)), z })));
  });
  const span = (values: number[]): [number, number] =>
    values.reduce(([low, high], value) => [Math.min(low, value), Math.max(high, value)], [Infinity, -Infinity]);
  if (points.length === 0) return { x: 0, y: 0, z: 0, size: 20 };
  const [[x0, x1], [y0, y1], [z0, z1]] = [
    span(points.map(({ x }) => x)),
    span(points.map(({ y }) => y)),
    span(points.map(({ z }) => z)),
  ];
  return {
    x: (x0 + x1) / 2000,
    y: (y0 + y1) / 2000,
    z: (z0 + z1) / 2000,
    size: Math.max(x1 - x0, y1 - y0, z1 - z0, 10_000) / 1000,
  };
}
