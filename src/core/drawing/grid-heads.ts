import { distance, minus, plus, times, type Point } from '../geometry/point';
import { onCircle } from '../geometry/curve';
import type { Ring } from '../geometry/polygon';
import { directionDeg } from '../geometry/trig';
import type { Bubble } from '../grids/grid';
import type { Id } from '../model/ids';
import type { Primitive } from './drawing';
import { spreadApart } from './spread';

/** Sizes on paper, millimetres. */
export const HEAD_RADIUS = 3.1;
const HEAD_TEXT = 2.9;
/** A long label reaches over its bubble rather than be too small to read. */
const LEAST_HEAD_TEXT = 2.3;
/** Least distance of the centres of two heads. */
const HEAD_GAP = HEAD_RADIUS * 2.15;

/** The end of a grid line that gets a head. */
export interface HeadEnd {
  id: Id;
  label: string;
  at: Point;
  /** Away from the line; unit length. */
  out: Point;
  bubble: Bubble;
  minor: boolean;
  /** By hand: where its centre is from the end, across and outwards, millimetres of the model. */
  placed?: { acrossMm: number; outMm: number } | null;
}

/** Ends that lie side by side on a straight row, or round a centre. */
export interface HeadRow {
  ends: readonly HeadEnd[];
  /** Distance from the ends to the centres of the heads, on paper. */
  outPaperMm: number;
  /** For rays: what they point away from. */
  centre?: Point;
}

/**
 * Heads of all rows of a view. In a row they are spread apart with the least squared moves and joined by jogs; one that
 * was placed by hand stays there. A head that would still lie on one of another row moves further out.
 */
export class GridHeads {
  private readonly taken: Point[] = [];
  readonly primitives: Primitive[] = [];

  constructor(private readonly scale: number) {}

  add(row: HeadRow): void {
    if (row.ends.length === 0) return;
    const centres = row.centre ? this.roundCentre(row, row.centre) : this.inRow(row);
    row.ends.forEach((end, i) => {
      const centre = end.placed ? this.byHand(end) : this.clear(centres[i]!, end.out);
      this.taken.push(centre);
      this.primitives.push(...this.head(end, centre, row));
    });
  }

  private mm(paper: number): number {
    return paper * this.scale;
  }

  private byHand({ at, out, placed }: HeadEnd): Point {
    const across = { x: -out.y, y: out.x };
    return plus(at, plus(times(across, placed!.acrossMm), times(out, placed!.outMm)));
  }

  private inRow({ ends, outPaperMm }: HeadRow): Point[] {
    const { at: base, out } = ends[0]!;
    const across = { x: -out.y, y: out.x };
    const along = (point: Point) => (point.x - base.x) * across.x + (point.y - base.y) * across.y;
    // The row lies beyond the line that reaches furthest.
    const beyond = Math.max(...ends.map(({ at }) => (at.x - base.x) * out.x + (at.y - base.y) * out.y));
    const wanted = ends.map((end) => along(end.placed ? this.byHand(end) : end.at));
    const spread = spreadApart(
      wanted,
      this.mm(HEAD_GAP),
      ends.map(({ placed }) => Boolean(placed)),
    );
    return spread.map((at) => plus(base, plus(times(across, at), times(out, beyond + this.mm(outPaperMm)))));
  }

  private roundCentre({ ends, outPaperMm }: HeadRow, centre: Point): Point[] {
    const radius = Math.max(...ends.map(({ at }) => distance(at, centre))) + this.mm(outPaperMm);
    let last = -Infinity;
    // Angles that go on from one ray to the next, so that a fan over 0° keeps its order.
    const angles = ends.map(({ at }) => {
      const spoke = minus(at, centre);
      let angle = directionDeg(spoke.y, spoke.x);
      while (angle < last - 1e-9) angle += 360;
      last = angle;
      return angle;
    });
    const perDegree = (radius * Math.PI) / 180;
    const spread = spreadApart(
      angles.map((angle) => angle * perDegree),
      this.mm(HEAD_GAP),
    );
    return spread.map((along) => onCircle(centre, radius, along / perDegree));
  }

  /** Further out until no head lies under it. */
  private clear(centre: Point, out: Point): Point {
    const step = times(out, this.mm(HEAD_GAP));
    let at = centre;
    for (let tries = 0; tries < 12; tries += 1) {
      const isFree = this.taken.every((other) => distance(other, at) >= this.mm(HEAD_RADIUS * 2) - 1e-6);
      if (isFree) return at;
      at = plus(at, step);
    }
    return at;
  }

  private head(end: HeadEnd, centre: Point, row: HeadRow): Primitive[] {
    const { id, label, at, out, bubble } = end;
    const mm = (paper: number) => this.mm(paper);
    const style = end.minor ? 'gridLineMinor' : 'gridLine';
    const across = { x: -out.y, y: out.x };
    const shift = minus(centre, at);
    const isStraight = Math.abs(shift.x * across.x + shift.y * across.y) < mm(0.05);
    const outwards = shift.x * out.x + shift.y * out.y;
    // A head moved aside is joined by a jog.
    const way = unit(isStraight || row.centre ? shift : out);
    const neck = minus(centre, times(way, mm(HEAD_RADIUS)));
    const knee = plus(
      at,
      times(out, Math.max(0, Math.min(outwards - mm(HEAD_RADIUS * 2), mm(row.outPaperMm - HEAD_RADIUS * 2)))),
    );
    const points = isStraight ? [at, neck] : [at, knee, neck];
    return [
      { type: 'path', style, id, points, closed: false },
      bubble === 'circle'
        ? { type: 'circle', style: 'bubble', id, at: centre, radiusMm: mm(HEAD_RADIUS) }
        : { type: 'area', style: 'bubble', id, rings: [bubbleRing(bubble, centre, mm(HEAD_RADIUS))] },
      {
        type: 'text',
        style: 'bubbleText',
        id,
        at: centre,
        text: label,
        heightMm: mm(Math.max(LEAST_HEAD_TEXT, HEAD_TEXT * Math.min(1, 3.2 / Math.max(2, label.length)))),
        turnDeg: 0,
      },
    ];
  }
}

/** A hexagon or square about as large as the circle. */
function bubbleRing(bubble: 'hexagon' | 'square', centre: Point, radiusMm: number): Ring {
  const [sides, from, reach] = bubble === 'hexagon' ? [6, 0, radiusMm * 1.06] : [4, 45, radiusMm * 1.25];
  return Array.from({ length: sides }, (_, i) => onCircle(centre, reach, from + (360 * i) / sides));
}

function unit(vector: Point): Point {
  const size = Math.sqrt(vector.x * vector.x + vector.y * vector.y) || 1;
  return { x: vector.x / size, y: vector.y / size };
}
