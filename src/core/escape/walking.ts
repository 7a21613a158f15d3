import type { Region } from '../geometry/boolean';
import { distance, type Point } from '../geometry/point';
import { isSeen, SightMesh } from './sight-mesh';

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
  /** The goal it leads to, by its place in the list. */
  goal: number;
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
  /** Where a way goes first: its next turn, or the goal. */
  next: (at: Point) => Point | null;
}

/** A corner that ways may bend at, with the corners beside it on the floor's edges. */
interface Bend {
  at: Point;
  beside: [Point, Point][];
}

/**
 * Walking over free floor: shortest ways bend at its inner corners only, so those that see each other are all there is to search
 * (the visibility graph of computational geometry, searched after Dijkstra from the goals).
 */
export class Floor {
  private readonly mesh: SightMesh;
  private readonly bends = new Map<number, Bend>();
  /** Corners that a way may go straight on to from a corner. */
  private readonly ahead = new Map<number, readonly number[]>();

  constructor(regions: readonly Region[]) {
    this.mesh = new SightMesh(regions);
    const idOf = new Map(this.mesh.points.map(({ x, y }, id) => [`${x} ${y}`, id]));
    for (const ring of regions.flatMap(({ outer, holes }) => [outer, ...holes]))
      ring.forEach((at, i) => {
        const [a, c] = [ring[(i + ring.length - 1) % ring.length]!, ring[(i + 1) % ring.length]!];
        // Free floor is to the left of every edge: where one turns to the right it reaches round a corner.
        if ((at.x - a.x) * (c.y - at.y) - (at.y - a.y) * (c.x - at.x) >= 0) return;
        const id = idOf.get(`${at.x} ${at.y}`);
        if (id === undefined) return;
        const bend = this.bends.get(id) ?? { at, beside: [] };
        bend.beside.push([a, c]);
        this.bends.set(id, bend);
      });
  }

  /** True where a way from elsewhere could bend at a corner: it goes by the corner, not into it. */
  private passes(from: Point, { at, beside }: Bend): boolean {
    const [dx, dy] = [at.x - from.x, at.y - from.y];
    const hair = 1e-3 * (Math.abs(dx) + Math.abs(dy) + 1);
    return beside.some(([a, c]) => {
      const s1 = dx * (a.y - from.y) - dy * (a.x - from.x);
      const s2 = dx * (c.y - from.y) - dy * (c.x - from.x);
      return (s1 >= -hair && s2 >= -hair) || (s1 <= hair && s2 <= hair);
    });
  }

  /** Corners seen from a place that a way may bend at, and goals seen by the triangles they lie in. */
  private seenFrom(
    at: Point,
    start: readonly number[],
    corner: (id: number, bend: Bend) => void,
    triangle?: (t: number, sees: (place: Point) => boolean) => void,
  ): void {
    const { corners, between } = this.mesh;
    this.mesh.look(at, start, (t, view) => {
      const look = (id: number) => {
        const bend = this.bends.get(id);
        if (bend && bend.at !== at && isSeen(at, bend.at, view)) corner(id, bend);
      };
      for (let k = 0; k < 3; k += 1) look(corners[3 * t + k]!);
      for (const id of between[t]!) look(id);
      triangle?.(t, (place) => isSeen(at, place, view));
    });
  }

  private aheadOf(id: number, own: Bend): readonly number[] {
    let found = this.ahead.get(id);
    if (!found) {
      const seen = new Set<number>();
      this.seenFrom(own.at, this.mesh.trianglesAt[id]!, (other, bend) => {
        if (other !== id && this.passes(own.at, bend) && this.passes(bend.at, own)) seen.add(other);
      });
      this.ahead.set(id, (found = [...seen]));
    }
    return found;
  }

  /** Shortest ways to the nearest of some goals; goals that are not on free floor are none. */
  waysTo(goals: readonly Goal[]): Ways {
    const far = new Map<number, Step>();
    const open = new Heap();
    const offer = (id: number, mm: number, next: number) => {
      const known = far.get(id);
      if (known && known.mm <= mm + 1e-9) return;
      far.set(id, { mm, next });
      open.push(mm, id);
    };
    const goalsAt = new Map<number, number[]>();
    goals.forEach(({ at, moreMm }, g) => {
      const start = this.mesh.trianglesOf(at);
      for (const t of start) goalsAt.set(t, [...(goalsAt.get(t) ?? []), g]);
      this.seenFrom(at, start, (id, bend) => {
        if (this.passes(at, bend)) offer(id, moreMm + distance(at, bend.at), -1 - g);
      });
    });
    for (let top = open.pop(); top; top = open.pop()) {
      const [mm, id] = top;
      if (mm > far.get(id)!.mm + 1e-9) continue;
      const own = this.bends.get(id)!;
      for (const other of this.aheadOf(id, own)) offer(other, mm + distance(own.at, this.bends.get(other)!.at), id);
    }
    const from = (at: Point): Step | null => {
      let best: Step | null = null;
      const offered = (mm: number, next: number) => {
        if (!best || mm < best.mm) best = { mm, next };
      };
      this.seenFrom(
        at,
        this.mesh.trianglesOf(at),
        (id, bend) => {
          const known = far.get(id);
          if (known && known.mm < (best?.mm ?? Infinity)) offered(known.mm + distance(at, bend.at), id);
        },
        (t, sees) => {
          for (const g of goalsAt.get(t) ?? [])
            if (sees(goals[g]!.at)) offered(goals[g]!.moreMm + distance(at, goals[g]!.at), -1 - g);
        },
      );
      return best;
    };
    const placeOf = (next: number) => (next < 0 ? goals[-1 - next]!.at : this.bends.get(next)!.at);
    return {
      from,
      next: (at) => {
        let step = from(at);
        // At a corner the way goes on from there.
        while (step && step.next >= 0 && distance(placeOf(step.next), at) < 1) step = far.get(step.next)!;
        return step && placeOf(step.next);
      },
      wayFrom: (at) => {
        const first = from(at);
        if (!first) return null;
        const points = [at];
        for (let next = first.next; ; next = far.get(next)!.next) {
          points.push(placeOf(next));
          if (next < 0) return { mm: first.mm, points, goal: -1 - next };
        }
      },
    };
  }
}

/** Least first. */
class Heap {
  private readonly all: [number, number][] = [];

  push(mm: number, id: number): void {
    const { all } = this;
    let i = all.length;
    all.push([mm, id]);
    while (i > 0) {
      const up = (i - 1) >> 1;
      if (all[up]![0] <= mm) break;
      all[i] = all[up]!;
      i = up;
    }
    all[i] = [mm, id];
  }

  pop(): [number, number] | undefined {
    const { all } = this;
    const top = all[0];
    const last = all.pop();
    if (!top || !last || all.length === 0) return top;
    let i = 0;
    for (;;) {
      let down = 2 * i + 1;
      if (down >= all.length) break;
      if (down + 1 < all.length && all[down + 1]![0] < all[down]![0]) down += 1;
      if (all[down]![0] >= last[0]) break;
      all[i] = all[down]!;
      i = down;
    }
    all[i] = last;
    return top;
  }
}
