import { endsOf, type Curve } from '../geometry/curve';
import { distance, plus, times, type Point } from '../geometry/point';
import { bounds, type Ring } from '../geometry/polygon';
import type { Id } from '../model/ids';
import type { Solved } from '../solving/solved';
import { sectionRing } from '../columns/section-shape';

/** A point of the plan that a pointer may be put on, with its words: `crossing C-4`. */
export interface MarkPoint {
  at: Point;
  words: string;
  /** How far it counts as being, as a part of how far it is: what is meant more often draws from further off. 1 where left out. */
  pull?: number;
}

/** A line or an arc of the plan that a pointer may be put on, with its words: `face of wall W12`. */
export interface MarkEdge {
  curve: Curve;
  words: string;
  /** The thing it is a side of. */
  of: Id;
  /** A line of the setting-out with the name distances from it are told by; null for the side of a thing. */
  line: string | null;
  /** As of a point. */
  pull?: number;
}

/** All that a plan offers to a pointer, in building axes, mm. */
export interface PlanMarks {
  points: readonly MarkPoint[];
  edges: readonly MarkEdge[];
}

const segment = (from: Point, to: Point): Curve => ({ kind: 'segment', from, to });
const middle = (a: Point, b: Point): Point => times(plus(a, b), 0.5);

/** Crossings are meant more often than what stands about them, middles less often than corners. */
const [CROSSING, MIDDLE] = [0.5, 1.3];
/** A core face lies close behind a face, which is meant more often. */
const CORE_FACE = 2.5;

/** Corners, sides, middles of sides of a ring; circles are drawn as many-sided rings and offer their middle only. */
const MOST_SIDES = 40;

class Marks {
  readonly points: MarkPoint[] = [];
  readonly edges: MarkEdge[] = [];

  ring(id: Id, ring: Ring, of: string, side = 'edge', hasCentre = false): void {
    if (hasCentre || ring.length > MOST_SIDES) {
      const { minX, minY, maxX, maxY } = bounds(ring);
      this.points.push({ at: { x: (minX + maxX) / 2, y: (minY + maxY) / 2 }, words: `centre of ${of}` });
    }
    if (ring.length > MOST_SIDES) return;
    ring.forEach((corner, i) => {
      const next = ring[(i + 1) % ring.length]!;
      this.points.push({ at: corner, words: `corner of ${of}` });
      this.points.push({ at: middle(corner, next), words: `middle of a side of ${of}`, pull: MIDDLE });
      this.edges.push({ curve: segment(corner, next), words: `${side} of ${of}`, of: id, line: null });
    });
  }
}

/** What the plan of a level offers to a pointer. */
export function planMarks(solved: Solved, building: Id, level: Id | null): PlanMarks {
  const marks = new Marks();
  const own = <T extends { building: Id }>(all: readonly T[]) => all.filter((each) => each.building === building);
  const here = <T extends { building: Id; level: Id }>(all: readonly T[]) =>
    own(all).filter((each) => each.level === level);
  const ffl = solved.levels.find(({ id }) => id === level)?.fflMm ?? 0;
  const isThere = ({ lowMm, highMm }: { lowMm: number | null; highMm: number | null }) =>
    (lowMm ?? ffl) <= ffl && (highMm ?? ffl) >= ffl;
  for (const crossing of own(solved.crossings))
    if (isThere(crossing))
      marks.points.push({ at: crossing.at, words: `crossing ${crossing.label ?? ''}`.trim(), pull: CROSSING });
  for (const { id, curve, words, line } of [
    ...own(solved.lines)
      .filter(isThere)
      .map(({ id, curve, label }) => ({ id, curve, words: `line ${label ?? ''}`.trim(), line: label })),
    ...own(solved.settingOut)
      .filter(isThere)
      .map(({ id, curve, name }) => ({ id, curve, words: `setting-out line ${name}`, line: name })),
  ]) {
    marks.edges.push({ curve, words, of: id, line });
    for (const at of endsOf(curve)) marks.points.push({ at, words: `end of ${words}` });
  }
  for (const piece of here(solved.walls)) wallMarks(marks, solved, piece);
  for (const { shaft, name, ring, levels } of own(solved.shafts))
    if (level !== null && levels.includes(level)) marks.ring(shaft, ring, `shaft ${name}`, 'edge', true);
  for (const { stair, name, ring, levels } of own(solved.stairs))
    if (level !== null && levels.includes(level)) marks.ring(stair, ring, `stair ${name}`);
  for (const { stack, mark, section, at, turnDeg } of here(solved.columns))
    marks.ring(stack, sectionRing(section, at, turnDeg), `column ${mark}`, 'face', true);
  const plates = new Set<string>();
  for (const { plate, zone, name, outline, holes } of here(solved.floors)) {
    const key = `${plate} ${zone?.id ?? ''}`;
    if (plates.has(key)) continue;
    plates.add(key);
    marks.ring(plate, outline, zone ? `zone ${zone.name}` : `slab ${name}`);
    for (const { by, ring } of holes) if (by === null) marks.ring(plate, ring, `void of ${name}`);
  }
  for (const { line, points } of here(solved.boundaries))
    points.slice(1).forEach((point, i) => {
      marks.points.push(
        { at: point, words: 'end of a boundary line' },
        { at: points[i]!, words: 'end of a boundary line' },
      );
      marks.edges.push({ curve: segment(points[i]!, point), words: 'boundary line', of: line, line: null });
    });
  return marks;
}

/** Faces of a wall, its ends, the middles of its faces, and the faces of its core. */
function wallMarks(marks: Marks, solved: Solved, piece: Solved['walls'][number]): void {
  const { name, strips } = piece;
  for (const ring of strips) {
    ring.forEach((corner, i) => {
      const next = ring[(i + 1) % ring.length]!;
      // Of each straight part two sides run along the wall and two across.
      const isEnd = distance(corner, next) <= piece.thicknessMm * 1.5;
      marks.points.push({ at: corner, words: `corner of wall ${name}` });
      marks.points.push({
        at: middle(corner, next),
        words: `${isEnd ? 'end' : 'middle'} of wall ${name}`,
        pull: MIDDLE,
      });
      marks.edges.push({ curve: segment(corner, next), words: `face of wall ${name}`, of: piece.wall, line: null });
    });
    for (const opening of piece.openings)
      for (const at of opening.ring) marks.points.push({ at, words: `side of ${opening.name} in wall ${name}` });
  }
  const core = piece.core === null ? null : solved.profiles[piece.core];
  for (const { outer } of core?.regions ?? [])
    if (outer.length <= MOST_SIDES)
      outer.forEach((corner, i) =>
        marks.edges.push({
          curve: segment(corner, outer[(i + 1) % outer.length]!),
          words: `core face of wall ${name}`,
          of: piece.wall,
          line: null,
          pull: CORE_FACE,
        }),
      );
}
