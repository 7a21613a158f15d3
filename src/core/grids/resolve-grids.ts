import { mmOf } from '../dimensions/resolve-length';
import { dot, plus, quantised, turned, type Point } from '../geometry/point';
import { recordsOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { quantiseMm } from '../units/length-units';
import { DIRECTIONS, type Direction, type GridLine, type GridSystem } from './grid';
import { crossingLabel, labelsOf } from './labels';

/** A grid line worked out: label, distance from its direction's first line, and its two ends in building axes. */
export interface ResolvedLine {
  id: Id;
  record: GridLine;
  direction: Direction;
  label: string | null;
  offsetMm: number;
  bayMm: number;
  ends: [Point, Point];
}

export interface ResolvedGrid {
  id: Id;
  record: GridSystem;
  origin: Point;
  turnDeg: number;
  a: ResolvedLine[];
  b: ResolvedLine[];
}

/** Two lines meeting, in building axes. */
export interface Crossing {
  label: string | null;
  lines: [Id, Id];
  system: Id;
  at: Point;
}

const cache = new WeakMap<Framework, ResolvedGrid[]>();

/** All grid systems of a framework, lines in order. */
export function gridsOf(framework: Framework): ResolvedGrid[] {
  let grids = cache.get(framework);
  if (!grids) {
    const bySystem = groupBySystem(recordsOf(framework, 'gridLine'));
    grids = recordsOf(framework, 'gridSystem').map((system) =>
      resolveGrid(framework, system, bySystem.get(system.id) ?? []),
    );
    cache.set(framework, grids);
  }
  return grids;
}

function groupBySystem(lines: readonly GridLine[]): Map<Id, GridLine[]> {
  const groups = new Map<Id, GridLine[]>();
  for (const line of lines) groups.set(line.system, [...(groups.get(line.system) ?? []), line]);
  return groups;
}

export const gridById = (framework: Framework, system: Id): ResolvedGrid | undefined =>
  gridsOf(framework).find(({ id }) => id === system);

const linesById = new WeakMap<Framework, Map<Id, [ResolvedGrid, ResolvedLine]>>();

/** A line with its system. */
export function lineById(framework: Framework, id: Id): [ResolvedGrid, ResolvedLine] | undefined {
  let index = linesById.get(framework);
  if (!index) {
    index = new Map(
      gridsOf(framework).flatMap((grid) => [...grid.a, ...grid.b].map((line) => [line.id, [grid, line]] as const)),
    );
    linesById.set(framework, index);
  }
  return index.get(id);
}

/** Lines of one direction from the first on. */
function inOrder(lines: readonly GridLine[]): GridLine[] {
  const next = new Map(lines.map((line) => [line.from, line]));
  const ordered: GridLine[] = [];
  for (let line = next.get(null); line && ordered.length <= lines.length; line = next.get(line.id)) ordered.push(line);
  return ordered;
}

function resolveGrid(framework: Framework, record: GridSystem, lines: readonly GridLine[]): ResolvedGrid {
  const origin = { x: mmOf(framework, record.xMm), y: mmOf(framework, record.yMm) };
  const extension = mmOf(framework, record.extensionMm);
  const chains = Object.fromEntries(
    DIRECTIONS.map((direction) => {
      const ordered = inOrder(lines.filter((line) => line.direction === direction));
      const labels = labelsOf(ordered, record.labels[direction]);
      let offsetMm = 0;
      return [
        direction,
        ordered.map((line, i) => {
          const bayMm = mmOf(framework, line.bayMm);
          offsetMm = quantiseMm(offsetMm + bayMm);
          return { line, label: labels[i]!, bayMm, offsetMm };
        }),
      ];
    }),
  ) as Record<Direction, { line: GridLine; label: string | null; bayMm: number; offsetMm: number }[]>;
  const reach = (direction: Direction): [number, number] => {
    const offsets = chains[direction].map(({ offsetMm }) => offsetMm * record.waysOf[direction]);
    return [Math.min(0, ...offsets) - extension, Math.max(0, ...offsets) + extension];
  };
  const place = (x: number, y: number): Point => quantised(plus(origin, turned({ x, y }, record.turnDeg)));
  const resolve = (direction: Direction): ResolvedLine[] => {
    const [low, high] = reach(direction === 'a' ? 'b' : 'a');
    return chains[direction].map(({ line, label, bayMm, offsetMm }) => {
      const at = offsetMm * record.waysOf[direction];
      const ends: [Point, Point] =
        direction === 'a' ? [place(at, low), place(at, high)] : [place(low, at), place(high, at)];
      return { id: line.id, record: line, direction, label, offsetMm, bayMm, ends };
    });
  };
  return { id: record.id, record, origin, turnDeg: record.turnDeg, a: resolve('a'), b: resolve('b') };
}

/** The part of a shift that moves a line across itself, positive away from the lines before it; mm. */
export function acrossLine(framework: Framework, line: Id, by: Point): number {
  const found = lineById(framework, line);
  if (!found) return 0;
  const [grid, { direction }] = found;
  const axis = turned(direction === 'a' ? { x: 1, y: 0 } : { x: 0, y: 1 }, grid.turnDeg);
  return quantiseMm(dot(by, axis) * grid.record.waysOf[direction]);
}

/** Where two lines of one system meet, in building axes; null if they are not of one system or run the same way. */
export function crossingOf(framework: Framework, lines: readonly [Id, Id]): Crossing | null {
  const [first, second] = [lineById(framework, lines[0]), lineById(framework, lines[1])];
  if (!first || !second || first[0].id !== second[0].id || first[1].direction === second[1].direction) return null;
  const [a, b] = first[1].direction === 'a' ? [first[1], second[1]] : [second[1], first[1]];
  return crossingAt(first[0], a, b);
}

function crossingAt(grid: ResolvedGrid, a: ResolvedLine, b: ResolvedLine): Crossing {
  const { waysOf } = grid.record;
  const local = { x: a.offsetMm * waysOf.a, y: b.offsetMm * waysOf.b };
  return {
    label: a.label !== null && b.label !== null ? crossingLabel(a.label, b.label) : null,
    lines: [a.id, b.id],
    system: grid.id,
    at: quantised(plus(grid.origin, turned(local, grid.turnDeg))),
  };
}

/** Every crossing of a system. */
export const crossingsOf = (grid: ResolvedGrid): Crossing[] =>
  grid.a.flatMap((a) => grid.b.map((b) => crossingAt(grid, a, b)));

/** Outline corner points of a system's lines with an offset outwards, counter-clockwise; none when an inset leaves nothing. */
export function gridRectangle(grid: ResolvedGrid, a: [number, number], b: [number, number], offsetMm: number): Point[] {
  const { waysOf } = grid.record;
  const xs = a.map((offset) => offset * waysOf.a);
  const ys = b.map((offset) => offset * waysOf.b);
  const [x0, x1] = [Math.min(...xs) - offsetMm, Math.max(...xs) + offsetMm];
  const [y0, y1] = [Math.min(...ys) - offsetMm, Math.max(...ys) + offsetMm];
  if (x0 >= x1 || y0 >= y1) return [];
  const corners = [
    [x0, y0],
    [x1, y0],
    [x1, y1],
    [x0, y1],
  ] as const;
  return corners.map(([x, y]) => quantised(plus(grid.origin, turned({ x, y }, grid.turnDeg))));
}
