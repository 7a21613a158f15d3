import { mmOf } from '../dimensions/resolve-length';
import { offsetCurve, type Curve } from '../geometry/curve';
import { minus } from '../geometry/point';
import { directionDeg } from '../geometry/trig';
import { derived } from '../model/derived';
import { recordsOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import type { SettingOutLine } from '../setting-out/setting-out-line';
import { gridsOf, type ResolvedGrid, type ResolvedLine } from './resolve-grids';

/** A line things can be held to: a grid line or a setting-out line, in building axes. */
export interface AxisLine {
  id: Id;
  building: Id;
  label: string | null;
  curve: Curve;
  /** Direction of the axes of what stands on it. */
  turnDeg: number;
  positiveSide: 1 | -1;
  fromLevel: Id | null;
  toLevel: Id | null;
  /** Where distances along it are counted from: so far from its first end, its extension left out. */
  datumMm: number;
  /** The grid line it is, or comes from in the end. */
  root: Id;
  /** True where it comes from an edge of a slab or shaft. */
  isEdge?: true;
}

/** Every grid line and setting-out line by id. A setting-out line whose source leaves nothing of it is left out. */
export const axisLines: (framework: Framework) => ReadonlyMap<Id, AxisLine> = derived('axis lines', resolveAll);

export const axisLine = (framework: Framework, id: Id): AxisLine | undefined => axisLines(framework).get(id);

function resolveAll(framework: Framework): Map<Id, AxisLine> {
  const all = new Map<Id, AxisLine>();
  for (const grid of gridsOf(framework)) {
    for (const line of [...grid.a, ...grid.b]) all.set(line.id, ofGrid(grid, line));
  }
  const waiting = new Map(recordsOf(framework, 'settingOutLine').map((line) => [line.id, line]));
  const take = (line: SettingOutLine): void => {
    waiting.delete(line.id);
    const next = waiting.get(line.source);
    if (next) take(next);
    const source = all.get(line.source);
    const curve = source && offsetCurve(source.curve, mmOf(framework, line.offsetMm) * source.positiveSide);
    if (!source || !curve) return;
    all.set(line.id, {
      ...source,
      id: line.id,
      label: line.name,
      curve,
      fromLevel: line.fromLevel ?? source.fromLevel,
      toLevel: line.toLevel ?? source.toLevel,
    });
  };
  for (const line of [...waiting.values()]) if (waiting.has(line.id)) take(line);
  return all;
}

function ofGrid(grid: ResolvedGrid, line: ResolvedLine): AxisLine {
  return {
    id: line.id,
    building: grid.record.building,
    label: line.label,
    curve: line.curve,
    turnDeg: axesDeg(grid, line),
    positiveSide: line.positiveSide,
    datumMm: line.datumMm,
    fromLevel: line.fromLevel,
    toLevel: line.toLevel,
    root: line.id,
  };
}

/** Axes along a rectangular system; along the ray in a radial one; along the path of a free line. */
function axesDeg(grid: ResolvedGrid, line: ResolvedLine): number {
  if (grid.record.shape === 'rectangular' || line.curve.kind === 'arc') return grid.turnDeg;
  const way = minus(line.curve.to, line.curve.from);
  return grid.record.shape === 'radial'
    ? grid.turnDeg + grid.record.waysOf.a * (line.offsetDeg ?? 0)
    : directionDeg(way.y, way.x);
}
