import { distanceToSegment } from '../geometry/polygon';
import { cross, distance, dot, plus, times, type Point } from '../geometry/point';
import { directionDeg } from '../geometry/trig';
import { nextBand, risingFrom, type Rising, type RoofEdge } from './edges';
import {
  clustered,
  cornersOf,
  nextHeight,
  placeOf,
  SAME_MM,
  type Corner,
  type Loop,
  type Node,
  type Stretch,
} from './wave';

/** What a line between two faces is. A verge against a higher wall is an abutment, for who knows of the wall. */
export type LineKind = 'eaves' | 'break' | 'hip' | 'valley' | 'ridge' | 'verge' | 'abutment';

/** A side of a face, from node to node with the face to its left; the face on its other side has it the other way. */
export interface FaceSide {
  from: number;
  to: number;
  is: LineKind;
}

export interface Skeleton {
  nodes: Node[];
  /** The sides of each face, in no order. Upright ones, of gables and steps, are among them. */
  faces: Map<Rising, FaceSide[]>;
}

/** Why an outline cannot be roofed, with a place. */
export interface NoRoof {
  why: 'uncovered' | 'endless';
  at: Point;
}

/**
 * The straight skeleton of an outline with holes whose edges rise as steeply as each is asked to (O. Aichholzer and F. Aurenhammer,
 * "Straight skeletons for general polygonal figures in the plane", 1996; with speeds per edge): the outline is moved inwards height by height; where
 * a stretch of it shrinks to nothing, or a corner that points inwards meets another, it is put together anew. Upright edges stay.
 */
export function skeletonOf(rings: readonly (readonly RoofEdge[])[], startMm: number): Skeleton | NoRoof {
  const wave = new Wave(startMm);
  for (const ring of rings) wave.begin(ring);
  return wave.run();
}

class Wave {
  private readonly nodes: Node[] = [];
  private readonly faces = new Map<Rising, FaceSide[]>();
  private readonly edges = new Map<number, RoofEdge>();
  private loops: Loop[] = [];
  private count = 0;

  constructor(private mm: number) {}

  begin(ring: readonly RoofEdge[]): void {
    const first = this.nodes.length;
    for (const { from } of ring) this.nodes.push({ ...from, z: this.mm });
    const stretches = ring.map((edge, i): Stretch => {
      this.edges.set(edge.edge, edge);
      this.count += 1;
      const rising = risingFrom(edge);
      return { from: first + i, to: first + ((i + 1) % ring.length), rising };
    });
    for (const { from, to, rising } of stretches) this.side(rising, from, to, 'eaves');
    this.loops.push(cornersOf(stretches, this.nodes, this.mm));
  }

  run(): Skeleton | NoRoof {
    const most = 400 + 60 * this.count;
    for (let i = 0; this.loops.length > 0; i += 1) {
      const corner = this.loops[0]![0]!;
      if (i > most) return { why: 'endless', at: placeOf(corner, this.mm) };
      const band = this.nextBandMm();
      const next = Math.min(nextHeight(this.loops, this.mm), band);
      if (next === Infinity) return { why: 'uncovered', at: placeOf(corner, this.mm) };
      this.mm = next;
      this.resolve();
      if (next === band) this.rebase();
    }
    return { nodes: this.nodes, faces: this.faces };
  }

  private side(rising: Rising, from: number, to: number, is: LineKind): void {
    if (from === to) return;
    const sides = this.faces.get(rising);
    if (sides) sides.push({ from, to, is });
    else this.faces.set(rising, [{ from, to, is }]);
  }

  /** The way of a corner ends at a node. */
  private arrive({ node, before, after }: Corner, to: number): void {
    const isGable = before.runPerRise === 0 || after.runPerRise === 0;
    const bend = cross(before.along, after.along);
    const is = isGable ? 'verge' : bend > 1e-9 ? 'hip' : bend < -1e-9 ? 'valley' : 'break';
    this.side(before, node, to, is);
    this.side(after, to, node, is);
  }

  private nodeAt(place: Point, corners: readonly Corner[]): number {
    const there = corners.find(({ node }) => {
      const known = this.nodes[node]!;
      return Math.abs(known.z - this.mm) < SAME_MM && distance(known, place) < SAME_MM * 2;
    });
    return there ? there.node : this.nodes.push({ x: place.x, y: place.y, z: this.mm }) - 1;
  }

  /** What touches at this height is put together anew. */
  private resolve(): void {
    const all = this.loops.flat();
    const places = all.map((corner) => placeOf(corner, this.mm));
    const groups = clustered(places);
    const numbers = new Map(all.map((corner, i) => [corner, groups[i]!]));
    const group = (corner: Corner) => numbers.get(corner)!;
    const firsts = [...new Set(groups)];
    const stretches = this.loops.flatMap((loop) =>
      loop.flatMap((start, i): Stretch[] => {
        const [from, to] = [group(start), group(loop[(i + 1) % loop.length]!)];
        if (from === to) return [];
        const [a, b] = [places[from]!, places[to]!];
        const on = firsts
          .filter((each) => each !== from && each !== to && distanceToSegment(places[each]!, a, b) < SAME_MM * 2)
          .map((each) => ({ each, along: dot(start.after.along, places[each]!) }))
          .sort((p, q) => p.along - q.along)
          .map(({ each }) => each);
        const stops = [from, ...on, to];
        return stops.slice(1).map((stop, k) => ({ from: stops[k]!, to: stop, rising: start.after }));
      }),
    );
    const { kept, ridges } = withoutTwins(stretches);
    const loops = traced(kept, places);
    // Corners that nothing happened to go on as they were.
    const alone = new Map<number, Corner | null>();
    all.forEach((corner, i) => alone.set(groups[i]!, alone.has(groups[i]!) ? null : corner));
    const going = new Set<Corner>();
    for (const loop of loops)
      loop.forEach((after, i) => {
        const corner = alone.get(after.from);
        const before = loop[(i + loop.length - 1) % loop.length]!;
        if (corner && corner.before === before.rising && corner.after === after.rising) going.add(corner);
      });
    const made = new Map<number, number>();
    const nodeOf = (number: number): number => {
      const known = made.get(number);
      if (known !== undefined) return known;
      const node = this.nodeAt(
        places[number]!,
        all.filter((corner) => group(corner) === number),
      );
      made.set(number, node);
      return node;
    };
    for (const corner of all) if (!going.has(corner)) this.arrive(corner, nodeOf(group(corner)));
    for (const { from, to, rising, other } of ridges) {
      const isLevel = rising.runPerRise > 0 && other.runPerRise > 0;
      const [a, b] = [nodeOf(from), nodeOf(to)];
      this.side(rising, b, a, isLevel ? 'ridge' : 'verge');
      this.side(other, a, b, isLevel ? 'ridge' : 'verge');
    }
    this.loops = loops.map((loop): Loop => {
      const anew = loop.map(({ from, to, rising }) => ({
        from: keptNode(alone.get(from), going) ?? nodeOf(from),
        to: keptNode(alone.get(to), going) ?? nodeOf(to),
        rising,
      }));
      return goingOn(cornersOf(anew, this.nodes, this.mm), [...going]);
    });
  }

  private nextBandMm(): number {
    const risings = new Set(this.loops.flatMap((loop) => loop.map(({ after }) => after)));
    const starts = [...risings].flatMap(({ edge, band }) => {
      const next = edge === null ? undefined : this.edges.get(edge)!.bands[band + 1];
      return next ? [next.fromMm] : [];
    });
    return Math.max(this.mm, Math.min(...starts, Infinity));
  }

  /** Edges whose next band begins at this height go on in that. */
  private rebase(): void {
    const anew = new Map<Rising, Rising>();
    for (const { after } of this.loops.flat()) {
      const edge = after.edge === null ? undefined : this.edges.get(after.edge)!;
      const next = edge?.bands[after.band + 1];
      if (next && next.fromMm <= this.mm + SAME_MM) anew.set(after, nextBand(after, edge!));
    }
    this.loops = this.loops.map((loop) => {
      const isBent = ({ before, after }: Corner) => anew.has(before) || anew.has(after);
      const ends = loop.map((corner) =>
        isBent(corner) ? this.nodeAt(placeOf(corner, this.mm), [corner]) : corner.node,
      );
      loop.forEach((corner, i) => {
        if (isBent(corner)) this.arrive(corner, ends[i]!);
      });
      const stretches = loop.map(({ after }, i): Stretch => {
        const [from, to] = [ends[i]!, ends[(i + 1) % loop.length]!];
        const rising = anew.get(after) ?? after;
        if (rising !== after) {
          this.side(after, to, from, 'break');
          this.side(rising, from, to, 'break');
        }
        return { from, to, rising };
      });
      return goingOn(
        cornersOf(stretches, this.nodes, this.mm),
        loop.filter((corner) => !isBent(corner)),
      );
    });
  }
}

/** Corners, but those that were there already as they were. */
const goingOn = (corners: readonly Corner[], going: readonly Corner[]): Corner[] =>
  corners.map(
    (corner) =>
      going.find(
        ({ node, before, after }) => node === corner.node && before === corner.before && after === corner.after,
      ) ?? corner,
  );

const keptNode = (corner: Corner | null | undefined, going: ReadonlySet<Corner>): number | undefined =>
  corner && going.has(corner) ? corner.node : undefined;

/** Stretches that lie on one another the other way enclose nothing between them any more: they are ridges. */
function withoutTwins(stretches: readonly Stretch[]): {
  kept: Stretch[];
  ridges: (Stretch & { other: Rising })[];
} {
  const waiting = new Map<string, Stretch[]>();
  const ridges: (Stretch & { other: Rising })[] = [];
  for (const stretch of stretches) {
    const twins = waiting.get(`${stretch.to} ${stretch.from}`);
    const twin = twins?.pop();
    if (twin) ridges.push({ ...twin, other: stretch.rising });
    else {
      const key = `${stretch.from} ${stretch.to}`;
      waiting.set(key, [...(waiting.get(key) ?? []), stretch]);
    }
  }
  return { kept: [...waiting.values()].flat(), ridges };
}

/** Stretches in loops, each going on by the one that leaves the least to its left: what only touches parts there. */
function traced(stretches: readonly Stretch[], places: readonly Point[]): Stretch[][] {
  const leaving = new Map<number, Stretch[]>();
  for (const stretch of stretches) leaving.set(stretch.from, [...(leaving.get(stretch.from) ?? []), stretch]);
  const degrees = ({ from, to }: { from: number; to: number }) => {
    const way = plus(places[to]!, times(places[from]!, -1));
    return directionDeg(way.y, way.x);
  };
  const used = new Set<Stretch>();
  return stretches.flatMap((first): Stretch[][] => {
    const loop: Stretch[] = [];
    let next: Stretch | undefined = first;
    while (next && !used.has(next)) {
      used.add(next);
      loop.push(next);
      const { from, to }: Stretch = next;
      const back = degrees({ from: to, to: from });
      const wedge = (each: Stretch) => (((back - degrees(each)) % 360) + 360) % 360;
      next = [...(leaving.get(to) ?? [])].sort((p, q) => wedge(p) - wedge(q))[0];
    }
    return loop.length > 0 ? [loop] : [];
  });
}
