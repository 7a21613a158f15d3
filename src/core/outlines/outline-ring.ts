import { mmOf } from '../dimensions/resolve-length';
import { plus, quantised, turned, type Point } from '../geometry/point';
import { counterClockwise, isSimple, type Ring } from '../geometry/polygon';
import type { AxisLine } from '../grids/axis-lines';
import { gridById, gridRectangle, type ResolvedGrid } from '../grids/resolve-grids';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { outlineFromWalls } from '../walls/outline-from-walls';
import { circleRing, ringOnLines } from './outline-from-lines';
import type { Outline } from './outline';
import { resolvePlace } from './resolve-place';

/** Finds the line an edge is held to. Given from outside: lines may themselves be set out from edges of outlines. */
export type LineOf = (framework: Framework, id: Id) => AxisLine | undefined;

/**
 * An outline as a counter-clockwise ring in building axes; null when it encloses nothing or crosses itself,
 * which is then a finding and never an exception.
 */
export function outlineRing(framework: Framework, outline: Outline, lineOf: LineOf): Ring | null {
  const ring = counterClockwise(cornersOf(framework, outline, lineOf).map(quantised));
  return isSimple(ring) ? ring : null;
}

function cornersOf(framework: Framework, outline: Outline, lineOf: LineOf): readonly Point[] {
  if (outline.type === 'gridOffset') {
    const grid = gridById(framework, outline.system);
    if (!grid) return [];
    const offsetMm = mmOf(framework, outline.offsetMm);
    return grid.record.shape === 'radial'
      ? sectorRing(grid, offsetMm)
      : rectangleOf(grid, outline.lines as Parameters<typeof rectangleOf>[1], offsetMm);
  }
  if (outline.type === 'lines') {
    const edges = outline.edges.flatMap(({ line, offsetMm }) => {
      const axis = lineOf(framework, line);
      return axis ? [{ curve: axis.curve, offsetMm: mmOf(framework, offsetMm) }] : [];
    });
    return edges.length === outline.edges.length ? (ringOnLines(edges) ?? []) : [];
  }
  if (outline.type === 'walls') return outlineFromWalls(framework, outline) ?? [];
  const { at, turnDeg } = resolvePlace(framework, outline.place);
  const inPlace = (x: number, y: number, turn: number): Point => plus(at, turned({ x, y }, turnDeg + turn));
  if (outline.type === 'circle') return circleRing(at, mmOf(framework, outline.diameterMm) / 2);
  if (outline.type === 'polygon') {
    return outline.points.map(({ xMm, yMm }) => inPlace(mmOf(framework, xMm), mmOf(framework, yMm), 0));
  }
  const [w, d] = [mmOf(framework, outline.widthMm), mmOf(framework, outline.depthMm)];
  const corners = [
    [0, 0],
    [w, 0],
    [w, d],
    [0, d],
  ] as const;
  return corners.map(([x, y]) => inPlace(x, y, outline.turnDeg));
}

function rectangleOf(
  grid: ResolvedGrid,
  lines: { a: [string, string]; b: [string, string] } | null,
  offsetMm: number,
): readonly Point[] {
  if (grid.record.shape !== 'rectangular' || grid.a.length < 2 || grid.b.length < 2) return [];
  const span = (direction: 'a' | 'b'): [number, number] => {
    const run = grid[direction];
    const ends = lines?.[direction];
    if (!ends) return [run[0]!.offsetMm, run.at(-1)!.offsetMm];
    const offset = (id: string) => run.find((line) => line.id === id)?.offsetMm ?? 0;
    return [offset(ends[0]), offset(ends[1])];
  };
  return gridRectangle(grid, span('a'), span('b'), offsetMm);
}

/** Between the outermost rays and rings of a radial system; the whole disc where its rings close. */
function sectorRing(grid: ResolvedGrid, offsetMm: number): readonly Point[] {
  const [firstRay, lastRay, inner, outer] = [grid.a[0], grid.a.at(-1), grid.b[0], grid.b.at(-1)];
  if (!firstRay || !lastRay || !inner || !outer || firstRay === lastRay) return [];
  if (outer.curve.kind === 'arc' && outer.curve.sweepDeg >= 360)
    return circleRing(grid.origin, outer.offsetMm + offsetMm);
  const edges = [firstRay, outer, lastRay, ...(inner.offsetMm > 0 && inner !== outer ? [inner] : [])];
  return ringOnLines(edges.map(({ curve }) => ({ curve, offsetMm }))) ?? [];
}
