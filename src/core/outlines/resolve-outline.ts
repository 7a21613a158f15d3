import { mmOf } from '../dimensions/resolve-length';
import { plus, quantised, turned, type Point } from '../geometry/point';
import { counterClockwise, isSimple, type Ring } from '../geometry/polygon';
import { gridById, gridRectangle } from '../grids/resolve-grids';
import type { Framework } from '../model/framework';
import type { Outline } from './outline';
import { resolvePlace } from './resolve-place';

/**
 * An outline as a counter-clockwise ring in building axes; null when it encloses nothing or crosses itself,
 * which is then a finding and never an exception.
 */
export function resolveOutline(framework: Framework, outline: Outline): Ring | null {
  const ring = counterClockwise(cornersOf(framework, outline).map(quantised));
  return isSimple(ring) ? ring : null;
}

function cornersOf(framework: Framework, outline: Outline): Point[] {
  if (outline.type === 'gridOffset') {
    const grid = gridById(framework, outline.system);
    if (!grid || grid.a.length < 2 || grid.b.length < 2) return [];
    const span = (direction: 'a' | 'b'): [number, number] => {
      const run = grid[direction];
      const ends = outline.lines?.[direction] as [string, string] | undefined;
      if (!ends) return [run[0]!.offsetMm, run.at(-1)!.offsetMm];
      const offset = (id: string) => run.find((line) => line.id === id)?.offsetMm ?? 0;
      return [offset(ends[0]), offset(ends[1])];
    };
    return gridRectangle(grid, span('a'), span('b'), mmOf(framework, outline.offsetMm));
  }
  const { at, turnDeg } = resolvePlace(framework, outline.place);
  const inPlace = (x: number, y: number, turn: number): Point => plus(at, turned({ x, y }, turnDeg + turn));
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
