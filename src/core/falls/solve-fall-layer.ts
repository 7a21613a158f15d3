import { mmOf } from '../dimensions/resolve-length';
import { sharedByRegions, unionLess, type Region } from '../geometry/boolean';
import { distance, dot, minus, plus, times, type Point } from '../geometry/point';
import { contains, counterClockwise, distanceToSegment, ringArea, ringPerimeter, type Ring } from '../geometry/polygon';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { resolvePlace } from '../outlines/resolve-place';
import { left } from '../roof-planes/edges';
import { outset } from '../roof-planes/outset';
import { resolveOutline } from '../setting-out/resolve-outline';
import type { Assembly } from '../slants/assembly';
import { levelSlant, reachOfSlants, ringAbout, slantOf, volumeOfSlant, type Slant } from '../slants/slant';
import { quantiseMm } from '../units/length-units';
import { fallFaces, runOn, type FallFace, type Sink } from './fall-planes';
import { gapTo, ponds, type Pond } from './ponds';
import type { FallLayer } from './fall-layer';

/** What stands on the slab or beside it, in plan, up to a height in the building. */
export interface Beside {
  wall: Id;
  rings: readonly Ring[];
  topMm: number;
}

/** What a layer of falls lies on. */
export interface Under {
  regions: readonly Region[];
  /** The slab before its holes. */
  edge: Ring;
  topMm: number;
  walls: readonly Beside[];
  /** Slabs over it. */
  covers: readonly Ring[];
}

/** What is known of a layer of falls beside its pieces. */
export interface FallLayerInfo {
  slab: Id;
  faces: readonly FallFace[];
  slopeRatio: number;
  /** Thickness where it is thinnest and thickest. */
  leastMm: number;
  mostMm: number;
  areaMm2: number;
  volumeMm3: number;
  /** Outlets that lie on it, by their number among all; and those that do not. */
  outlets: readonly { number: number; at: Point; diameterMm: number }[];
  astray: readonly { number: number; at: Point; nearest: Point }[];
  /** Edges it falls to. */
  edges: readonly { edge: number; from: Point; to: Point; gutter: boolean }[];
  ponds: readonly Pond[];
  /** Walls beside it, with how far each stands over it where that is least. */
  upstands: readonly { wall: Id; mm: number }[];
  kerbsMm: number;
  /** What is asked for of both. */
  upstandMm: number;
}

declare module '../slants/assembly' {
  interface AssemblyInfo {
    fallLayer: FallLayerInfo;
  }
}

/** How thick a kerb is, mm. */
const KERB_MM = 100;
/** Sheet of a gutter, mm. */
const SHEET_MM = 4;
/** Water gets into an outlet this far from where it stands, mm. */
const OUTLET_REACH_MM = 600;
/** What stands this near to an edge closes it, and an edge within this of it is moved to its face, mm. */
const CLOSES_MM = 50;
const THICKEST_WALL_MM = 1000;
/** What is smaller or narrower is left out: slivers beside walls. */
const LEAST_REGION_MM2 = 250_000;
const LEAST_WIDTH_MM = 100;

/** A layer worked out; or why not, with where its first outlet would lie on it if all lie beside it. */
export type SolvedFalls = { made: Assembly<'fallLayer'> } | { fault: string; nearest?: Point };

/** A layer of falls worked out, or why it cannot be. */
export function solveFallLayer(framework: Framework, layer: FallLayer, under: Under): SolvedFalls {
  const mm = (length: FallLayer['leastMm']) => mmOf(framework, length);
  const outline = layer.outline && resolveOutline(framework, layer.outline);
  if (layer.outline && !outline) return { fault: 'Its outline crosses itself or encloses nothing. Draw it again' };
  const kerbs = kerbsOf(under);
  const regions = openRegions(under, outline, kerbs);
  if (regions.length === 0) return { fault: 'Nothing of its slab lies open there. Choose another level or outline' };
  const ring = counterClockwise(outline ?? under.edge);
  const edges = layer.edges.flatMap(({ edge, gutter }) => {
    const [from, to] = [ring[edge], ring[(edge + 1) % ring.length]];
    return from && to && edge < ring.length ? [{ edge, from, to, gutter }] : [];
  });
  const outlets = layer.outlets.map(({ place, diameterMm }, number) => ({
    number,
    at: resolvePlace(framework, place).at,
    diameterMm: mm(diameterMm),
  }));
  const isOn = ({ at }: { at: Point }) => regions.some((region) => isWithin(region, at));
  const along = axisOf(ring);
  const there = outlets.filter(isOn);
  const sinks: Sink[] = [
    ...edges.map(({ from, to }) => sinkOf(from, to, regions)),
    ...there.map(({ at }) => ({ from: at, to: at, along })),
  ];
  if (sinks.length === 0)
    return {
      fault: 'None of its outlets lies on it. Place one on it',
      ...(outlets[0] ? { nearest: onto(regions, outlets[0].at) } : {}),
    };
  const faces = fallFaces(regions, sinks);
  const leastMm = mm(layer.leastMm);
  const { topMm } = under;
  const heightOf = (face: FallFace, at: Point) =>
    quantiseMm(topMm + leastMm + Math.max(0, runOn(face, at)) / layer.slopeRatio);
  const falls = faces.flatMap((face) =>
    face.pieces.map((piece) =>
      slantOf(piece.map((at) => ({ x: at.x, y: at.y, topMm: heightOf(face, at), bottomMm: topMm }))),
    ),
  );
  const strips = under.walls.flatMap(({ rings }) => rings);
  const isClosed = (at: Point) => strips.some((strip) => isNear(strip, at, CLOSES_MM));
  const openEdges = [ring, under.edge].flatMap((each) =>
    each.map((from, i) => ({ from, to: each[(i + 1) % each.length]! })),
  );
  const isOut = (from: Point, to: Point) => {
    const middle = times(plus(from, to), 0.5);
    if (there.some(({ at }) => gapTo(at, from, to) <= OUTLET_REACH_MM)) return true;
    return openEdges.some((edge) => distanceToSegment(middle, edge.from, edge.to) < 5) && !isClosed(middle);
  };
  const upstandMm = mm(layer.upstandMm);
  const corners = falls.flat();
  const highOn = (rings: readonly Ring[]) =>
    Math.max(
      ...corners.filter((corner) => rings.some((each) => isNear(each, corner, 30))).map((corner) => corner.topMm),
    );
  const standing = kerbs
    .map((kerb) => ({ ...kerb, highMm: highOn(kerb.rings) }))
    .filter(({ highMm }) => Number.isFinite(highMm));
  const kerbSlants = standing.flatMap(({ rings, highMm }) =>
    rings.map((each) => levelSlant(each, topMm, quantiseMm(highMm + upstandMm))),
  );
  const gutterSlants = edges.flatMap(({ from, to, gutter }) =>
    gutter ? gutterOf(from, to, topMm, mm(gutter.widthMm), mm(gutter.depthMm)) : [],
  );
  const parts = [
    { name: 'falls', slants: falls },
    ...(kerbSlants.length > 0 ? [{ name: 'kerbs', slants: kerbSlants }] : []),
    ...(gutterSlants.length > 0 ? [{ name: 'gutters', slants: gutterSlants }] : []),
  ];
  const slants = parts.flatMap((part) => part.slants);
  return {
    made: {
      thing: layer.id,
      kind: 'fallLayer',
      building: layer.building,
      name: layer.name,
      level: layer.level,
      ring: ringAbout(slants),
      ...reachOfSlants(slants),
      parts,
      info: {
        slab: layer.slab,
        faces,
        slopeRatio: layer.slopeRatio,
        leastMm,
        mostMm: quantiseMm(Math.max(...corners.map((corner) => corner.topMm)) - topMm),
        areaMm2: faces.reduce((sum, { areaMm2 }) => sum + areaMm2, 0),
        volumeMm3: falls.reduce((sum, slant) => sum + volumeOfSlant(slant), 0),
        outlets: there,
        astray: outlets
          .filter((each) => !isOn(each))
          .map(({ number, at }) => ({ number, at, nearest: onto(regions, at) })),
        edges: edges.map(({ edge, from, to, gutter }) => ({ edge, from, to, gutter: gutter !== null })),
        ponds: ponds(faces, isOut),
        upstandMm,
        upstands: under.walls.flatMap(({ wall, rings, topMm: wallTopMm }) => {
          const high = highOn(rings);
          return Number.isFinite(high) ? [{ wall, mm: quantiseMm(wallTopMm - high) }] : [];
        }),
        kerbsMm: standing.reduce((sum, { hole }) => sum + ringPerimeter(hole), 0),
      },
    },
  };
}

/** About openings of a slab that no wall stands round: the opening, and the kerb about it in convex rings. */
function kerbsOf({ regions, walls }: Under): { hole: Ring; rings: Ring[] }[] {
  const strips = walls.flatMap(({ rings }) => rings);
  return regions
    .flatMap(({ holes }) => holes)
    .flatMap((hole) => {
      const outer = outset(hole, () => KERB_MM);
      const rings = hole.flatMap((at, i): Ring[] => {
        const next = (i + 1) % hole.length;
        const middle = times(plus(at, hole[next]!), 0.5);
        if (strips.some((strip) => isNear(strip, middle, CLOSES_MM))) return [];
        return [counterClockwise([at, hole[next]!, outer[next]!, outer[i]!])];
      });
      return rings.length > 0 ? [{ hole, rings }] : [];
    });
}

/** What of a slab lies open: without kerbs and walls, and what is covered from above unless an outline says where. */
function openRegions(under: Under, outline: Ring | null, kerbs: readonly { rings: readonly Ring[] }[]): Region[] {
  const within = outline
    ? sharedByRegions(under.regions, [{ outer: counterClockwise(outline), holes: [] }]).regions
    : under.regions;
  const taken = [
    ...within.flatMap(({ holes }) => holes),
    ...under.walls.flatMap(({ rings }) => rings),
    ...kerbs.flatMap(({ rings }) => rings),
    ...(outline ? [] : under.covers),
  ];
  return unionLess(
    within.map(({ outer }) => outer),
    taken,
  ).regions.filter(({ outer }) => {
    const area = Math.abs(ringArea(outer));
    return area > LEAST_REGION_MM2 && (2 * area) / ringPerimeter(outer) > LEAST_WIDTH_MM;
  });
}

/** An edge as a sink: where a wall stands along it, at the face of that. */
function sinkOf(from: Point, to: Point, regions: readonly Region[]): Sink {
  const long = distance(from, to);
  const along = times(minus(to, from), 1 / long);
  const inwards = left(along);
  const depths = regions
    .flatMap(({ outer }) => outer)
    .filter((at) => {
      const t = dot(minus(at, from), along);
      return t > -THICKEST_WALL_MM && t < long + THICKEST_WALL_MM;
    })
    .map((at) => dot(minus(at, from), inwards))
    .filter((depth) => depth > -1 && depth < THICKEST_WALL_MM);
  const shift = times(inwards, depths.length > 0 ? Math.max(0, Math.min(...depths)) : 0);
  return { from: plus(from, shift), to: plus(to, shift), along };
}

/** The way of the longest edge. */
function axisOf(ring: Ring): Point {
  const ways = ring.map((at, i) => minus(ring[(i + 1) % ring.length]!, at));
  const long = (way: Point) => Math.sqrt(dot(way, way));
  const best = ways.reduce((a, b) => (long(b) > long(a) + 0.5 ? b : a));
  return times(best, 1 / long(best));
}

const isWithin = ({ outer, holes }: Region, at: Point): boolean =>
  contains(outer, at) && !holes.some((hole) => contains(hole, at));

const isNear = (ring: Ring, at: Point, mm: number): boolean =>
  contains(ring, at) || ring.some((from, i) => distanceToSegment(at, from, ring[(i + 1) % ring.length]!) < mm);

/** The place on some regions that is nearest to one beside them, a little way in. */
function onto(regions: readonly Region[], at: Point): Point {
  let best = at;
  let least = Infinity;
  for (const { outer } of regions)
    outer.forEach((from, i) => {
      const to = outer[(i + 1) % outer.length]!;
      const way = minus(to, from);
      const t = Math.min(1, Math.max(0, dot(minus(at, from), way) / Math.max(dot(way, way), 1)));
      const foot = plus(from, times(way, t));
      const gap = distance(foot, at);
      if (gap >= least) return;
      least = gap;
      best = plus(foot, times(left(way), 150 / Math.max(distance(from, to), 1)));
    });
  return { x: quantiseMm(best.x), y: quantiseMm(best.y) };
}

/** A gutter of sheet outside an edge: its back, its bottom, its front. */
function gutterOf(from: Point, to: Point, topMm: number, widthMm: number, depthMm: number): Slant[] {
  const out = times(left(minus(to, from)), -1 / distance(from, to));
  const box = (near: number, far: number, bottomMm: number, high: number): Slant =>
    levelSlant(
      [
        plus(from, times(out, near)),
        plus(from, times(out, far)),
        plus(to, times(out, far)),
        plus(to, times(out, near)),
      ],
      quantiseMm(bottomMm),
      quantiseMm(high),
    );
  return [
    box(0, SHEET_MM, topMm - depthMm, topMm),
    box(SHEET_MM, widthMm - SHEET_MM, topMm - depthMm, topMm - depthMm + SHEET_MM),
    box(widthMm - SHEET_MM, widthMm, topMm - depthMm, topMm),
  ];
}
