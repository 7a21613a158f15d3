import { cross, distance, dot, lineCrossing, minus, plus, times, turned, type Point } from '../geometry/point';
import { cosDeg, directionDeg, sinDeg } from '../geometry/trig';
import type { LabelRule } from '../grids/grid';
import { labelsOf } from '../grids/labels';
import { done, refuse, type Result } from '../model/result';
import { LONGEST_MM, MM_PER_UNIT, type LengthUnit } from '../units/length-units';
import type { Sheet } from './sheet';
import type { CommandInputs } from '../commands/command-inputs';

/** Lines of one direction as understood, first line first. */
export interface RecognisedDirection {
  baysMm: number[];
  /** Labels as read, null where a line has none. */
  labels: (string | null)[];
  rule: LabelRule;
  /** Counted along (1) or against (−1) the axis. */
  way: 1 | -1;
}

/** A rectangular grid found in a drawing, for a person to look at before it is taken. */
export interface RecognisedGrid {
  unit: LengthUnit;
  layers: string[];
  a: RecognisedDirection;
  b: RecognisedDirection;
  /** Crossing of the two first lines in the drawing's axes, millimetres. */
  origin: Point;
  turnDeg: number;
  /** Where the labels stand, at either end of their lines, in the drawing's axes, millimetres: what is around them is a head. */
  labelsAt: Point[];
  /** Pieces of line that were joined with others, and lines that belong to no direction. */
  joinedPieces: number;
  ignoredLines: number;
}

interface Piece {
  a: Point;
  b: Point;
  layer: string;
}

interface Run {
  /** Distance across the direction. */
  offset: number;
  ends: [Point, Point];
  span: number;
  label: string | null;
  labelsAt: Point[];
  pieces: number;
}

const JOIN_MM = 2;
const PARALLEL_DEG = 0.2;
const SQUARE_DEG = 0.5;

/**
 * Finds the grid in a drawing: groups lines by direction, joins collinear pieces, reads the labels at their ends
 * and orders the lines by label. `unit` overrides what the file says; without either it is refused.
 */
export function recogniseGrid(
  sheet: Sheet,
  choice: { unit?: LengthUnit; layer?: string } = {},
): Result<RecognisedGrid> {
  const unit = choice.unit ?? sheet.unit;
  if (!unit) return refuse('The drawing does not say its unit. Choose one: mm, cm, m, inch or ft');
  const scale = MM_PER_UNIT[unit];
  const mm = (point: Point): Point => times(point, scale);
  const onLayer = sheet.lines.filter(({ layer }) => choice.layer === undefined || layer === choice.layer);
  if (onLayer.length === 0) {
    return refuse(
      choice.layer === undefined ? 'The drawing holds no lines' : `There are no lines on layer ${choice.layer}`,
    );
  }
  const pieces = onLayer
    .map(({ a, b, layer }) => ({ a: mm(a), b: mm(b), layer }))
    .filter(({ a, b }) => distance(a, b) > JOIN_MM);
  const tooFar = pieces.find(({ a, b }) => [a.x, a.y, b.x, b.y].some((value) => !(Math.abs(value) <= LONGEST_MM)));
  if (tooFar)
    return refuse('A line of the drawing lies further out than 1000 km, or nowhere. Check the unit and the file');
  const groups = byDirection(pieces);
  const first = groups[0];
  const second = first && groups.find((group) => Math.abs(Math.abs(foldDeg(group.deg - first.deg)) - 90) <= SQUARE_DEG);
  if (!first || !second) {
    return refuse('No two directions of lines square to each other were found. Choose the layer the grid is on');
  }
  const turnDeg = axisTurn(first.deg);
  const firstRunsAlongX = Math.abs(foldDeg(first.deg - turnDeg)) < 45;
  const [alongY, alongX] = firstRunsAlongX ? [second, first] : [first, second];
  const texts = sheet.texts.map((text) => ({ ...text, at: mm(text.at), height: text.height * scale }));
  const circles = sheet.circles.map((circle) => ({ at: mm(circle.at), radius: circle.radius * scale }));
  const aRuns = labelled(joined(alongY.pieces, turnDeg, 'a'), texts, circles);
  const bRuns = labelled(joined(alongX.pieces, turnDeg, 'b'), texts, circles);
  if (aRuns.length < 2 || bRuns.length < 2) {
    return refuse('Fewer than two grid lines were found one way. Choose the layer the grid is on');
  }
  const a = ordered(aRuns);
  const b = ordered(bRuns);
  const [a0, b0] = [a.runs[0]!, b.runs[0]!];
  const origin = lineCrossing(a0.ends[0], minus(a0.ends[1], a0.ends[0]), b0.ends[0], minus(b0.ends[1], b0.ends[0]))!;
  const kept = [...a.runs, ...b.runs].reduce((sum, run) => sum + run.pieces, 0);
  return done({
    unit,
    layers: [...new Set([...alongX.pieces, ...alongY.pieces].map(({ layer }) => layer))].sort(),
    a: a.direction,
    b: b.direction,
    origin: { x: noise(origin.x), y: noise(origin.y) },
    turnDeg: Math.round(turnDeg * 1e6) / 1e6,
    labelsAt: [...a.runs, ...b.runs].flatMap((run) => run.labelsAt),
    joinedPieces: kept - a.runs.length - b.runs.length,
    ignoredLines: onLayer.length - kept,
  });
}

/** Drawings carry rounding noise; a thousandth of a millimetre is finer than any of them means. */
const noise = (mm: number): number => Math.round(mm * 1000) / 1000 || 0;

/** An angle folded into −90 < a ≤ 90: directions of lines have no sense. */
function foldDeg(deg: number): number {
  const folded = deg - 180 * Math.round(deg / 180);
  return folded === -90 ? 90 : folded;
}

/** The turn of the x axis, −45 < turn ≤ 45, of a grid with lines in this direction. */
function axisTurn(deg: number): number {
  const turn = deg - 90 * Math.round(deg / 90);
  return turn === -45 ? 45 : turn === 0 ? 0 : turn;
}

/** Groups of parallel lines, the greatest total length first. */
function byDirection(pieces: readonly Piece[]): { deg: number; length: number; pieces: Piece[] }[] {
  const groups: { deg: number; length: number; pieces: Piece[] }[] = [];
  const byLength = [...pieces].sort((p, q) => distance(q.a, q.b) - distance(p.a, p.b));
  for (const piece of byLength) {
    const along = minus(piece.b, piece.a);
    const deg = foldDeg(directionDeg(along.y, along.x));
    const group = groups.find((candidate) => Math.abs(foldDeg(candidate.deg - deg)) <= PARALLEL_DEG);
    if (group) {
      group.pieces.push(piece);
      group.length += distance(piece.a, piece.b);
    } else groups.push({ deg, length: distance(piece.a, piece.b), pieces: [piece] });
  }
  return groups.sort((p, q) => q.length - p.length);
}

/** Joins collinear pieces into runs; drops what is far shorter than the longest: ticks and leaders, also those in one line with a run. */
function joined(pieces: readonly Piece[], turnDeg: number, direction: 'a' | 'b'): Run[] {
  const across =
    direction === 'a' ? { x: cosDeg(turnDeg), y: sinDeg(turnDeg) } : { x: -sinDeg(turnDeg), y: cosDeg(turnDeg) };
  const along = { x: -across.y, y: across.x };
  const runs: { offset: number; spans: Span[] }[] = [];
  const base = pieces[0]!.a;
  for (const { a, b } of pieces) {
    const offset = (dot(minus(a, base), across) + dot(minus(b, base), across)) / 2;
    const [t, u] = [dot(minus(a, base), along), dot(minus(b, base), along)];
    const run = runs.find((candidate) => Math.abs(candidate.offset - offset) <= JOIN_MM);
    const span: Span = t < u ? [t, u] : [u, t];
    if (run) run.spans.push(span);
    else runs.push({ offset, spans: [span] });
  }
  const longestMm = Math.max(...runs.map(({ spans }) => drawnMm(spans)));
  const point = (offset: number, t: number): Point => plus(base, plus(times(across, offset), times(along, t)));
  return runs
    .map(({ offset, spans }) => ({
      offset,
      spans: stretches(spans, longestMm * GAP)
        .filter((stretch) => drawnMm(stretch) >= longestMm * STRETCH)
        .flat(),
    }))
    .filter(({ spans }) => drawnMm(spans) >= longestMm * LINE)
    .sort((p, q) => p.offset - q.offset)
    .map(({ offset, spans }) => {
      const [low, high] = [Math.min(...spans.map(([from]) => from)), Math.max(...spans.map(([, to]) => to))];
      return {
        offset,
        ends: [point(offset, low), point(offset, high)],
        span: high - low,
        label: null,
        labelsAt: [],
        pieces: spans.length,
      };
    });
}

/** From where to where a piece goes along its line, mm. */
type Span = readonly [number, number];

/** Of the longest line: what is drawn of a line at least, and of a stretch of it, and how far a stretch goes on over a gap. */
const LINE = 1 / 4;
const STRETCH = 1 / 8;
const GAP = 1 / 10;

/** What spans cover together: what lies on one another counts once. */
function drawnMm(spans: readonly Span[]): number {
  let [length, reached] = [0, -Infinity];
  for (const [from, to] of [...spans].sort((p, q) => p[0] - q[0])) {
    length += Math.max(0, to - Math.max(from, reached));
    reached = Math.max(reached, to);
  }
  return length;
}

/** Spans of one line in groups with no gap in them that is longer than this. */
function stretches(spans: readonly Span[], gapMm: number): Span[][] {
  const groups: Span[][] = [];
  let reached = -Infinity;
  for (const span of [...spans].sort((p, q) => p[0] - q[0])) {
    if (span[0] - reached <= gapMm) groups.at(-1)!.push(span);
    else groups.push([span]);
    reached = Math.max(reached, span[1]);
  }
  return groups;
}

/** Gives each run the text that stands in the bubble, or bare, at one of its ends. */
function labelled(
  runs: readonly Run[],
  texts: readonly { at: Point; text: string; height: number }[],
  circles: readonly { at: Point; radius: number }[],
): Run[] {
  return runs.map((run) => {
    const near: { text: string; gap: number; at: Point }[] = [];
    for (const { at, text, height } of texts) {
      const label = text.trim();
      if (label === '' || label.length > 12) continue;
      const bubble = circles.find((circle) => distance(circle.at, at) <= circle.radius);
      for (const [end, other] of [run.ends, [run.ends[1], run.ends[0]] as const]) {
        const out = times(minus(end, other), 1 / run.span);
        const beyond = dot(minus(at, end), out);
        const aside = Math.abs(cross(out, minus(at, end)));
        const reach = bubble ? bubble.radius * 2 : height * 4;
        const width = bubble ? bubble.radius : height * (0.5 + label.length * 0.5);
        if (aside > width || beyond < -height || beyond > reach) continue;
        near.push({ text: label, gap: aside + Math.abs(beyond), at });
      }
    }
    if (near.length === 0) return run;
    const { text: label } = near.reduce((best, other) => (other.gap < best.gap ? other : best));
    return { ...run, label, labelsAt: near.filter(({ text }) => text === label).map(({ at }) => at) };
  });
}

/** Order and rule of labels: counted from the end where the labels begin. */
function ordered(runs: readonly Run[]): { runs: Run[]; direction: RecognisedDirection } {
  const labels = runs.flatMap(({ label }) => label ?? []);
  const descends = labels.length > 1 && comesBefore(labels.at(-1)!, labels[0]!);
  const inOrder = descends ? [...runs].reverse() : [...runs];
  const read = inOrder.map(({ label }) => label);
  const firstLabel = read.find((label) => label !== null) ?? '1';
  const rule: LabelRule = {
    first: /^(\d{1,4}|[A-Z]{1,3})$/.test(firstLabel) ? firstLabel : '1',
    skip: '',
    prefix: '',
    suffix: '',
    descending: false,
  };
  // Letters that look like digits are left out by habit; take that up when the drawing shows it.
  const plain = labelsOf(
    read.map(() => ({ label: { mode: 'auto' }, minor: false })),
    { ...rule, skip: 'IO' },
  );
  if (plain.join() === read.join() && /[A-Z]/.test(rule.first)) rule.skip = 'IO';
  const bays = inOrder.slice(1).map((run, i) => noise(Math.abs(run.offset - inOrder[i]!.offset)));
  return { runs: inOrder, direction: { baysMm: bays, labels: read, rule, way: descends ? -1 : 1 } };
}

/** Label order: numbers by value, letters by length and alphabet. */
function comesBefore(a: string, b: string): boolean {
  if (/^\d+$/.test(a) && /^\d+$/.test(b)) return Number(a) < Number(b);
  return a.length === b.length ? a < b : a.length < b.length;
}

/** Input of `grids.add` for a recognised grid. Far from the zero it is set at the zero, square to it. */
export function gridInput(grid: RecognisedGrid, keepPlace = isNear(grid)): CommandInputs['grids.add'] {
  const typed = ({ labels, rule }: RecognisedDirection): (string | null)[] | undefined => {
    const plain = labelsOf(
      labels.map(() => ({ label: { mode: 'auto' }, minor: false })),
      rule,
    );
    return plain.join() === labels.join() ? undefined : labels;
  };
  return {
    baysA: grid.a.baysMm,
    baysB: grid.b.baysMm,
    labelsA: grid.a.rule,
    labelsB: grid.b.rule,
    typedA: typed(grid.a),
    typedB: typed(grid.b),
    waysOf: { a: grid.a.way, b: grid.b.way },
    ...(keepPlace ? { xMm: grid.origin.x, yMm: grid.origin.y, turnDeg: grid.turnDeg } : {}),
  };
}

/** True if the drawing's own place can be kept: within 1 km of its zero. */
export const isNear = (grid: RecognisedGrid): boolean =>
  Math.abs(grid.origin.x) <= 1e6 && Math.abs(grid.origin.y) <= 1e6;

/** A point of the drawing in the axes of the grid it holds: from the crossing of the first lines. */
export const inGridAxes = (grid: RecognisedGrid, point: Point): Point =>
  turned(minus(point, grid.origin), -grid.turnDeg);
