import { curveLength, curvesMeet, endsOf, leftDistance, leftOf, nearestOn, type Curve } from '../geometry/curve';
import {
  cross,
  distance,
  dot,
  lengthOf,
  lineCrossing,
  minus,
  plus,
  quantised,
  times,
  type Point,
} from '../geometry/point';
import { quantiseMm } from '../units/length-units';
import type { MarkEdge, MarkPoint, PlanMarks } from './plan-marks';

/** How lengths are stepped and written for the person who draws. */
export interface Writing {
  /** Free points and lengths come in steps of so much, mm. */
  stepMm: number;
  write: (mm: number) => string;
}

/** A place a pointer is taken to: exactly where, and in words why. */
export interface Snap {
  at: Point;
  words: string;
  /** At nothing: a point in round steps. */
  isFree?: true;
  /** The first corner again. */
  closes?: true;
  /** Lines that lead to it, to be shown. */
  guides: readonly [Point, Point][];
}

/** What is being drawn: the corners so far, and what was pointed at on the way. */
export interface Drawn {
  corners: readonly Point[];
  /** Whether going back to the first corner closes it. */
  mayClose: boolean;
  /** Marks and edges pointed at last: what one may be level with or parallel to. */
  hints: { points: readonly MarkPoint[]; edges: readonly MarkEdge[] };
}

const NOTHING_DRAWN: Drawn = { corners: [], mayClose: false, hints: { points: [], edges: [] } };

/** A line without end that a point may be put on. */
interface Guide {
  through: Point;
  /** Of length 1. */
  along: Point;
  words: string;
  /** Begins at the last corner, so that a length along it is told. */
  isFromLast: boolean;
}

/** Edges near a pointer whose meetings are looked for: more are not told apart by hand. */
const MOST_NEAR = 8;
/** Directions that differ less are one: the sine of the angle between. */
const SAME_WAY = 1e-9;

/**
 * Where a pointer may be taken to within reach, the best first: points, then meetings of edges and guides, feet of perpendiculars,
 * edges, guides, and last the point in round steps from the lines about it. All are exact: a point said to lie on something lies on it
 * to the model's grain.
 */
export function snapsAt(
  marks: PlanMarks,
  point: Point,
  reachMm: number,
  writing: Writing,
  drawn: Drawn = NOTHING_DRAWN,
  more: readonly MarkPoint[] = [],
): Snap[] {
  const ranked: { rank: number; gap: number; snap: Snap }[] = [];
  const offer = (rank: number, snap: Snap, pull = 1) => {
    const gap = distance(snap.at, point);
    if (gap <= reachMm) ranked.push({ rank, gap: gap * pull, snap });
  };
  const [first, last] = [drawn.corners[0], drawn.corners.at(-1)];
  if (first && drawn.mayClose && drawn.corners.length > 2)
    offer(0, { at: first, words: 'the first corner: closes it', closes: true, guides: [] });
  for (const { at, words, pull } of [...marks.points, ...more]) offer(1, { at, words, guides: [] }, pull);
  const near = nearEdges(marks.edges, point, reachMm);
  for (const [i, { edge: a }] of near.entries())
    for (const { edge: b } of near.slice(i + 1))
      for (const at of curvesMeet(a.curve, b.curve))
        offer(2, { at: quantised(at), words: `${a.words} and ${b.words}`, guides: [] });
  const guides = guidesOf(marks, drawn).filter((guide) => distanceToGuide(guide, point) <= reachMm);
  for (const [i, guide] of guides.entries()) {
    for (const { edge } of near)
      for (const at of onEdge(guide, edge.curve))
        offer(2, { at: quantised(at), words: `${edge.words}, ${guide.words}`, guides: [lead(guide, at)] });
    for (const other of guides.slice(i + 1)) {
      const at = lineCrossing(guide.through, guide.along, other.through, other.along);
      if (at && Math.abs(cross(guide.along, other.along)) > SAME_WAY)
        offer(2, {
          at: quantised(at),
          words: `${guide.words}, ${other.words}`,
          guides: [lead(guide, at), lead(other, at)],
        });
    }
  }
  if (last)
    for (const { edge } of near)
      if (edge.curve.kind === 'segment') {
        const foot = nearestOn(edge.curve, last);
        const { from, to } = edge.curve;
        // The foot must lie within the edge, not be one of its ends, and not be where one is already.
        const isFoot =
          Math.abs(dot(minus(foot, last), minus(to, from))) <= 1e-6 * distance(from, to) * distance(foot, last);
        if (isFoot && distance(foot, last) > 1)
          offer(3, { at: quantised(foot), words: `perpendicular to ${edge.words}`, guides: [[last, foot]] });
      }
  for (const { edge } of near) offer(4, onTheEdge(marks, edge, point, writing), edge.pull);
  for (const guide of guides) offer(5, alongGuide(guide, point, writing, drawn));
  ranked.sort((a, b) => a.rank - b.rank || a.gap - b.gap);
  const found = ranked.map(({ snap }) => snap).filter((snap, i, all) => isNew(snap, all.slice(0, i)));
  return [...found, freePoint(marks, point, writing)];
}

/** A second name for one place is none. */
const isNew = (snap: Snap, before: readonly Snap[]): boolean => before.every(({ at }) => distance(at, snap.at) > 1e-3);

/**
 * Where a pointer is taken to while a direction is held from the last corner: on that ray only, where an edge crosses it or a mark
 * lies level with it, else at a length in round steps.
 */
export function heldSnaps(
  marks: PlanMarks,
  from: Point,
  along: Point,
  point: Point,
  reachMm: number,
  writing: Writing,
  drawn: Drawn = NOTHING_DRAWN,
): Snap[] {
  // A direction has a sense: behind the corner there is nothing.
  const t = Math.max(0, dot(minus(point, from), along));
  const foot = plus(from, times(along, t));
  const guide: Guide = { through: from, along, words: 'held', isFromLast: true };
  const ranked: { rank: number; gap: number; snap: Snap }[] = [];
  const offer = (rank: number, at: Point, words: string, lead: [Point, Point][] = []) => {
    const gap = distance(at, foot);
    if (gap <= reachMm && dot(minus(at, from), along) > 1e-6)
      ranked.push({ rank, gap, snap: { at: quantised(at), words, guides: [[from, at], ...lead] } });
  };
  for (const edge of marks.edges) for (const at of onEdge(guide, edge.curve)) offer(0, at, edge.words);
  const pointed = [...marks.points.filter(({ at }) => distance(at, point) <= reachMm), ...drawn.hints.points];
  for (const { at, words } of pointed) {
    const level = plus(from, times(along, dot(minus(at, from), along)));
    offer(1, level, distance(level, at) < 1e-6 ? words : `level with ${words}`, [[at, level]]);
  }
  ranked.sort((a, b) => a.rank - b.rank || a.gap - b.gap);
  const length = quantiseMm(Math.round(t / writing.stepMm) * writing.stepMm);
  const free = quantised(plus(from, times(along, length)));
  const found = ranked.map(({ snap }) => snap).filter((snap, i, all) => isNew(snap, all.slice(0, i)));
  return [
    ...found,
    {
      at: free,
      words: `${writing.write(length)} along the held direction`,
      isFree: true,
      guides: [[from, free]],
    },
  ];
}

/** Directions of the grid about, and those square to them; of length 1, each once, the building's own first. */
function gridWays(marks: PlanMarks): Point[] {
  const ways: Point[] = [
    { x: 1, y: 0 },
    { x: 0, y: 1 },
  ];
  for (const { curve, line } of marks.edges) {
    if (line === null || curve.kind !== 'segment') continue;
    const way = times(minus(curve.to, curve.from), 1 / (curveLength(curve) || 1));
    if (ways.some((known) => Math.abs(cross(known, way)) < 1e-6)) continue;
    ways.push(way, { x: -way.y, y: way.x });
    if (ways.length >= 8) break;
  }
  return ways;
}

function guidesOf(marks: PlanMarks, { corners, mayClose, hints }: Drawn): Guide[] {
  const [first, last] = [corners[0], corners.at(-1)];
  const guides: Guide[] = [];
  const add = (through: Point, along: Point, words: string, isFromLast: boolean) => {
    const same = guides.some(
      (other) =>
        Math.abs(cross(other.along, along)) < 1e-6 && Math.abs(cross(minus(through, other.through), along)) < 1e-3,
    );
    if (!same) guides.push({ through, along, words, isFromLast });
  };
  const ways = gridWays(marks);
  if (last) {
    const before = corners.at(-2);
    const way = before && distance(before, last) > 1e-6 ? times(minus(last, before), 1 / distance(before, last)) : null;
    if (way) {
      add(last, { x: -way.y, y: way.x }, 'square to the last', true);
      add(last, way, 'straight on', true);
    }
    ways.slice(0, 2).forEach((each) => add(last, each, 'along the building', true));
    ways.slice(2).forEach((each) => add(last, each, 'along the grid', true));
    for (const { curve, words } of hints.edges)
      if (curve.kind === 'segment' && curveLength(curve) > 0)
        add(last, times(minus(curve.to, curve.from), 1 / curveLength(curve)), `parallel to ${words}`, true);
  }
  if (first && mayClose && corners.length > 1)
    ways.forEach((each) => add(first, each, 'level with the first corner', false));
  for (const { at, words } of hints.points) ways.forEach((each) => add(at, each, `level with ${words}`, false));
  for (const { curve, words } of hints.edges)
    if (curve.kind === 'segment' && curveLength(curve) > 0)
      add(curve.from, times(minus(curve.to, curve.from), 1 / curveLength(curve)), `along the line of ${words}`, false);
  return guides;
}

const distanceToGuide = ({ through, along }: Guide, point: Point): number =>
  Math.abs(cross(along, minus(point, through)));

/** From where a guide comes to a point on it. */
const lead = ({ through }: Guide, at: Point): [Point, Point] => [through, at];

function nearEdges(edges: readonly MarkEdge[], point: Point, reachMm: number): { edge: MarkEdge; gap: number }[] {
  const near = edges.flatMap((edge) => {
    const gap = distance(nearestOn(edge.curve, point), point);
    return gap <= reachMm ? [{ edge, gap }] : [];
  });
  return near.sort((a, b) => a.gap * (a.edge.pull ?? 1) - b.gap * (b.edge.pull ?? 1)).slice(0, MOST_NEAR);
}

/** Where a guide meets an edge. A guide that runs along the edge meets it nowhere. */
function onEdge({ through, along }: Guide, curve: Curve): Point[] {
  if (curve.kind === 'segment') {
    const way = minus(curve.to, curve.from);
    if (Math.abs(cross(along, way)) <= SAME_WAY * lengthOf(way)) return [];
    const at = lineCrossing(through, along, curve.from, way);
    const t = at ? dot(minus(at, curve.from), way) / dot(way, way) : -1;
    return at && t >= -1e-9 && t <= 1 + 1e-9 ? [at] : [];
  }
  // A guide as long as the circle can be away and wide.
  const reach = distance(through, curve.centre) + 2 * curve.radiusMm;
  const [from, to] = [plus(through, times(along, -reach)), plus(through, times(along, reach))];
  return curvesMeet({ kind: 'segment', from, to }, curve);
}

/** Straight lines of the setting-out across another one, the nearest to a point first, with how far left of them it lies. */
function crossingLines(marks: PlanMarks, across: MarkEdge, point: Point) {
  const way = leftOf(across.curve, point);
  const lines = marks.edges.flatMap(({ curve, line }) =>
    line !== null &&
    curve.kind === 'segment' &&
    curveLength(curve) > 0 &&
    Math.abs(cross(way, leftOf(curve, point))) > 0.5
      ? [{ curve, line, away: leftDistance(curve, point) }]
      : [],
  );
  return lines.sort((a, b) => Math.abs(a.away) - Math.abs(b.away));
}

/** The nearest place on an edge, at a round length from its nearer end. */
function onTheEdge(marks: PlanMarks, edge: MarkEdge, point: Point, { stepMm, write }: Writing): Snap {
  const { curve, words } = edge;
  const foot = nearestOn(curve, point);
  if (curve.kind === 'arc') return { at: quantised(foot), words, guides: [] };
  if (edge.line !== null) {
    // On a line of the setting-out one measures from the next line that crosses it.
    const [next] = crossingLines(marks, edge, foot);
    const away = next && quantiseMm(Math.round(next.away / stepMm) * stepMm);
    const at = next && fromTwo(curve, 0, next.curve, away!);
    if (at) return { at, words: `${words}, ${write(Math.abs(away!))} from ${next.line}`, guides: [] };
  }
  const [a, b] = endsOf(curve);
  const [end, other] = distance(foot, a) <= distance(foot, b) ? [a, b] : [b, a];
  const length = Math.round(distance(foot, end) / stepMm) * stepMm;
  const whole = distance(a, b);
  if (whole <= 0 || length > whole) return { at: quantised(foot), words, guides: [] };
  const at = quantised(plus(end, times(minus(other, end), length / whole)));
  return { at, words: length === 0 ? words : `${words}, ${write(length)} from its end`, guides: [] };
}

/** A place along a guide: at a round length from the last corner, or as long as the last piece, where it begins there. */
function alongGuide(guide: Guide, point: Point, { stepMm, write }: Writing, { corners }: Drawn): Snap {
  const t = dot(minus(point, guide.through), guide.along);
  const [last, before] = [corners.at(-1), corners.at(-2)];
  if (guide.isFromLast && last && before) {
    const same = distance(before, last);
    if (Math.abs(Math.abs(t) - same) <= stepMm) {
      const at = quantised(plus(guide.through, times(guide.along, Math.sign(t) * same)));
      return { at, words: `as long as the last, ${write(same)}, ${guide.words}`, guides: [lead(guide, at)] };
    }
  }
  const length = quantiseMm(Math.round(t / stepMm) * stepMm);
  const at = quantised(plus(guide.through, times(guide.along, length)));
  return { at, words: guide.words, guides: [lead(guide, at)] };
}

/**
 * The point in round steps from the nearest lines of the setting-out each way, said from both: `1500 from B, 900 from 4`; without
 * lines, from the building's zero.
 */
export function freePoint(marks: PlanMarks, point: Point, { stepMm, write }: Writing): Snap {
  const round = (mm: number) => quantiseMm(Math.round(mm / stepMm) * stepMm);
  const lines = marks.edges.flatMap(({ curve, line }) =>
    curve.kind === 'segment' && line !== null && curveLength(curve) > 0
      ? [{ curve, line, away: leftDistance(curve, point) }]
      : [],
  );
  lines.sort((a, b) => Math.abs(a.away) - Math.abs(b.away));
  const [one] = lines;
  const two = one && lines.find(({ curve }) => Math.abs(cross(leftOf(one.curve, point), leftOf(curve, point))) > 0.5);
  if (!one || !two) {
    const at = { x: round(point.x), y: round(point.y) };
    return { at, words: `${write(at.x)}, ${write(at.y)}`, isFree: true, guides: [] };
  }
  const at = fromTwo(one.curve, round(one.away), two.curve, round(two.away));
  if (!at) return { at: quantised(point), words: '', isFree: true, guides: [] };
  const told = [one, two].map(({ line, away }) => `${write(Math.abs(round(away)))} from ${line}`);
  return { at, words: told.join(', '), isFree: true, guides: [] };
}

/** The point so far to the left of two straight lines; null where they are parallel. */
export function fromTwo(a: Curve, leftOfA: number, b: Curve, leftOfB: number): Point | null {
  const moved = (curve: Curve, left: number): [Point, Point] => {
    const [from, to] = endsOf(curve);
    return [plus(from, times(leftOf(curve, from), left)), minus(to, from)];
  };
  const [[p, d], [q, e]] = [moved(a, leftOfA), moved(b, leftOfB)];
  const at = lineCrossing(p, d, q, e);
  return at && quantised(at);
}
