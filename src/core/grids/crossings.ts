import { derived } from '../model/derived';
import { curvesMeet } from '../geometry/curve';
import { plus, quantised, turned, type Point } from '../geometry/point';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { axisLine, type AxisLine } from './axis-lines';
import { crossingLabel } from './labels';
import { gridsOf, lineById, type ResolvedGrid, type ResolvedLine } from './resolve-grids';

/** Two lines meeting, in building axes. */
export interface Crossing {
  label: string | null;
  lines: [Id, Id];
  /** 2 for the second place where the same two lines meet, along the first of them. */
  nth: 1 | 2;
  at: Point;
  /** Direction of the axes of what stands there. */
  turnDeg: number;
}

/** Beyond their ends, so that a chosen pair meets although its lines stop short. */
const CARRIERS = 1e7;

/**
 * Where two lines meet; null if they never do. A chosen pair may meet beyond its ends. `nth` is which of two meetings.
 */
export function crossingOf(framework: Framework, lines: readonly [Id, Id], nth: 1 | 2 = 1): Crossing | null {
  const [first, second] = [lineById(framework, lines[0]), lineById(framework, lines[1])];
  if (first && second && first[0].id === second[0].id && first[0].record.shape !== 'free') {
    if (first[1].direction === second[1].direction) return null;
    return withinSystem(first[0], first[1], second[1]);
  }
  const [a, b] = [axisLine(framework, lines[0]), axisLine(framework, lines[1])];
  if (!a || !b || a.building !== b.building) return null;
  const places = curvesMeet(a.curve, b.curve);
  const meets = places.length > 0 ? places : curvesMeet(a.curve, b.curve, CARRIERS);
  const at = meets[nth - 1];
  return at ? met(a, b, nth, at) : null;
}

function met(a: AxisLine, b: AxisLine, nth: 1 | 2, at: Point): Crossing {
  const label = a.label !== null && b.label !== null ? crossingLabel(a.label, b.label) : null;
  // A straight line's axes rule over an arc's.
  const turnDeg = a.curve.kind === 'arc' && b.curve.kind === 'segment' ? b.turnDeg : a.turnDeg;
  return { label, lines: [a.id, b.id], nth, at, turnDeg };
}

/** Crossing of two lines of one rectangular or radial system, worked out from their distances: exact. */
function withinSystem(grid: ResolvedGrid, p: ResolvedLine, q: ResolvedLine): Crossing {
  const [a, b] = p.direction === 'a' ? [p, q] : [q, p];
  const { waysOf, shape } = grid.record;
  const isRadial = shape === 'radial';
  const turnDeg = isRadial ? grid.turnDeg + waysOf.a * (a.offsetDeg ?? 0) : grid.turnDeg;
  const local = isRadial ? { x: b.offsetMm, y: 0 } : { x: a.offsetMm * waysOf.a, y: b.offsetMm * waysOf.b };
  return {
    label: a.label !== null && b.label !== null ? crossingLabel(a.label, b.label) : null,
    lines: [a.id, b.id],
    nth: 1,
    at: quantised(plus(grid.origin, turned(local, turnDeg))),
    turnDeg,
  };
}

/** Every crossing of a system whose lines both come that far. */
export function crossingsOf(framework: Framework, grid: ResolvedGrid): Crossing[] {
  if (grid.record.shape === 'free') return pairsMeeting(framework, [...grid.a, ...grid.b]);
  return grid.a.flatMap((a) => grid.b.filter((b) => comeTogether(grid, a, b)).map((b) => withinSystem(grid, a, b)));
}

/** Lines that stop part way meet only where both run. */
function comeTogether(grid: ResolvedGrid, a: ResolvedLine, b: ResolvedLine): boolean {
  if (grid.record.shape === 'radial') return b.offsetMm > 0;
  const { waysOf } = grid.record;
  const isIn = (value: number, [low, high]: [number, number]) => value >= low - 1e-6 && value <= high + 1e-6;
  return isIn(b.offsetMm * waysOf.b, a.reach) && isIn(a.offsetMm * waysOf.a, b.reach);
}

function pairsMeeting(framework: Framework, lines: readonly { id: Id }[]): Crossing[] {
  const resolved = lines.flatMap(({ id }) => axisLine(framework, id) ?? []);
  return resolved.flatMap((a, i) => resolved.slice(i + 1).flatMap((b) => meetings(a, b)));
}

const meetings = (a: AxisLine, b: AxisLine): Crossing[] =>
  curvesMeet(a.curve, b.curve).map((at, i) => met(a, b, (i + 1) as 1 | 2, at));

/** Every crossing of a building's grid lines: within each system and between systems. */
export const buildingCrossings: (framework: Framework, building: Id) => Crossing[] = derived(
  'crossings',
  (framework, building) => {
    const grids = gridsOf(framework).filter(({ record }) => record.building === building);
    const all = grids.flatMap((grid) => crossingsOf(framework, grid));
    grids.forEach((grid, i) => {
      for (const other of grids.slice(i + 1)) all.push(...betweenSystems(framework, grid, other));
    });
    return all;
  },
);

const linesOf = (framework: Framework, grid: ResolvedGrid): AxisLine[] =>
  [...grid.a, ...grid.b].flatMap(({ id }) => axisLine(framework, id) ?? []);

function betweenSystems(framework: Framework, grid: ResolvedGrid, other: ResolvedGrid): Crossing[] {
  const [left, right] = [linesOf(framework, grid), linesOf(framework, other)];
  return left.flatMap((a) => right.flatMap((b) => meetings(a, b)));
}
