import { unionLess, type Region } from '../geometry/boolean';
import { clippedTo, isSome, lessNear, whereMore } from '../geometry/convex-clip';
import { cross, distance, minus, plus, times, type Point } from '../geometry/point';
import { bounds, boxesMeet, ringArea, type Ring } from '../geometry/polygon';
import type { RoofLine, RoofPoint } from '../roof-planes/pitched';
import type { Assembly } from '../slants/assembly';
import { slantOf, type Slant } from '../slants/slant';
import { quantiseMm } from '../units/length-units';
import { facePieces } from './solve-pitched-roof';
import { higherThan, topside, underside } from './under-roof';

type Roof = Assembly<'pitchedRoof'>;

/** Heights nearer than this are one, mm. */
const SAME_MM = 0.01;

/** What lies over a roof at some places: another's piece, and whether it counts where both are as high. */
interface Over {
  slant: Slant;
  top: (at: Point) => number;
  isFirst: boolean;
}

/** What of a piece another covers, in plan. */
function covered(slant: Slant, over: Over): Point[] {
  if (!boxesMeet(bounds(slant), bounds(over.slant))) return [];
  const shared = clippedTo(over.slant, slant);
  if (!isSome(shared)) return [];
  const top = topside(slant);
  const more = whereMore(shared, (at) => over.top(at) - top(at) + (over.isFirst ? SAME_MM : -SAME_MM));
  return isSome(more) ? more : [];
}

function cutPiece(slant: Slant, others: readonly Over[]): { left: Slant[]; valleys: [RoofPoint, RoofPoint][] } {
  const taken = others.flatMap((over) => {
    const ring = covered(slant, over);
    return ring.length > 0 ? [{ ring, over }] : [];
  });
  if (taken.length === 0) return { left: [slant], valleys: [] };
  const top = topside(slant);
  const low = underside(slant);
  // Where both are as high they meet.
  const valleys = taken.flatMap(({ ring, over }) =>
    over.isFirst
      ? []
      : ring.flatMap((from, i): [RoofPoint, RoofPoint][] => {
          const to = ring[(i + 1) % ring.length]!;
          const meets = [from, to].every((at) => Math.abs(over.top(at) - top(at)) < 10 * SAME_MM);
          const point = ({ x, y }: Point): RoofPoint => ({
            x: quantiseMm(x),
            y: quantiseMm(y),
            z: quantiseMm(top({ x, y })),
          });
          return meets && distance(from, to) > 1 ? [[point(from), point(to)]] : [];
        }),
  );
  const pieces = taken.reduce<Ring[]>(
    (left, { ring }) => left.flatMap((piece) => lessNear(piece, ring)),
    [slant.map(({ x, y }) => ({ x, y }))],
  );
  const left = pieces.map((piece) =>
    slantOf(piece.map(({ x, y }) => ({ x, y, topMm: quantiseMm(top({ x, y })), bottomMm: quantiseMm(low({ x, y })) }))),
  );
  return { left, valleys };
}

/** What of a line no other roof covers. */
function cutLine(line: RoofLine, others: readonly Over[]): RoofLine[] {
  const way = minus(line.to, line.from);
  const at = (t: number): RoofPoint => ({
    ...plus(line.from, times(way, t)),
    z: line.from.z + (line.to.z - line.from.z) * t,
  });
  const hidden = others.flatMap(({ slant, top }): [number, number][] => {
    const span = within(line.from, line.to, slant);
    if (!span) return [];
    const [p, q] = span.map((t) => top(at(t)) - at(t).z - SAME_MM) as [number, number];
    if (p <= 0 && q <= 0) return [];
    const [a, b] = span;
    const turn = a + ((b - a) * p) / (p - q);
    return [p > 0 && q > 0 ? span : p > 0 ? [a, turn] : [turn, b]];
  });
  const left: [number, number][] = hidden.reduce<[number, number][]>(
    (spans, [from, to]) =>
      spans.flatMap(([a, b]): [number, number][] => {
        if (to <= a || from >= b) return [[a, b]];
        return [...(from > a ? [[a, from] as [number, number]] : []), ...(to < b ? [[to, b] as [number, number]] : [])];
      }),
    [[0, 1]],
  );
  return left
    .map(([a, b]) => ({ is: line.is, from: at(a), to: at(b) }))
    .filter(({ from, to }) => distance(from, to) > 1);
}

/** From where to where along a stretch it lies within a convex ring. */
function within(from: Point, to: Point, ring: Ring): [number, number] | null {
  const way = minus(to, from);
  let [low, high] = [0, 1];
  for (let i = 0; i < ring.length; i += 1) {
    const a = ring[i]!;
    const side = minus(ring[(i + 1) % ring.length]!, a);
    const [start, slope] = [cross(side, minus(from, a)), cross(side, way)];
    if (Math.abs(slope) < 1e-9) {
      if (start < 0) return null;
    } else if (slope > 0) low = Math.max(low, -start / slope);
    else high = Math.min(high, -start / slope);
  }
  return high - low > 1e-9 ? [low, high] : null;
}

/** What of each face is left, seen from above. */
const seenOf = (slants: readonly Slant[]): Region[] =>
  unionLess(
    slants.map((slant) => slant.map(({ x, y }) => ({ x, y }))),
    [],
  ).regions;

/**
 * Pitched roofs that meet: at each place only the highest is there, so that where two of them come to one height they meet in a valley. Of
 * two that are alike at a place the first counts. Areas, lengths and volumes are those of what is left.
 */
export function whereTheyMeet(roofs: readonly Roof[]): Roof[] {
  if (roofs.length < 2) return [...roofs];
  const pieces = roofs.map(facePieces);
  return roofs.map((roof, own): Roof => {
    const others = pieces.flatMap((slants, i): Over[] =>
      i === own || !boxesMeet(bounds(roofs[i]!.ring), bounds(roof.ring))
        ? []
        : slants.map((slant) => ({ slant, top: topside(slant), isFirst: i < own })),
    );
    if (others.length === 0) return roof;
    const cut = roof.parts.map(({ name, slants }) => {
      const each = slants.map((slant) => cutPiece(slant, others));
      return { name, slants: each.flatMap(({ left }) => left), valleys: each.flatMap(({ valleys }) => valleys) };
    });
    if (cut.every(({ slants }, i) => slants.length === roof.parts[i]!.slants.length && cut[i]!.valleys.length === 0)) {
      const same = cut.every(({ slants }, i) => slants.every((slant, k) => slant === roof.parts[i]!.slants[k]));
      if (same) return roof;
    }
    return { ...roof, parts: cut.map(({ name, slants }) => ({ name, slants })), info: infoOf(roof, cut, others) };
  });
}

function infoOf(
  { info }: Roof,
  cut: readonly { slants: readonly Slant[]; valleys: [RoofPoint, RoofPoint][] }[],
  others: readonly Over[],
): Roof['info'] {
  const slants = cut.slice(0, info.faces.length).flatMap((part) => part.slants);
  const plan = (of: readonly Slant[]) => of.reduce((sum, slant) => sum + Math.abs(ringArea(slant)), 0);
  const faces = info.faces.map((face, i) => {
    const planAreaMm2 = plan(cut[i]!.slants);
    return {
      ...face,
      planAreaMm2,
      areaMm2: face.planAreaMm2 > 0 ? (face.areaMm2 * planAreaMm2) / face.planAreaMm2 : 0,
    };
  });
  const floorShift = (mm: 1500 | 2300) => info.atticMm + mm;
  return {
    ...info,
    faces,
    seen: cut.map((part) => seenOf(part.slants)),
    lines: [
      ...info.lines.flatMap((line) => cutLine(line, others)),
      ...cut.flatMap(({ valleys }) => valleys.map(([from, to]): RoofLine => ({ is: 'valley', from, to }))),
    ],
    areaMm2: faces.reduce((sum, { areaMm2 }) => sum + areaMm2, 0),
    ridgeMm: Math.max(info.edgeMm, ...slants.flatMap((slant) => slant.map(({ topMm }) => topMm))),
    volumeMm3: slants.reduce((sum, slant) => {
      const mean = middleTop(slant);
      return sum + Math.abs(ringArea(slant)) * (mean - info.edgeMm);
    }, 0),
    over1500Mm2: higherThan(slants, info.footprint, floorShift(1500)),
    over2300Mm2: higherThan(slants, info.footprint, floorShift(2300)),
  };
}

/** The height of a piece's top over its middle. */
function middleTop(slant: Slant): number {
  const top = topside(slant);
  const [a] = slant;
  let [sum, area] = [0, 0];
  for (let i = 1; i + 1 < slant.length; i += 1) {
    const each = Math.abs(ringArea([a!, slant[i]!, slant[i + 1]!]));
    sum += each * top(times(plus(plus(a!, slant[i]!), slant[i + 1]!), 1 / 3));
    area += each;
  }
  return area > 0 ? sum / area : a!.topMm;
}
