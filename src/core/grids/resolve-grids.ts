import { derived } from '../model/derived';
import { mmOf } from '../dimensions/resolve-length';
import { endsOf, onCircle, wrapped, type Curve } from '../geometry/curve';
import { plus, quantised, turned, type Point } from '../geometry/point';
import { recordsOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { quantiseMm } from '../units/length-units';
import { DIRECTIONS, type Direction, type GridLine, type GridSystem, type Heads } from './grid';
import { labelsOf } from './labels';

/** A grid line worked out, in building axes. */
export interface ResolvedLine {
  id: Id;
  record: GridLine;
  direction: Direction;
  label: string | null;
  /** From its direction's first line; a ring: its radius; 0 for rays and free lines. */
  offsetMm: number;
  bayMm: number;
  /** Rays: angle from the first ray and to the ray before. */
  offsetDeg: number | null;
  bayDeg: number | null;
  curve: Curve;
  ends: [Point, Point];
  /** Rectangular: from where to where it runs along the other direction's axis, its extensions left out. */
  reach: [number, number];
  /** How far its first end runs past where it begins. */
  datumMm: number;
  /** True where it has a head: at its first and at its last end. */
  heads: [boolean, boolean];
  /** 1 where "positive" offsets are to the left of the curve, −1 where they are to its right. */
  positiveSide: 1 | -1;
  fromLevel: Id | null;
  toLevel: Id | null;
}

export interface ResolvedGrid {
  id: Id;
  record: GridSystem;
  origin: Point;
  turnDeg: number;
  a: ResolvedLine[];
  b: ResolvedLine[];
}

/** All grid systems of a framework, lines in order. */
export const gridsOf: (framework: Framework) => ResolvedGrid[] = derived('grid systems', (framework) => {
  const bySystem = groupBySystem(recordsOf(framework, 'gridLine'));
  return recordsOf(framework, 'gridSystem').map((system) =>
    resolveGrid(framework, system, bySystem.get(system.id) ?? []),
  );
});

function groupBySystem(lines: readonly GridLine[]): Map<Id, GridLine[]> {
  const groups = new Map<Id, GridLine[]>();
  for (const line of lines) groups.set(line.system, [...(groups.get(line.system) ?? []), line]);
  return groups;
}

export const gridById = (framework: Framework, system: Id): ResolvedGrid | undefined =>
  gridsOf(framework).find(({ id }) => id === system);

const linesById = derived(
  'grid lines by id',
  (framework) =>
    new Map<Id, [ResolvedGrid, ResolvedLine]>(
      gridsOf(framework).flatMap((grid) =>
        [...grid.a, ...grid.b].map((line): [Id, [ResolvedGrid, ResolvedLine]] => [line.id, [grid, line]]),
      ),
    ),
);

/** A line with its system. */
export const lineById = (framework: Framework, id: Id): [ResolvedGrid, ResolvedLine] | undefined =>
  linesById(framework).get(id);

/** Lines of one direction from the first on. */
function inOrder(lines: readonly GridLine[]): GridLine[] {
  const next = new Map(lines.map((line) => [line.from, line]));
  const ordered: GridLine[] = [];
  for (let line = next.get(null); line && ordered.length <= lines.length; line = next.get(line.id)) ordered.push(line);
  return ordered;
}

/** A line in its run, before it has a place. */
interface Link {
  line: GridLine;
  label: string | null;
  bayMm: number;
  offsetMm: number;
  bayDeg: number;
  offsetDeg: number;
}
type Runs = Record<Direction, Link[]>;

function resolveGrid(framework: Framework, record: GridSystem, lines: readonly GridLine[]): ResolvedGrid {
  const origin = { x: mmOf(framework, record.xMm), y: mmOf(framework, record.yMm) };
  const runs = Object.fromEntries(
    DIRECTIONS.map((direction) => {
      const ordered = inOrder(lines.filter((line) => line.direction === direction));
      const labels = labelsOf(ordered, record.labels[direction]);
      let [offsetMm, offsetDeg] = [0, 0];
      return [
        direction,
        ordered.map((line, i): Link => {
          const [bayMm, bayDeg] = [mmOf(framework, line.bayMm), line.bayDeg ?? 0];
          offsetMm = quantiseMm(offsetMm + bayMm);
          offsetDeg = quantiseMm(offsetDeg + bayDeg);
          return { line, label: labels[i]!, bayMm, offsetMm, bayDeg, offsetDeg };
        }),
      ];
    }),
  ) as Runs;
  const inPlace = (x: number, y: number): Point => quantised(plus(origin, turned({ x, y }, record.turnDeg)));
  const shaped = { rectangular: rectangularLine, radial: radialLine, free: freeLine }[record.shape];
  const resolve = (direction: Direction): ResolvedLine[] =>
    runs[direction].map((link) => {
      const { curve, reach, positiveSide, datumMm } = shaped({
        framework,
        record,
        runs,
        direction,
        link,
        origin,
        inPlace,
      });
      const own = link.line;
      return {
        id: own.id,
        record: own,
        direction,
        label: link.label,
        offsetMm: link.offsetMm,
        bayMm: link.bayMm,
        offsetDeg: own.bayDeg === null ? null : link.offsetDeg,
        bayDeg: own.bayDeg,
        curve,
        ends: endsOf(curve),
        reach,
        datumMm,
        heads: headsOf(own, own.heads ?? record.headsAt[direction], record.waysOf[direction === 'a' ? 'b' : 'a']),
        positiveSide,
        fromLevel: own.fromLevel ?? record.fromLevel,
        toLevel: own.toLevel ?? record.toLevel,
      };
    });
  return { id: record.id, record, origin, turnDeg: record.turnDeg, a: resolve('a'), b: resolve('b') };
}

/** A line that stops part way has its head on its own side only; `way` is how the lines of the other direction count. */
function headsOf(line: GridLine, heads: Heads, way: 1 | -1): [boolean, boolean] {
  if (heads === 'none') return [false, false];
  if (line.side !== 'both') {
    const isLow = (line.side === 'near') === (way === 1);
    return [isLow, !isLow];
  }
  return [heads !== 'last', heads !== 'first'];
}

interface ToShape {
  framework: Framework;
  record: GridSystem;
  runs: Runs;
  direction: Direction;
  link: Link;
  origin: Point;
  inPlace: (x: number, y: number) => Point;
}
interface Shaped {
  curve: Curve;
  reach: [number, number];
  positiveSide: 1 | -1;
  datumMm: number;
}

/** Extensions of a line beyond its two ends. */
function extensions({ framework, record, link }: ToShape): [number, number] {
  const usual = mmOf(framework, record.extensionMm);
  const own = (length: GridLine['extendFirstMm']) => (length === null ? usual : mmOf(framework, length));
  return [own(link.line.extendFirstMm), own(link.line.extendLastMm)];
}

function rectangularLine(given: ToShape): Shaped {
  const { framework, record, runs, direction, link, inPlace } = given;
  const other = direction === 'a' ? 'b' : 'a';
  const offsets = runs[other].map(({ offsetMm }) => offsetMm * record.waysOf[other]);
  const [least, most] = [Math.min(0, ...offsets), Math.max(0, ...offsets)];
  const way = record.waysOf[other];
  let [low, high] = [least, most];
  const { side, reachMm } = link.line;
  if (side !== 'both') {
    // Near is the side of the first line of the other direction, wherever that one counts to.
    const run = reachMm === null ? quantiseMm((most - least) / 2) : Math.min(mmOf(framework, reachMm), most - least);
    const isLow = (side === 'near') === (way === 1);
    if (isLow) high = quantiseMm(least + run);
    else low = quantiseMm(most - run);
  }
  const [first, last] = extensions(given);
  // A line that stops part way runs on at its own side only.
  const start = low - (low === least ? first : 0);
  const end = high + (high === most ? last : 0);
  const at = link.offsetMm * record.waysOf[direction];
  const [from, to] =
    direction === 'a' ? [inPlace(at, start), inPlace(at, end)] : [inPlace(start, at), inPlace(end, at)];
  return {
    curve: { kind: 'segment', from, to },
    reach: [low, high],
    datumMm: quantiseMm(low - start),
    positiveSide: (direction === 'a' ? -record.waysOf.a : record.waysOf.b) as 1 | -1,
  };
}

/** A ring runs past its outermost rays by at most this angle. */
const MOST_RING_EXTENSION_DEG = 20;

function radialLine(given: ToShape): Shaped {
  const { record, runs, direction, link, origin } = given;
  const radii = runs.b.map(({ offsetMm }) => offsetMm);
  const [least, most] = [radii[0] ?? 0, radii.at(-1) ?? 0];
  const [first, last] = extensions(given);
  const way = record.waysOf.a;
  if (direction === 'a') {
    const degrees = wrapped(record.turnDeg + way * link.offsetDeg);
    const end = (radius: number) => quantised(onCircle(origin, radius, degrees));
    const [low, high] = [Math.max(0, least - first), most + last];
    return {
      curve: { kind: 'segment', from: end(low), to: end(high > low ? high : low + 1000) },
      reach: [least, most],
      datumMm: quantiseMm(least - low),
      positiveSide: way,
    };
  }
  const sweep = runs.a.at(-1)?.offsetDeg ?? 0;
  const closing = closingDeg(runs.a);
  const radiusMm = link.offsetMm;
  const past = (mm: number) => Math.min(MOST_RING_EXTENSION_DEG, ((mm / radiusMm) * 180) / Math.PI, closing / 3);
  const [before, after] = way === 1 ? [past(first), past(last)] : [past(last), past(first)];
  const start = way === 1 ? record.turnDeg : record.turnDeg - sweep;
  const isClosed = runs.a.length < 2 || closing <= (sweep / (runs.a.length - 1)) * 1.001;
  return {
    curve: {
      kind: 'arc',
      centre: origin,
      radiusMm,
      fromDeg: quantiseMm(wrapped(start - (isClosed ? 0 : before))),
      sweepDeg: isClosed ? 360 : quantiseMm(Math.min(360, sweep + before + after)),
    },
    reach: [0, sweep],
    datumMm: isClosed ? 0 : quantiseMm(((before * Math.PI) / 180) * radiusMm),
    positiveSide: -1,
  };
}

/** The angle left between the last ray and the first. */
const closingDeg = (rays: readonly Link[]): number => 360 - (rays.at(-1)?.offsetDeg ?? 0);

function freeLine({ framework, record, link, inPlace }: ToShape): Shaped {
  const path = link.line.path;
  const mm = (length: Parameters<typeof mmOf>[1]) => mmOf(framework, length);
  const nothing: Curve = { kind: 'segment', from: inPlace(0, 0), to: inPlace(1000, 0) };
  const curve: Curve =
    path === null
      ? nothing
      : path.type === 'line'
        ? {
            kind: 'segment',
            from: inPlace(mm(path.x0Mm), mm(path.y0Mm)),
            to: inPlace(mm(path.x1Mm), mm(path.y1Mm)),
          }
        : {
            kind: 'arc',
            centre: inPlace(mm(path.xMm), mm(path.yMm)),
            radiusMm: mm(path.radiusMm),
            fromDeg: quantiseMm(wrapped(path.fromDeg + record.turnDeg)),
            sweepDeg: path.sweepDeg,
          };
  return { curve, reach: [0, 0], positiveSide: 1, datumMm: 0 };
}

/**
 * Outline corner points of a system's lines with an offset outwards, counter-clockwise; none when an inset leaves
 * nothing. Rectangular systems only; `a` and `b` are offsets of two lines of each direction.
 */
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
