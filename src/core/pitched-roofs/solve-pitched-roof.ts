import { mmOf } from '../dimensions/resolve-length';
import { plus, times, type Point } from '../geometry/point';
import type { Region } from '../geometry/boolean';
import { distanceToSegment, ringArea, type Ring } from '../geometry/polygon';
import { triangulate } from '../geometry/triangulate';
import { isConvex } from '../geometry/convex-clip';
import { levelById } from '../levels/resolve-levels';
import { endMm } from '../levels/resolve-end';
import type { Framework } from '../model/framework';
import type { Band } from '../roof-planes/edges';
import { outset } from '../roof-planes/outset';
import {
  outlineFault,
  pitchedRoof,
  type PitchedRoof as Roof,
  type RoofFace,
  type RoofPoint,
} from '../roof-planes/pitched';
import { runOfSlope, slopeOfRun } from '../roof-planes/slopes';
import { resolveOutline } from '../setting-out/resolve-outline';
import type { Assembly } from '../slants/assembly';
import { reachOfSlants, ringAbout, slantOf, type Slant } from '../slants/slant';
import { quantiseMm } from '../units/length-units';
import type { Length } from '../units/parse-length';
import { roofInBays } from './bays';
import { boardsOf, cutSquare } from './eaves';
import { higherThan } from './under-roof';
import type { PitchedRoof, RoofEdge } from './pitched-roof';

/** What the edges make of a roof. */
export const PITCHED_FORMS = ['mono', 'saddle', 'hip', 'pyramid', 'mansard', 'butterfly', 'sawtooth', 'mixed'] as const;
export type PitchedForm = (typeof PITCHED_FORMS)[number];

/** What is known of a pitched roof beside its pieces. */
export interface PitchedRoofInfo {
  form: PitchedForm;
  /** Without its overhang, and with it: round it, then round its courtyards. */
  footprint: readonly Ring[];
  edge: readonly Ring[];
  faces: readonly RoofFace[];
  gables: Roof['upright'];
  lines: Roof['lines'];
  /** How far under its top, upright, a layer of each face ends and the next begins. */
  layersMm: readonly (readonly number[])[];
  /** What is seen of each face where other roofs cover a part of it; null: all of all. */
  seen: readonly (readonly Region[])[] | null;
  /** The height its attic is measured from. */
  atticMm: number;
  /** Where shafts go out through it. */
  holes: readonly Ring[];
  /** Heights in the building: of its top where it is highest, of its underside over the edge of what it stands on, of its top at its own edge. */
  ridgeMm: number;
  eavesMm: number;
  edgeMm: number;
  footprintMm2: number;
  areaMm2: number;
  /** Under its top, over the height of its edge. */
  volumeMm3: number;
  /** In plan within what it stands on: where the height under it, from the level of its eaves, is 1.5 m and more, and 2.3 m. */
  over1500Mm2: number;
  over2300Mm2: number;
}

declare module '../slants/assembly' {
  interface AssemblyInfo {
    pitchedRoof: PitchedRoofInfo;
  }
}

/** Pieces of the faces of a roof, its boards left out. */
export const facePieces = ({ parts, info }: Assembly<'pitchedRoof'>): Slant[] =>
  parts.slice(0, info.faces.length).flatMap(({ slants }) => slants);

export type SolvedRoof = { made: Assembly<'pitchedRoof'> } | { fault: string };

/** How one edge rises from the edge of the roof; where it goes on otherwise, so far over the eaves. */
function bandsOf(roof: PitchedRoof, own: RoofEdge | undefined, upperMm: number | null): Band[] {
  const is = own?.is ?? 'slope';
  const first = is === 'slope' ? (own?.slopeDeg ?? roof.slopeDeg) : null;
  const bands = [{ fromMm: 0, runPerRise: runOfSlope(first) }];
  return own?.upper ? [...bands, { fromMm: upperMm!, runPerRise: runOfSlope(own.upper.slopeDeg) }] : bands;
}

/** A pitched roof worked out, or why it cannot be. */
export function solvePitchedRoof(framework: Framework, roof: PitchedRoof): SolvedRoof {
  const rings = [roof.outline, ...roof.courtyards].map((outline) => resolveOutline(framework, outline));
  const footprint = rings.filter((ring): ring is Ring => ring !== null);
  if (footprint.length < rings.length)
    return { fault: 'Its outline crosses itself or encloses nothing. Draw it again' };
  const mm = (length: PitchedRoof['overhangMm']) => mmOf(framework, length);
  const overhangMm = mm(roof.overhangMm);
  const eavesMm = endMm(framework, roof.eavesAt, ({ sslMm }) => sslMm);
  const own = new Map(roof.edges.map((each) => [each.edge, each]));
  const isWall = (edge: number) => own.get(edge)?.is === 'wall';
  let count = 0;
  const edge = footprint.map((ring, i) => {
    const first = count;
    count += ring.length;
    return outset(ring, (k) => (isWall(first + k) ? 0 : overhangMm), i > 0);
  });
  if (overhangMm > 0 && outlineFault(edge) && !outlineFault(footprint))
    return { fault: 'With its overhang its edge would cross itself. Make the overhang smaller' };
  const thicknessMm = roof.layers.reduce((sum, layer) => sum + mm(layer.thicknessMm), 0);
  const plumbOf = (runPerRise: number) =>
    roof.measured === 'plumb' ? thicknessMm : thicknessMm / cosineOf({ runPerRise });
  const bands = Array.from({ length: count }, (_, i) => {
    const upper = own.get(i)?.upper;
    return bandsOf(roof, own.get(i), upper ? mm(upper.aboveMm) : null);
  });
  const rising = roof.bays
    ? inBays(roof, footprint, edge, plumbOf)
    : fromEdges(edge, bands, (now) => liftMm(now, (i) => (isWall(i) ? 0 : overhangMm), plumbOf));
  const made = held(rising, roof.ridgeMm === null ? null : mm(roof.ridgeMm));
  if ('fault' in made) return made;
  const edgeMm = quantiseMm(eavesMm + made.liftMm);
  const sides = edge.flatMap((ring) => ring.map((from, i) => [from, ring[(i + 1) % ring.length]!] as const));
  const walled = sides.filter((_, i) => isWall(i));
  const lifted = againstWalls(raised(made.roof, edgeMm), walled);
  return { made: assembly(roof, framework, { roof: lifted, footprint, edge, eavesMm, edgeMm }) };
}

/** A roof whose verges and upper ends along some sides are abutments: a higher wall stands there. */
const againstWalls = (roof: Roof, walled: readonly (readonly [Point, Point])[]): Roof => ({
  ...roof,
  lines: roof.lines.map((line) =>
    (line.is === 'verge' || line.is === 'ridge') &&
    walled.some(([a, b]) => [line.from, line.to].every((at) => distanceToSegment(at, a, b) < 0.05))
      ? { ...line, is: 'abutment' }
      : line,
  ),
});

/**
 * How much higher than its eaves the top of a roof begins at its own edge: its underside is nowhere under the eaves over the edge of what it
 * stands on, and at one of its edges just there.
 */
function liftMm(
  bands: readonly (readonly Band[])[],
  overhangOf: (edge: number) => number,
  plumbOf: (runPerRise: number) => number,
): number {
  const each = bands.flatMap(([band], i) =>
    band!.runPerRise === 0 ? [] : [plumbOf(band!.runPerRise) - overhangOf(i) / band!.runPerRise],
  );
  // Where nothing slopes at its foot the eaves are the edge.
  return each.length > 0 ? Math.max(...each) : plumbOf(Infinity);
}

/** Bands with heights over the edge of the roof in place of over its eaves; one that would end under the edge is none. */
const fromEdge = (bands: readonly Band[], liftMm: number): Band[] => {
  const [first, ...upper] = bands.map((band, i) => ({ ...band, fromMm: i === 0 ? 0 : band.fromMm - liftMm }));
  const low = upper.filter(({ fromMm }) => fromMm <= 0).at(-1);
  return [low ? { ...low, fromMm: 0 } : first!, ...upper.filter(({ fromMm }) => fromMm > 0)];
};

/** A roof over 0 where it is lowest, its slopes so many times as steep, and how much higher than the eaves that is. */
type Rising = (share: number) => { roof: Roof; liftMm: number } | { fault: string };

const fromEdges =
  (
    edge: readonly Ring[],
    bands: readonly (readonly Band[])[],
    lift: (bands: readonly (readonly Band[])[]) => number,
  ): Rising =>
  (share) => {
    const now = bands.map((each) => each.map(({ fromMm, runPerRise }) => ({ fromMm, runPerRise: runPerRise / share })));
    const over = lift(now);
    const made = pitchedRoof(edge, (i) => fromEdge(now[i]!, over), 0);
    return made.ok ? { roof: made.roof, liftMm: over } : { fault: made.message };
  };

const inBays =
  (
    { bays, slopeDeg, edges }: PitchedRoof,
    [footprint, ...courtyards]: readonly Ring[],
    [edge]: readonly Ring[],
    plumbOf: (runPerRise: number) => number,
  ): Rising =>
  (share) => {
    if (courtyards.length > 0)
      return { fault: 'A roof in bays has no courtyards. Roof them over, or leave out its bays' };
    if (edges.some((each) => each.slopeDeg !== null || each.upper !== null))
      return { fault: 'The slopes of a roof in bays are one. Let its edges slope as the roof does' };
    const fault = outlineFault([footprint!]);
    if (fault) return { fault: fault.message };
    const runPerRise = runOfSlope(slopeDeg) / share;
    const made = roofInBays(footprint!, edge!, bays!, runPerRise);
    if ('fault' in made) return made;
    const lowMm = Math.min(...made.roof.faces.flatMap(({ points }) => points.map(({ z }) => z)));
    return { roof: raised(made.roof, -lowMm), liftMm: plumbOf(runPerRise) + lowMm };
  };

/** The roof over its edge at 0; with its ridge held so far over the eaves, its slopes are steeper or less steep in proportion. */
function held(rising: Rising, ridgeMm: number | null): ReturnType<Rising> {
  const first = rising(1);
  if (ridgeMm === null || 'fault' in first) return first;
  // The steeper, the higher: halved between.
  let [low, high] = [0.01, 100];
  let best = first;
  for (let i = 0; i < 60 && high / low > 1 + 1e-12; i += 1) {
    const middle = Math.sqrt(low * high);
    const tried = rising(middle);
    if ('fault' in tried) return tried;
    best = tried;
    if (topOf(tried.roof) + tried.liftMm < ridgeMm) low = middle;
    else high = middle;
  }
  return best;
}

const topOf = ({ faces }: Roof): number => Math.max(...faces.flatMap(({ points }) => points.map(({ z }) => z)));

function raised(roof: Roof, byMm: number): Roof {
  const up = ({ x, y, z }: RoofPoint): RoofPoint => ({ x: quantiseMm(x), y: quantiseMm(y), z: quantiseMm(z + byMm) });
  return {
    faces: roof.faces.map((face) => ({ ...face, points: face.points.map(up) })),
    upright: roof.upright.map((face) => ({ ...face, points: face.points.map(up) })),
    lines: roof.lines.map((line) => ({ ...line, from: up(line.from), to: up(line.to) })),
  };
}

interface Around {
  roof: Roof;
  footprint: Ring[];
  edge: Ring[];
  eavesMm: number;
  edgeMm: number;
}

function assembly(
  record: PitchedRoof,
  framework: Framework,
  { roof, footprint, edge, eavesMm, edgeMm }: Around,
): Assembly<'pitchedRoof'> {
  const floorMm = levelById(framework, record.eavesAt.level)?.fflMm ?? eavesMm;
  let thicknessMm = 0;
  const ends = record.layers.map((layer) => (thicknessMm += mmOf(framework, layer.thicknessMm)));
  const plumb = (face: RoofFace, mm: number) => (record.measured === 'plumb' ? mm : mm / cosineOf(face));
  const faces = roof.faces.map((face, i) => {
    const plumbMm = plumb(face, thicknessMm);
    const slants = slantsOf(face, plumbMm);
    return { name: `face ${i + 1}`, slants: record.eavesCut === 'square' ? cutSquare(face, slants, plumbMm) : slants };
  });
  const mm = (length: Length) => mmOf(framework, length);
  const boards = boardsOf(roof, footprint, edge, {
    fascia: record.fascia && { heightMm: mm(record.fascia.heightMm), thicknessMm: mm(record.fascia.thicknessMm) },
    soffitMm: record.soffitMm === null ? null : mm(record.soffitMm),
  });
  const parts = [...faces, ...boards];
  const slants = parts.flatMap((part) => part.slants);
  const under = faces.flatMap((part) => part.slants);
  const plan = (rings: readonly Ring[]) =>
    rings.reduce((sum, ring, i) => sum + (i === 0 ? 1 : -1) * Math.abs(ringArea(ring)), 0);
  return {
    thing: record.id,
    kind: 'pitchedRoof',
    building: record.building,
    name: record.name,
    level: record.eavesAt.level,
    ring: ringAbout(slants),
    ...reachOfSlants(slants),
    parts,
    info: {
      form: record.bays?.is ?? formOf(roof),
      footprint,
      edge,
      faces: roof.faces,
      gables: roof.upright,
      lines: roof.lines,
      layersMm: roof.faces.map((face) => ends.slice(0, -1).map((mm) => plumb(face, mm))),
      seen: null,
      atticMm: floorMm,
      holes: [],
      ridgeMm: topOf(roof),
      eavesMm,
      edgeMm,
      footprintMm2: plan(footprint),
      areaMm2: roof.faces.reduce((sum, { areaMm2 }) => sum + areaMm2, 0),
      volumeMm3: roof.faces.reduce((sum, { points }) => sum + volumeUnder(points, edgeMm), 0),
      over1500Mm2: higherThan(under, footprint, floorMm + 1500),
      over2300Mm2: higherThan(under, footprint, floorMm + 2300),
    },
  };
}

const cosineOf = ({ runPerRise }: Pick<RoofFace, 'runPerRise'>): number =>
  runPerRise === Infinity ? 1 : runPerRise / Math.sqrt(1 + runPerRise * runPerRise);

/** Triangles of a face, which need not be convex. */
function trianglesOf(points: readonly RoofPoint[]): RoofPoint[][] {
  const { triangles } = triangulate({ outer: points, holes: [] });
  return Array.from({ length: triangles.length / 3 }, (_, i) => [0, 1, 2].map((k) => points[triangles[i * 3 + k]!]!));
}

const slantsOf = (face: RoofFace, plumbMm: number): Slant[] =>
  (isConvex(face.points) ? [face.points] : trianglesOf(face.points)).map((points) =>
    slantOf(points.map(({ x, y, z }) => ({ x, y, topMm: z, bottomMm: quantiseMm(z - plumbMm) }))),
  );

const volumeUnder = (points: readonly RoofPoint[], footMm: number): number =>
  trianglesOf(points).reduce(
    (sum, [a, b, c]) => sum + Math.abs(ringArea([a!, b!, c!])) * ((a!.z + b!.z + c!.z) / 3 - footMm),
    0,
  );

/** What it is called by its faces and gables. */
function formOf({ faces, upright, lines }: Roof): PitchedForm {
  // Two slopes one over the other, from one edge.
  if (faces.some(({ band, edge }) => band > 0 && faces.some((under) => under.edge === edge && under.band < band)))
    return 'mansard';
  const gables = upright.filter(({ edge }) => edge !== null).length;
  if (faces.length === 1) return 'mono';
  if (gables === 0) return lines.some(({ is }) => is === 'ridge') ? 'hip' : 'pyramid';
  return faces.length === 2 && gables === 2 ? 'saddle' : 'mixed';
}

/** The middle of a face in plan, and the way it falls. */
export function fallOf({ points, runPerRise }: RoofFace): { middle: Point; slopeDeg: number } {
  const parts = trianglesOf(points);
  const areas = parts.map((part) => Math.abs(ringArea(part)));
  const all = areas.reduce((sum, area) => sum + area, 0) || 1;
  const middle = parts.reduce((sum, [a, b, c], i) => plus(sum, times(plus(plus(a!, b!), c!), areas[i]! / (3 * all))), {
    x: 0,
    y: 0,
  });
  return { middle, slopeDeg: slopeOfRun(runPerRise) };
}
