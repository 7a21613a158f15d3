import { endsOf, leftOf, onCircle, type Curve } from '../geometry/curve';
import { minus, plus, times, type Point } from '../geometry/point';
import { directionDeg } from '../geometry/trig';
import type { Id } from '../model/ids';
import { isAt } from '../solving/is-at';
import type { Solved, SolvedLine, SolvedSettingOut } from '../solving/solved';
import { angleString, dimensionString, DIMENSION_TEXT, STRING_GAP, upright } from './dimension-strings';
import type { DimensionMark, Primitive } from './drawing';
import { GridHeads, HEAD_RADIUS, type HeadEnd } from './grid-heads';
import type { MarkAt } from './view-marks';

export interface GridView {
  building: Id;
  /** FFL of the level shown; lines that are not there are left out. */
  fflMm: number;
  scale: number;
  writeLength: (mm: number) => string;
  markAt: MarkAt;
}

/** Grid lines of a level with heads and dimension strings, and the setting-out lines. */
export function drawGrids(solved: Solved, view: GridView): { primitives: Primitive[]; marks: DimensionMark[] } {
  const systems = new Map<Id, SolvedLine[]>();
  for (const line of solved.lines) {
    if (line.building !== view.building || !isAt(line, view.fflMm)) continue;
    systems.set(line.system, [...(systems.get(line.system) ?? []), line]);
  }
  const drawn = new GridDrawing(view);
  for (const line of solved.settingOut) {
    if (line.building === view.building && isAt(line, view.fflMm)) drawn.settingOut(line);
  }
  for (const lines of systems.values()) drawn.system(lines);
  return { primitives: [...drawn.primitives, ...drawn.heads.primitives], marks: drawn.marks };
}

type End = 0 | 1;

class GridDrawing {
  readonly primitives: Primitive[] = [];
  readonly marks: DimensionMark[] = [];
  readonly heads: GridHeads;

  constructor(private readonly view: GridView) {
    this.heads = new GridHeads(view.scale);
  }

  settingOut(line: SolvedSettingOut): void {
    this.curve(line.curve, 'settingOut', line.id, null);
    const [from, to] = line.ends;
    const way = line.curve.kind === 'segment' ? minus(to, from) : times(leftOf(line.curve, from), 1);
    const side = leftOf(line.curve, from);
    this.primitives.push({
      type: 'text',
      style: 'settingOutText',
      id: line.id,
      at: plus(plus(from, times(unit(way), this.mm(4 + line.name.length))), times(side, this.mm(1.6))),
      text: line.name,
      heightMm: this.mm(2.3),
      turnDeg: line.curve.kind === 'segment' ? upright(directionDeg(way.y, way.x)) : 0,
    });
  }

  system(lines: readonly SolvedLine[]): void {
    for (const line of lines) {
      const gap = this.view.markAt(line.id, 0)?.gap ?? null;
      this.curve(line.curve, line.minor ? 'gridLineMinor' : 'gridLine', line.id, gap);
    }
    const { shape } = lines[0]!;
    const of = (direction: 'a' | 'b') => lines.filter((line) => line.direction === direction);
    if (shape === 'rectangular') {
      this.parallel(of('a'), 1);
      this.parallel(of('b'), 0);
    } else if (shape === 'radial') {
      this.rays(of('a'));
      this.rings(of('b'), of('a'));
    } else for (const line of lines) this.free(line);
  }

  private mm(paper: number): number {
    return paper * this.view.scale;
  }

  private curve(
    curve: Curve,
    style: 'gridLine' | 'gridLineMinor' | 'settingOut',
    id: Id,
    gap: { fromMm: number; toMm: number } | null,
  ): void {
    if (curve.kind === 'arc') return void this.primitives.push({ type: 'arc', style, id, arc: curve });
    const { from, to } = curve;
    const path = (a: Point, b: Point) =>
      this.primitives.push({ type: 'path', style, id, points: [a, b], closed: false });
    if (!gap) return void path(from, to);
    const way = unit(minus(to, from));
    path(from, plus(from, times(way, gap.fromMm)));
    path(plus(from, times(way, gap.toMm)), to);
  }

  /** Ends with their heads, those that are hidden in this view left out. */
  private ends(lines: readonly SolvedLine[], end: End, outOf: (line: SolvedLine) => Point): HeadEnd[] {
    return lines.flatMap((line): HeadEnd[] => {
      const mark = this.view.markAt(line.id, end);
      const isShown = mark?.shown ?? line.heads[end];
      if (!isShown || line.label === null) return [];
      return [
        {
          id: line.id,
          label: line.label,
          at: line.ends[end],
          out: outOf(line),
          bubble: line.bubble,
          minor: line.minor,
          placed: mark?.placed ?? null,
        },
      ];
    });
  }

  /** Lines of one direction of a rectangular system: heads at their ends, bays and overall length at a side. */
  private parallel(lines: readonly SolvedLine[], usual: End): void {
    if (lines.length === 0) return;
    const reaching = (end: End) => lines.filter((line) => line.side === 'both' || line.heads[end]);
    const isUneven = lines.some(({ side }) => side !== 'both');
    const headed = ([0, 1] as const).filter((end) => lines.some(({ heads }) => heads[end]));
    const dimensioned = isUneven
      ? ([0, 1] as const)
      : [headed.includes(usual) || headed.length === 0 ? usual : headed[0]!];
    for (const end of [0, 1] as const) {
      const first = lines[0]!;
      const out = unit(minus(first.ends[end], first.ends[1 - end]!));
      const isDimensioned = dimensioned.includes(end) && reaching(end).length > 1;
      this.heads.add({
        ends: this.ends(lines, end, () => out),
        outPaperMm: isDimensioned ? STRING_GAP * 2 + HEAD_RADIUS * 2 : HEAD_RADIUS * 2,
      });
      if (isDimensioned)
        this.string(
          reaching(end).map((line) => ({ at: line.ends[end], id: line.id })),
          out,
        );
    }
  }

  private string(points: { at: Point; id: Id }[], out: Point): void {
    // In one row, beyond the end that reaches furthest.
    const base = points[0]!.at;
    const reach = (point: Point) => (point.x - base.x) * out.x + (point.y - base.y) * out.y;
    const most = Math.max(...points.map(({ at }) => reach(at)));
    const row = points.map(({ at, id }) => ({ id, at: plus(at, times(out, most - reach(at))) }));
    const { primitives, marks } = dimensionString(row, out, this.view);
    this.primitives.push(...primitives);
    this.marks.push(...marks);
  }

  private rays(rays: readonly SolvedLine[]): void {
    const [first] = rays;
    if (!first) return;
    const centre = centreOf(rays);
    const fan = inTurn(rays);
    for (const end of [0, 1] as const) {
      this.heads.add({
        ends: this.ends(fan, end, (line) => unit(minus(line.ends[end], line.ends[1 - end]!))),
        outPaperMm: STRING_GAP + HEAD_RADIUS * 2,
        ...(centre && end === 1 ? { centre } : {}),
      });
    }
    if (!centre) return;
    const radius = Math.sqrt(squared(minus(first.ends[1], centre))) + this.mm(STRING_GAP * 0.6);
    let last = -Infinity;
    const turns = fan.map((line) => {
      const way = minus(line.ends[1], line.ends[0]);
      let deg = directionDeg(way.y, way.x);
      while (deg < last - 1e-9) deg += 360;
      last = deg;
      return { deg, id: line.id };
    });
    this.primitives.push(...angleString(centre, radius, turns, this.view.scale));
  }

  private rings(rings: readonly SolvedLine[], rays: readonly SolvedLine[]): void {
    for (const end of [0, 1] as const) {
      const out = (line: SolvedLine): Point => {
        const side = leftOf(line.curve, line.ends[end]);
        // Left of a ring is inwards; its end goes on round it.
        return end === 0 ? { x: -side.y, y: side.x } : { x: side.y, y: -side.x };
      };
      // Beyond the bays between them, which stand at the first ray.
      const beyond = rings.length > 1 && end === 0 ? STRING_GAP * 1.6 : 0;
      this.heads.add({ ends: this.ends(rings, end, out), outPaperMm: beyond + HEAD_RADIUS * 2 });
    }
    for (const ring of rings) {
      if (ring.curve.kind !== 'arc') continue;
      const { centre, radiusMm, fromDeg, sweepDeg } = ring.curve;
      const deg = fromDeg + (sweepDeg >= 360 ? 180 / Math.max(1, rays.length) : sweepDeg);
      const text = `R ${this.view.writeLength(Math.round(radiusMm * 1e6) / 1e6)}`;
      this.primitives.push({
        type: 'text',
        style: 'dimensionText',
        id: ring.id,
        at: onCircle(centre, radiusMm + this.mm(DIMENSION_TEXT * 0.8), deg),
        text,
        heightMm: this.mm(DIMENSION_TEXT),
        turnDeg: upright(((((deg - 90 + 180) % 360) + 360) % 360) - 180),
      });
    }
    // Bays between the rings, along the first ray.
    const [ray] = rays;
    if (!ray || rings.length < 2) return;
    const way = unit(minus(ray.ends[1], ray.ends[0]));
    const right = { x: way.y, y: -way.x };
    const centre = centreOf(rings)!;
    const out = times(right, ray.bayDeg === null ? 1 : signOfFan(rays));
    const row = rings.map((ring) => ({ at: plus(centre, times(way, ring.offsetMm)), id: ring.id }));
    const { primitives, marks } = dimensionString(row, out, this.view);
    this.primitives.push(...primitives);
    this.marks.push(...marks);
  }

  private free(line: SolvedLine): void {
    for (const end of [0, 1] as const) {
      this.heads.add({ ends: this.ends([line], end, (each) => outwards(each, end)), outPaperMm: HEAD_RADIUS * 2 });
    }
  }
}

/** Away from a free line at one of its ends. */
function outwards(line: SolvedLine, end: End): Point {
  if (line.curve.kind === 'segment') return unit(minus(line.ends[end], line.ends[1 - end]!));
  const side = leftOf(line.curve, endsOf(line.curve)[end]);
  return end === 0 ? { x: -side.y, y: side.x } : { x: side.y, y: -side.x };
}

/** Where rays come from, or the centre of rings. */
function centreOf(lines: readonly SolvedLine[]): Point | null {
  const [first, second] = lines;
  if (!first) return null;
  if (first.curve.kind === 'arc') return first.curve.centre;
  if (!second) return null;
  const [d, e] = [minus(first.ends[1], first.ends[0]), minus(second.ends[1], second.ends[0])];
  const area = d.x * e.y - d.y * e.x;
  if (Math.abs(area) < 1e-9) return null;
  const gap = minus(second.ends[0], first.ends[0]);
  return plus(first.ends[0], times(d, (gap.x * e.y - gap.y * e.x) / area));
}

/** Rays in counter-clockwise order. */
const inTurn = (rays: readonly SolvedLine[]): readonly SolvedLine[] =>
  signOfFan(rays) === 1 ? rays : [...rays].reverse();

/** 1 where rays follow one another counter-clockwise, −1 clockwise. */
function signOfFan([first, second]: readonly SolvedLine[]): 1 | -1 {
  if (!first || !second) return 1;
  const [d, e] = [minus(first.ends[1], first.ends[0]), minus(second.ends[1], second.ends[0])];
  return d.x * e.y - d.y * e.x >= 0 ? 1 : -1;
}

const squared = (v: Point): number => v.x * v.x + v.y * v.y;

function unit(vector: Point): Point {
  const size = Math.sqrt(squared(vector)) || 1;
  return { x: vector.x / size, y: vector.y / size };
}
