import { Clipper, ClipType, FillRule, PolyTree64, type Path64, type PolyPath64 } from 'clipper2-ts';
import type { Point } from './point';
import { bounds, isSpike, ringArea, ringMoment, ringPerimeter, type Ring } from './polygon';

/** A piece of floor: an outer ring (counter-clockwise) with holes in it (clockwise). Coordinates to 1e-3 mm. */
export interface Region {
  outer: Ring;
  holes: Ring[];
}

/** A set of regions with its measures: areas mm², lengths mm. */
export interface Profile {
  regions: Region[];
  areaMm2: number;
  perimeterMm: number;
  centroid: Point;
  holeCount: number;
}

const MICROMETRES = 1000;
let calls = 0;

/** How often the polygon library was called since the count was last reset: what an edit really cost. */
export const polygonCalls = { read: () => calls, reset: () => void (calls = 0) };

/** Outline less holes. Holes may touch, overlap or leave the edge; the outline must be a simple ring. */
export function subtract(outline: Ring, holes: readonly Ring[]): Profile {
  const shift = originOf(outline);
  const subject = [toPath(outline, shift)].filter((path) => path.length > 2);
  const clip = holes.map((ring) => toPath(ring, shift)).filter((path) => path.length > 2);
  return profileOf(run(ClipType.Difference, subject, clip), shift);
}

/** All of some rings together, less holes. Rings may overlap. */
export function unionLess(rings: readonly Ring[], holes: readonly Ring[]): Profile {
  const [first] = rings;
  if (!first) return measured([]);
  const shift = originOf(first);
  const paths = (list: readonly Ring[]) => list.map((ring) => toPath(ring, shift)).filter((path) => path.length > 2);
  return profileOf(run(ClipType.Difference, paths(rings), paths(holes)), shift);
}

/** What two rings share. */
export function intersection(a: Ring, b: Ring): Profile {
  const shift = originOf(a);
  return profileOf(run(ClipType.Intersection, [toPath(a, shift)], [toPath(b, shift)]), shift);
}

/** What a profile, its holes left out, shares with a ring. */
export function sharedWith(profile: Profile, ring: Ring): Profile {
  const shift = originOf(ring);
  return profileOf(run(ClipType.Intersection, toPaths(profile.regions, shift), [toPath(ring, shift)]), shift);
}

/** What some regions share with others. Regions of one side may overlap. */
export function sharedByRegions(subject: readonly Region[], clip: readonly Region[]): Profile {
  const [first] = subject;
  if (!first) return measured([]);
  const shift = originOf(first.outer);
  return profileOf(run(ClipType.Intersection, toPaths(subject, shift), toPaths(clip, shift)), shift);
}

/** What of a region is in none of others, which may overlap: a hole of one is open where no other covers it. */
export function lessRegions(region: Region, others: readonly Region[]): Profile {
  const shift = originOf(region.outer);
  return profileOf(run(ClipType.Difference, toPaths([region], shift), toPaths(others, shift)), shift);
}

/** Outer rings one way round, holes the other: they wind to nothing where there is a hole. */
const toPaths = (regions: readonly Region[], shift: Point): Path64[] =>
  regions
    .flatMap(({ outer, holes }) => [toPath(outer, shift), ...holes.map((hole) => toPath(hole, shift).reverse())])
    .filter((path) => path.length > 2);

function run(kind: ClipType, subject: Path64[], clip: Path64[]): PolyTree64 {
  calls += 1;
  const tree = new PolyTree64();
  if (subject.length > 0)
    Clipper.booleanOpWithPolyTree(kind, subject, clip.length > 0 ? clip : null, tree, FillRule.NonZero);
  return tree;
}

const originOf = (ring: Ring): Point => {
  const box = bounds(ring);
  return { x: Math.round(box.minX * MICROMETRES), y: Math.round(box.minY * MICROMETRES) };
};

/**
 * Integer micrometres about `shift`, counter-clockwise, without repeated corners and spikes: a level spike
 * makes the library run until memory is gone.
 */
function toPath(ring: Ring, shift: Point): Path64 {
  const path = ring.map(({ x, y }) => ({
    x: Math.round(x * MICROMETRES) - shift.x,
    y: Math.round(y * MICROMETRES) - shift.y,
  }));
  for (let i = 0; i < path.length && path.length > 2;) {
    const previous = path[(i + path.length - 1) % path.length]!;
    const here = path[i]!;
    const next = path[(i + 1) % path.length]!;
    const repeated = here.x === next.x && here.y === next.y;
    if (repeated || isSpike(previous, here, next)) {
      path.splice(i, 1);
      i = Math.max(0, i - 2);
    } else i += 1;
  }
  return ringArea(path) < 0 ? path.reverse() : path;
}

function profileOf(tree: PolyTree64, shift: Point): Profile {
  const regions: Region[] = [];
  const visit = (node: PolyPath64) => {
    if (node.isHole || !node.poly) {
      for (const child of children(node)) visit(child);
      return;
    }
    const holes = children(node).filter((child) => child.isHole && child.poly);
    regions.push({
      outer: toRing(node.poly, shift, 1),
      holes: holes.map((child) => toRing(child.poly!, shift, -1)).sort(byFirstPoint),
    });
    for (const hole of holes) for (const island of children(hole)) visit(island);
  };
  for (const child of children(tree)) visit(child);
  regions.sort((a, b) => byFirstPoint(a.outer, b.outer));
  return measured(regions);
}

const children = (node: PolyPath64): PolyPath64[] => Array.from({ length: node.count }, (_, i) => node.child(i));

/** Back to millimetres, turned the asked way round, starting at the lowest leftmost corner so equal shapes are equal. */
function toRing(path: Path64, shift: Point, way: 1 | -1): Ring {
  const points = path.map(({ x, y }) => ({ x: (x + shift.x) / MICROMETRES, y: (y + shift.y) / MICROMETRES }));
  if (ringArea(points) * way < 0) points.reverse();
  let first = 0;
  points.forEach((point, i) => {
    const best = points[first]!;
    if (point.x < best.x || (point.x === best.x && point.y < best.y)) first = i;
  });
  return [...points.slice(first), ...points.slice(0, first)];
}

const byFirstPoint = (a: Ring, b: Ring): number => a[0]!.x - b[0]!.x || a[0]!.y - b[0]!.y || a.length - b.length;

function measured(regions: Region[]): Profile {
  const rings = regions.flatMap((region) => [region.outer, ...region.holes]);
  const areaMm2 = rings.reduce((sum, ring) => sum + ringArea(ring), 0);
  const moment = rings.map(ringMoment).reduce((a, b) => ({ x: a.x + b.x, y: a.y + b.y }), { x: 0, y: 0 });
  return {
    regions,
    areaMm2,
    perimeterMm: rings.reduce((sum, ring) => sum + ringPerimeter(ring), 0),
    centroid: areaMm2 > 0 ? { x: moment.x / areaMm2, y: moment.y / areaMm2 } : { x: 0, y: 0 },
    holeCount: regions.reduce((sum, region) => sum + region.holes.length, 0),
  };
}
