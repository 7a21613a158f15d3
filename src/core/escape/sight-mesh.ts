import type { Region } from '../geometry/boolean';
import { distance, lengthOf, type Point } from '../geometry/point';
import { triangulate } from '../geometry/triangulate';

/** What lies this near to a line is on it, mm. */
const ON_MM = 1e-4;
/** Triangles are looked for in squares of this size, mm. */
const CELL_MM = 1500;

/** A way from one triangle into another, with what there is of it between them. */
interface Portal {
  to: number;
  /** Its ends as one looks out of the triangle: right, then left. */
  rightX: number;
  rightY: number;
  leftX: number;
  leftY: number;
}

/**
 * Free floor in triangles, and what is seen over it. From a place one looks through the sides of its triangle into the next ones, each
 * time by what is left of the view (triangular expansion): what is seen costs no more than the triangles it lies in.
 */
export class SightMesh {
  /** Corners of the triangles, each place once. */
  readonly points: Point[] = [];
  /** Three corners for each triangle, counter-clockwise. */
  readonly corners: number[] = [];
  /** Corners that lie on a side of each triangle. */
  readonly between: number[][] = [];
  /** Triangles at each corner. */
  readonly trianglesAt: number[][] = [];
  private readonly portals: Portal[][] = [];
  private readonly squares = new Map<string, number[]>();

  constructor(regions: readonly Region[]) {
    const known = new Map<string, number>();
    const idOf = (x: number, y: number): number => {
      const key = `${x} ${y}`;
      let id = known.get(key);
      if (id === undefined) {
        known.set(key, (id = this.points.length));
        this.points.push({ x, y });
        this.trianglesAt.push([]);
      }
      return id;
    };
    for (const region of regions) {
      const { corners, triangles } = triangulate(region);
      for (let i = 0; i < triangles.length; i += 3) {
        const ids = [0, 1, 2].map((k) => {
          const n = triangles[i + k]!;
          return idOf(corners[2 * n]!, corners[2 * n + 1]!);
        }) as [number, number, number];
        const area = this.turn(ids[0], ids[1], ids[2]);
        if (area === 0) continue;
        const t = this.corners.length / 3;
        this.corners.push(...(area > 0 ? ids : [ids[0], ids[2], ids[1]]));
        ids.forEach((id) => this.trianglesAt[id]!.push(t));
        this.portals.push([]);
        this.between.push([]);
        this.inSquares(ids, t);
      }
    }
    this.join();
  }

  private turn(a: number, b: number, c: number): number {
    const [p, q, r] = [this.points[a]!, this.points[b]!, this.points[c]!];
    return (q.x - p.x) * (r.y - p.y) - (q.y - p.y) * (r.x - p.x);
  }

  private inSquares(ids: readonly number[], t: number): void {
    const xs = ids.map((id) => this.points[id]!.x);
    const ys = ids.map((id) => this.points[id]!.y);
    const cell = (mm: number) => Math.floor(mm / CELL_MM);
    for (let x = cell(Math.min(...xs) - 1); x <= cell(Math.max(...xs) + 1); x += 1)
      for (let y = cell(Math.min(...ys) - 1); y <= cell(Math.max(...ys) + 1); y += 1) {
        const list = this.squares.get(`${x} ${y}`);
        if (list) list.push(t);
        else this.squares.set(`${x} ${y}`, [t]);
      }
  }

  /** Triangles that share a side, or where corners were left out a part of one, lead into each other. */
  private join(): void {
    const sides = new Map<string, [t: number, a: number, b: number]>();
    const count = this.corners.length / 3;
    for (let t = 0; t < count; t += 1)
      for (let k = 0; k < 3; k += 1) {
        const [a, b] = [this.corners[3 * t + k]!, this.corners[3 * t + ((k + 1) % 3)]!];
        const other = sides.get(`${b} ${a}`);
        if (other) {
          sides.delete(`${b} ${a}`);
          this.lead(t, other[0], this.points[a]!, this.points[b]!);
          this.lead(other[0], t, this.points[b]!, this.points[a]!);
        } else sides.set(`${a} ${b}`, [t, a, b]);
      }
    // Sides left over are the floor's edges, but for those along which corners lie.
    const byCorner = new Map<string, [number, number, number][]>();
    const left = [...sides.values()];
    const lineOf = (a: Point, b: Point): string => {
      const size = distance(b, a);
      let [dx, dy] = [(b.x - a.x) / size, (b.y - a.y) / size];
      if (dx < -1e-9 || (Math.abs(dx) <= 1e-9 && dy < 0)) [dx, dy] = [-dx, -dy];
      return `${Math.round(dx * 1e4)} ${Math.round(dy * 1e4)} ${Math.round((a.x * dy - a.y * dx) / 50)}`;
    };
    for (const side of left) {
      const key = lineOf(this.points[side[1]]!, this.points[side[2]]!);
      const list = byCorner.get(key);
      if (list) list.push(side);
      else byCorner.set(key, [side]);
    }
    for (const list of byCorner.values())
      for (let i = 0; i < list.length; i += 1)
        for (let j = i + 1; j < list.length; j += 1) this.joinPart(list[i]!, list[j]!);
  }

  private joinPart([t, a, b]: [number, number, number], [u, c, d]: [number, number, number]): void {
    const [p, q, r, s] = [this.points[a]!, this.points[b]!, this.points[c]!, this.points[d]!];
    const size = distance(q, p);
    const [dx, dy] = [(q.x - p.x) / size, (q.y - p.y) / size];
    const off = (at: Point) => Math.abs((at.x - p.x) * dy - (at.y - p.y) * dx);
    const along = (at: Point) => (at.x - p.x) * dx + (at.y - p.y) * dy;
    // The other runs against it, as sides of two triangles beside each other do.
    if (off(r) > ON_MM || off(s) > ON_MM || along(r) <= along(s)) return;
    const [from, to] = [Math.max(0, along(s)), Math.min(size, along(r))];
    if (to - from <= ON_MM) return;
    for (const [id, mm] of [
      [c, along(r)],
      [d, along(s)],
    ] as const)
      if (mm > ON_MM && mm < size - ON_MM) this.liesOn(id, t);
    for (const [id, mm] of [
      [a, 0],
      [b, size],
    ] as const)
      if (mm > along(s) + ON_MM && mm < along(r) - ON_MM) this.liesOn(id, u);
    const at = (mm: number): Point => ({ x: p.x + dx * mm, y: p.y + dy * mm });
    this.lead(t, u, at(from), at(to));
    this.lead(u, t, at(to), at(from));
  }

  private liesOn(id: number, t: number): void {
    this.between[t]!.push(id);
    this.trianglesAt[id]!.push(t);
  }

  /** Going counter-clockwise round a triangle, a side runs from the right to the left of one who looks out. */
  private lead(from: number, to: number, right: Point, left: Point): void {
    this.portals[from]!.push({ to, rightX: right.x, rightY: right.y, leftX: left.x, leftY: left.y });
  }

  /** Triangles a place lies in, on their sides too. */
  trianglesOf(at: Point): number[] {
    const list = this.squares.get(`${Math.floor(at.x / CELL_MM)} ${Math.floor(at.y / CELL_MM)}`) ?? [];
    return list.filter((t) => {
      for (let k = 0; k < 3; k += 1) {
        const [a, b] = [this.points[this.corners[3 * t + k]!]!, this.points[this.corners[3 * t + ((k + 1) % 3)]!]!];
        const size = distance(b, a);
        if ((b.x - a.x) * (at.y - a.y) - (b.y - a.y) * (at.x - a.x) < -ON_MM * size) return false;
      }
      return true;
    });
  }

  /**
   * Tells of every triangle that something is seen of from a place, with the view into it: between a right and a left ray, or all
   * of it where both are left out. `start`: the triangles the place lies in.
   */
  look(at: Point, start: readonly number[], seen: (triangle: number, view: View | null) => void): void {
    const stack: { t: number; view: View; from: number }[] = [];
    const through = (t: number, view: View | null, from: number) => {
      for (const portal of this.portals[t]!) {
        if (portal.to === from) continue;
        let [rx, ry] = [portal.rightX - at.x, portal.rightY - at.y];
        let [lx, ly] = [portal.leftX - at.x, portal.leftY - at.y];
        // A side one stands on, or sees along, is no window.
        const size = lengthOf({ x: lx - rx, y: ly - ry });
        if (rx * ly - ry * lx <= ON_MM * size) continue;
        if (view) {
          if (view.rx * ry - view.ry * rx < 0) [rx, ry] = [view.rx, view.ry];
          if (lx * view.ly - ly * view.lx < 0) [lx, ly] = [view.lx, view.ly];
          if (rx * ly - ry * lx < 0) continue;
        }
        stack.push({ t: portal.to, view: { rx, ry, lx, ly }, from: t });
      }
    };
    for (const t of start) {
      seen(t, null);
      through(t, null, -1);
    }
    for (let next = stack.pop(); next; next = stack.pop()) {
      seen(next.t, next.view);
      through(next.t, next.view, next.from);
    }
  }
}

/** What is seen between two rays. */
export interface View {
  rx: number;
  ry: number;
  lx: number;
  ly: number;
}

/** True for a place within a view from another; what is on its rays is seen. */
export function isSeen(from: Point, at: Point, view: View | null): boolean {
  if (!view) return true;
  const [x, y] = [at.x - from.x, at.y - from.y];
  const hair = ON_MM * (Math.abs(x) + Math.abs(y) + 1);
  const right = (view.rx * y - view.ry * x) / Math.sqrt(view.rx * view.rx + view.ry * view.ry);
  const left = (x * view.ly - y * view.lx) / Math.sqrt(view.lx * view.lx + view.ly * view.ly);
  return right >= -hair / 100 - ON_MM && left >= -hair / 100 - ON_MM;
}
