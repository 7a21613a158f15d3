import { cross, distance, dot, minus, type Point } from '../geometry/point';
import { contains, distanceToSegment, ringArea, sidesCross, type Ring } from '../geometry/polygon';
import { edgesOf, type Band, type Rising } from './edges';
import { skeletonOf, type FaceSide, type LineKind, type NoRoof, type Skeleton } from './skeleton';
import { SAME_MM, type Node } from './wave';

/** A corner of a face: in plan, and how high, mm. */
export interface RoofPoint extends Point {
  z: number;
}

/** A plane face of a roof over one of its edges. */
export interface RoofFace {
  /** The edge it rises from, counted ring by ring, and which of its bands it is in. */
  edge: number;
  band: number;
  /** Counter-clockwise seen from above. */
  points: RoofPoint[];
  runPerRise: number;
  planAreaMm2: number;
  areaMm2: number;
}

/** An upright face: a gable, or a step between two faces that rise otherwise from one line. */
export interface UprightFace {
  /** Null: a step. */
  edge: number | null;
  /** Round it, seen from outside. */
  points: RoofPoint[];
  areaMm2: number;
}

/** A line where faces meet or end. */
export interface RoofLine {
  is: LineKind;
  from: RoofPoint;
  to: RoofPoint;
}

export interface PitchedRoof {
  faces: RoofFace[];
  upright: UprightFace[];
  lines: RoofLine[];
}

export type RoofResult = { ok: true; roof: PitchedRoof } | { ok: false; message: string; at: Point | null };

/**
 * A pitched roof over an outline with holes. `bandsOf`: how each edge rises, edges counted ring by ring; `startMm`: the height of its eaves.
 * What cannot be roofed is refused in words.
 */
export function pitchedRoof(
  rings: readonly Ring[],
  bandsOf: (edge: number) => readonly Band[],
  startMm: number,
): RoofResult {
  const fault = outlineFault(rings);
  if (fault) return { ok: false, ...fault };
  const edges = edgesOf(rings, bandsOf);
  if (edges.flat().every(({ bands }) => bands.every(({ runPerRise }) => runPerRise === 0)))
    return { ok: false, message: 'No edge of the roof slopes. Give one a slope at least', at: null };
  const made = skeletonOf(edges, startMm);
  if ('why' in made) return { ok: false, ...wordsFor(made) };
  return assembled(made);
}

const wordsFor = ({ why, at }: NoRoof): { message: string; at: Point } => ({
  message:
    why === 'uncovered'
      ? `No edge that slopes covers the part of the roof around ${placeWords(at)}. Give one of the edges there a slope`
      : `The roof could not be worked out around ${placeWords(at)}. Move a corner there a little`,
  at,
});
const placeWords = ({ x, y }: Point): string => `${Math.round(x)}, ${Math.round(y)} mm`;

/** What takes a second about. */
const MOST_CORNERS = 600;
/** Corners nearer than this to another edge touch it, mm. */
const TOUCH_MM = 1e-3;

/** What keeps an outline with courtyards from being roofed, in words, with its place; null where nothing does. */
export function outlineFault(rings: readonly Ring[]): { message: string; at: Point | null } | null {
  const [outer, ...holes] = rings;
  if (!outer || rings.some((ring) => ring.length < 3))
    return { message: 'An outline of a roof has three corners or more', at: null };
  const count = rings.reduce((sum, ring) => sum + ring.length, 0);
  if (count > MOST_CORNERS)
    return {
      message: `The outline has ${count} corners; a roof has ${MOST_CORNERS} at most. Leave some out`,
      at: null,
    };
  const sides = rings.flatMap((ring, of) =>
    ring.map((from, i) => ({ from, to: ring[(i + 1) % ring.length]!, of, i, count: ring.length })),
  );
  for (const side of sides)
    if (distance(side.from, side.to) < TOUCH_MM)
      return { message: `The outline has a corner twice at ${placeWords(side.from)}. Leave one out`, at: side.from };
  for (const [k, a] of sides.entries())
    for (const b of sides.slice(k + 1)) {
      const isNext = a.of === b.of && (b.i === (a.i + 1) % a.count || a.i === (b.i + 1) % a.count);
      if (isNext ? foldsBack(a, b) : meets(a, b))
        return {
          message: `The outline crosses or touches itself at ${placeWords(b.from)}. Move that corner`,
          at: b.from,
        };
    }
  if (Math.abs(ringArea(outer)) < 1) return { message: 'The outline encloses nothing', at: null };
  const out = holes.find((hole) => !contains(outer, hole[0]!));
  if (out)
    return { message: `A courtyard lies outside the outline at ${placeWords(out[0]!)}. Move it in`, at: out[0]! };
  const nested = holes.find((hole) => holes.some((other) => other !== hole && contains(other, hole[0]!)));
  return nested ? { message: `A courtyard lies within another at ${placeWords(nested[0]!)}`, at: nested[0]! } : null;
}

interface Side {
  from: Point;
  to: Point;
}
/** Two sides with a corner between them that lie on one another. */
function foldsBack(a: Side, b: Side): boolean {
  const [u, v] = [minus(a.to, a.from), minus(b.to, b.from)];
  if (dot(u, v) >= 0) return false;
  const shared = distance(a.to, b.from) < distance(b.to, a.from) ? [a.from, b.to] : [a.to, b.from];
  return (
    distanceToSegment(shared[0]!, b.from, b.to) < TOUCH_MM || distanceToSegment(shared[1]!, a.from, a.to) < TOUCH_MM
  );
}
function meets(a: Side, b: Side): boolean {
  return (
    sidesCross(a.from, a.to, b.from, b.to) ||
    [a.from, a.to].some((point) => distanceToSegment(point, b.from, b.to) < TOUCH_MM) ||
    [b.from, b.to].some((point) => distanceToSegment(point, a.from, a.to) < TOUCH_MM)
  );
}

function assembled({ nodes, faces }: Skeleton): RoofResult {
  const at = (node: number): RoofPoint => {
    const { x, y, z } = nodes[node]!;
    return { x, y, z };
  };
  const roof: PitchedRoof = { faces: [], upright: [], lines: [] };
  for (const [rising, sides] of faces) {
    for (const nodesOf of rounds(rising, sides, nodes)) {
      const ring = straightened(nodesOf.map((node) => nodes[node]!));
      if (ring.length < 3) continue;
      const points = ring.map(({ x, y, z }) => ({ x, y, z }));
      if (rising.runPerRise === 0) {
        const areaMm2 = Math.abs(ringArea(ring.map((node) => ({ x: dot(rising.along, node), y: node.z }))));
        if (areaMm2 > 1e-3) roof.upright.push({ edge: rising.edge, points, areaMm2 });
        continue;
      }
      const planAreaMm2 = Math.abs(ringArea(ring));
      if (planAreaMm2 < 1e-6) continue;
      const { runPerRise } = rising;
      const areaMm2 = (planAreaMm2 * Math.sqrt(1 + runPerRise * runPerRise)) / runPerRise;
      roof.faces.push({ edge: rising.edge!, band: rising.band, points, runPerRise, planAreaMm2, areaMm2 });
    }
    // Each line is told once: by the face that has it from its lower number.
    for (const { from, to, is } of sides)
      if (is === 'eaves' || is === 'verge' ? rising.runPerRise > 0 || is === 'eaves' : from < to)
        if (distance3(nodes[from]!, nodes[to]!) > SAME_MM) roof.lines.push({ is, from: at(from), to: at(to) });
  }
  roof.faces.sort((a, b) => a.edge - b.edge || a.band - b.band);
  return { ok: true, roof };
}

const distance3 = (a: Node, b: Node): number => {
  const [x, y, z] = [a.x - b.x, a.y - b.y, a.z - b.z];
  return Math.sqrt(x * x + y * y + z * z);
};

/** The sides of a face put together: rings of nodes. Where several go on, the one that keeps most of it to the left. */
function rounds(rising: Rising, sides: readonly FaceSide[], nodes: readonly Node[]): number[][] {
  // In its own plane: along its edge, and up it.
  const flat = (node: number): Point => ({ x: dot(rising.along, nodes[node]!), y: nodes[node]!.z });
  const leaving = new Map<number, FaceSide[]>();
  for (const side of sides) leaving.set(side.from, [...(leaving.get(side.from) ?? []), side]);
  const used = new Set<FaceSide>();
  return sides.flatMap((first): number[][] => {
    const ring: number[] = [];
    let next: FaceSide | undefined = first;
    while (next && !used.has(next)) {
      const now: FaceSide = next;
      used.add(now);
      ring.push(now.from);
      const open = (leaving.get(now.to) ?? []).filter((each) => !used.has(each));
      const way = minus(flat(now.to), flat(now.from));
      const bend = (side: FaceSide) => {
        const on = minus(flat(side.to), flat(side.from));
        return turnOf(way, on);
      };
      next = open.length > 1 ? open.sort((p, q) => bend(q) - bend(p))[0] : open[0];
      if (now.to === first.from) break;
    }
    return ring.length > 2 ? [ring] : [];
  });
}

/** From -2 (back, to the right) to 2 (back, to the left): how far one way turns from another. */
function turnOf(way: Point, on: Point): number {
  const size = Math.sqrt(dot(way, way) * dot(on, on)) || 1;
  const [sine, cosine] = [cross(way, on) / size, dot(way, on) / size];
  return sine >= 0 ? 1 - cosine : cosine - 1;
}

/** Without nodes in the middle of a straight side. */
function straightened(ring: readonly Node[]): Node[] {
  return ring.filter((node, i) => {
    const [a, b] = [ring[(i + ring.length - 1) % ring.length]!, ring[(i + 1) % ring.length]!];
    const [u, v] = [
      [node.x - a.x, node.y - a.y, node.z - a.z],
      [b.x - node.x, b.y - node.y, b.z - node.z],
    ] as const;
    const product = [u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]] as const;
    const area = Math.sqrt(product[0] * product[0] + product[1] * product[1] + product[2] * product[2]);
    const long = distance3(a, node) + distance3(node, b);
    return area > SAME_MM * 1e-2 * long;
  });
}
