import type { Region } from '../geometry/boolean';
import { distance, type Point } from '../geometry/point';
import { contains } from '../geometry/polygon';

/** Corners are gone round at this distance, mm: ways touch no edge, so that no test is on the edge of being right. */
const CLEAR_MM = 0.01;
/** Edges are looked for in squares of this size, mm. */
const CELL_MM = 1500;

/** Where a way ends, with what is walked beyond the plan's free floor. */
export interface Goal {
  at: Point;
  moreMm: number;
}

/** The shortest way to the nearest of some goals. */
export interface Way {
  mm: number;
  /** From the place it begins to the goal, every turn between. */
  points: Point[];
}

/** The next turn of a shortest way: a corner's number, or one less than nothing for a goal. */
export interface Step {
  mm: number;
  next: number;
}

/** Shortest ways over a floor to some goals. */
export interface Ways {
  /** Null where no way leads to any. */
  from: (at: Point) => Step | null;
  wayFrom: (at: Point) => Way | null;
}

/**
 * Walking over free floor: shortest ways bend at its inner corners only, so those that see each other are all there is to search
 * (the visibility graph of computational geometry, searched after Dijkstra from the goals).
 */
export class Floor {
  /** Inner corners, a hair inside the free floor. */
  readonly corners: Point[] = [];
  /** The corners beside each on its ring. */
  private readonly beside: [Point, Point][] = [];
  /** Ends of edges, four numbers each. */
  private readonly edges: Float64Array;
  private readonly squares = new Map<number, number[]>();
  private readonly seen = new Map<number, boolean>();
  private readonly columns: number;
  private readonly minX: number;
  private readonly minY: number;
  /** When an edge was last looked at. */
  private readonly looked: Int32Array;
  private look = 0;

  constructor(readonly regions: readonly Region[]) {
    const rings = regions.flatMap(({ outer, holes }) => [outer, ...holes]);
    const ends: number[] = [];
    let [minX, minY, maxX] = [Infinity, Infinity, -Infinity];
    for (const ring of rings)
      ring.forEach((b, i) => {
        const a = ring[(i + ring.length - 1) % ring.length]!;
        const c = ring[(i + 1) % ring.length]!;
        ends.push(b.x, b.y, c.x, c.y);
        [minX, minY, maxX] = [Math.min(minX, b.x), Math.min(minY, b.y), Math.max(maxX, b.x)];
        const [p, q] = [unit(a, b), unit(b, c)];
        // Free floor is to the left of every edge: where one turns to the right it reaches round a corner.
        if (p.x * q.y - p.y * q.x >= -1e-9) return;
        const out = { x: -p.y - q.y + p.x - q.x, y: p.x + q.x + p.y - q.y };
        const size = Math.sqrt(out.x * out.x + out.y * out.y);
        const by = (CLEAR_MM * Math.SQRT2) / size;
        this.corners.push({ x: b.x + out.x * by, y: b.y + out.y * by });
        this.beside.push([a, c]);
      });
    this.edges = Float64Array.from(ends);
    this.looked = new Int32Array(ends.length / 4);
    [this.minX, this.minY] = [minX, minY];
    this.columns = Math.max(1, Math.ceil((maxX - minX) / CELL_MM) + 2);
    for (let e = 0; e < this.looked.length; e += 1)
      this.walk(ends[4 * e]!, ends[4 * e + 1]!, ends[4 * e + 2]!, ends[4 * e + 3]!, (square) => {
        const list = this.squares.get(square);
        if (list) list.push(e);
        else this.squares.set(square, [e]);
        return false;
      });
  }

  /** True for a place on the free floor. */
  has(at: Point): boolean {
    return this.regions.some(({ outer, holes }) => contains(outer, at) && !holes.some((hole) => contains(hole, at)));
  }

  /** True where nothing stands between two places that touch no edge. */
  sees(a: Point, b: Point): boolean {
    this.look += 1;
    return !this.walk(a.x, a.y, b.x, b.y, (square) => {
      for (const e of this.squares.get(square) ?? []) {
        if (this.looked[e] === this.look) continue;
        this.looked[e] = this.look;
        if (this.crosses(e, a, b)) return true;
      }
      return false;
    });
  }

  private crosses(e: number, a: Point, b: Point): boolean {
    const { edges } = this;
    const [px, py, qx, qy] = [edges[4 * e]!, edges[4 * e + 1]!, edges[4 * e + 2]!, edges[4 * e + 3]!];
    const s1 = (b.x - a.x) * (py - a.y) - (b.y - a.y) * (px - a.x);
    const s2 = (b.x - a.x) * (qy - a.y) - (b.y - a.y) * (qx - a.x);
    if ((s1 > 0 && s2 > 0) || (s1 < 0 && s2 < 0)) return false;
    // Along one line they meet where they overlap only.
    if (s1 === 0 && s2 === 0) return overlap(a.x, b.x, px, qx) && overlap(a.y, b.y, py, qy);
    const s3 = (qx - px) * (a.y - py) - (qy - py) * (a.x - px);
    const s4 = (qx - px) * (b.y - py) - (qy - py) * (b.x - px);
    return !((s3 > 0 && s4 > 0) || (s3 < 0 && s4 < 0));
  }

  /** Goes along the squares a line touches until `at` answers true; whether it did. */
  private walk(ax: number, ay: number, bx: number, by: number, at: (square: number) => boolean): boolean {
    const column = (x: number) => Math.floor((x - this.minX) / CELL_MM) + 1;
    const row = (y: number) => Math.floor((y - this.minY) / CELL_MM) + 1;
    const [c0, c1] = ax <= bx ? [column(ax - 1), column(bx + 1)] : [column(bx - 1), column(ax + 1)];
    for (let c = c0; c <= c1; c += 1) {
      // The part of the line over this column of squares, and a millimetre more.
      let [low, high] = ay <= by ? [ay, by] : [by, ay];
      if (ax !== bx) {
        const x0 = Math.max(Math.min(ax, bx), this.minX + (c - 1) * CELL_MM - 1);
        const x1 = Math.min(Math.max(ax, bx), this.minX + c * CELL_MM + 1);
        const [y0, y1] = [ay + ((x0 - ax) / (bx - ax)) * (by - ay), ay + ((x1 - ax) / (bx - ax)) * (by - ay)];
        [low, high] = y0 <= y1 ? [Math.max(low, y0), Math.min(high, y1)] : [Math.max(low, y1), Math.min(high, y0)];
      }
      for (let r = row(low - 1); r <= row(high + 1); r += 1) if (at(r * this.columns + c)) return true;
    }
    return false;
  }

  private cornersSee(u: number, v: number): boolean {
    const key = u < v ? u * this.corners.length + v : v * this.corners.length + u;
    let seen = this.seen.get(key);
    if (seen === undefined) this.seen.set(key, (seen = this.sees(this.corners[u]!, this.corners[v]!)));
    return seen;
  }

  /** True where a way from elsewhere could bend at a corner: it goes by the corner, not into it. */
  private bends(from: Point, v: number): boolean {
    const at = this.corners[v]!;
    const [a, c] = this.beside[v]!;
    const s1 = (at.x - from.x) * (a.y - from.y) - (at.y - from.y) * (a.x - from.x);
    const s2 = (at.x - from.x) * (c.y - from.y) - (at.y - from.y) * (c.x - from.x);
    const hair = 0.05 * (Math.abs(at.x - from.x) + Math.abs(at.y - from.y) + 1);
    return (s1 >= -hair && s2 >= -hair) || (s1 <= hair && s2 <= hair);
  }

  /** Shortest ways to the nearest of some goals; goals that are not on free floor are none. */
  waysTo(goals: readonly Goal[]): Ways {
    const { corners } = this;
    const count = corners.length;
    const far = new Float64Array(count).fill(Infinity);
    const nexts = new Int32Array(count);
    const isDone = new Uint8Array(count);
    goals.forEach(({ at, moreMm }, g) => {
      for (let v = 0; v < count; v += 1) {
        const mm = moreMm + distance(at, corners[v]!);
        if (mm < far[v]! && this.bends(at, v) && this.sees(at, corners[v]!)) [far[v], nexts[v]] = [mm, -1 - g];
      }
    });
    for (;;) {
      let u = -1;
      for (let v = 0; v < count; v += 1) if (!isDone[v] && far[v]! < (u < 0 ? Infinity : far[u]!)) u = v;
      if (u < 0) break;
      isDone[u] = 1;
      const at = corners[u]!;
      for (let v = 0; v < count; v += 1) {
        if (isDone[v]) continue;
        const mm = far[u]! + distance(at, corners[v]!);
        if (mm >= far[v]! - 1e-9 || !this.bends(corners[v]!, u) || !this.bends(at, v) || !this.cornersSee(u, v))
          continue;
        [far[v], nexts[v]] = [mm, u];
      }
    }
    const from = (at: Point): Step | null => this.stepFrom(at, goals, far);
    return {
      from,
      wayFrom: (at) => {
        const first = from(at);
        if (!first) return null;
        const points = [at];
        for (let next = first.next; ; next = nexts[next]!) {
          points.push(next < 0 ? goals[-1 - next]!.at : corners[next]!);
          if (next < 0) return { mm: first.mm, points };
        }
      },
    };
  }

  private stepFrom(at: Point, goals: readonly Goal[], far: Float64Array): Step | null {
    const tried: Step[] = goals.map((goal, g) => ({ mm: goal.moreMm + distance(at, goal.at), next: -1 - g }));
    for (let v = 0; v < far.length; v += 1)
      if (far[v]! < Infinity) tried.push({ mm: far[v]! + distance(at, this.corners[v]!), next: v });
    // The nearest that is seen: few have to be looked at.
    for (;;) {
      let best = -1;
      for (let i = 0; i < tried.length; i += 1) if (best < 0 || tried[i]!.mm < tried[best]!.mm) best = i;
      if (best < 0) return null;
      const step = tried[best]!;
      const to = step.next < 0 ? goals[-1 - step.next]!.at : this.corners[step.next]!;
      if ((step.next < 0 || this.bends(at, step.next)) && this.sees(at, to)) return step;
      tried[best] = tried.at(-1)!;
      tried.pop();
    }
  }
}

const overlap = (a: number, b: number, p: number, q: number): boolean =>
  Math.max(Math.min(a, b), Math.min(p, q)) <= Math.min(Math.max(a, b), Math.max(p, q));

function unit(a: Point, b: Point): Point {
  const [x, y] = [b.x - a.x, b.y - a.y];
  const size = Math.sqrt(x * x + y * y);
  return size === 0 ? { x: 0, y: 0 } : { x: x / size, y: y / size };
}
