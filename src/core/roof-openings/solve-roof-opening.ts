import { mmOf } from '../dimensions/resolve-length';
import { clippedTo } from '../geometry/convex-clip';
import { distance, dot, minus, plus, quantised, times, type Point } from '../geometry/point';
import { contains, counterClockwise, distanceToSegment, ringArea, type Ring } from '../geometry/polygon';
import { cosDeg, sinDeg } from '../geometry/trig';
import type { Framework } from '../model/framework';
import { left } from '../roof-planes/edges';
import type { RoofFace } from '../roof-planes/pitched';
import type { Id } from '../model/ids';
import type { Assembly } from '../slants/assembly';
import { reachOfSlants, ringAbout } from '../slants/slant';
import { quantiseMm } from '../units/length-units';
import { JAMB_MM, partsOf, roofRings, type Face, type Laid } from './dormer-parts';
import type { RoofOpening } from './roof-opening';

/** What is known of a roof opening beside its pieces. */
export interface RoofOpeningInfo {
  roof: Id;
  is: RoofOpening['is'];
  /** What it takes out of the roof, in plan. */
  hole: Ring;
  /** Its own roof seen from above, face by face; a window’s is its hole. */
  seen: readonly Ring[];
  /** Heights of the roof’s top along its front, and of its own highest place. */
  frontMm: number;
  /** How large its glass is; null: it has none. */
  glass: { wideMm: number; highMm: number } | null;
}

declare module '../slants/assembly' {
  interface AssemblyInfo {
    roofOpening: RoofOpeningInfo;
  }
}

/** Sizes of an opening in millimetres. */
interface Sizes {
  widthMm: number;
  heightMm: number;
}

/** A roof opening worked out; or why not, with sizes that would fit. */
export type SolvedOpening =
  { made: Assembly<'roofOpening'> } | { fault: string; would: Partial<Sizes> | { upMm: number } | null };

/** None is made smaller than this, mm. */
const LEAST_SIZE_MM = 300;

function faceUnder({ info, parts }: Assembly<'pitchedRoof'>, edge: number, alongMm: number, upMm: number): Face | null {
  const sides = info.footprint.flatMap((ring) => ring.map((from, i) => ({ from, to: ring[(i + 1) % ring.length]! })));
  const side = sides[edge];
  if (!side) return null;
  const along = times(minus(side.to, side.from), 1 / distance(side.from, side.to));
  for (const inwards of [left(along), times(left(along), -1)]) {
    const at = (u: number, v: number) => quantised(plus(side.from, plus(times(along, u), times(inwards, v))));
    const front = at(alongMm, upMm + 1);
    const index = info.faces.findIndex((face) => face.edge === edge && contains(face.points, front));
    const face = info.faces[index];
    if (!face) continue;
    // Towards eaves that are cut square it grows thinner.
    const plumbMm = Math.max(...parts[index]!.slants.flat().map(({ topMm, bottomMm }) => topMm - bottomMm));
    if (!Number.isFinite(plumbMm)) continue;
    const steep = 1 / face.runPerRise;
    const low = lowest(face);
    const lowV = dot(minus(low, side.from), inwards);
    return {
      at,
      top: (v) => low.z + (v - lowV) * steep,
      steep,
      ring: face.points,
      plumbMm,
    };
  }
  return null;
}

const lowest = ({ points }: RoofFace) => points.reduce((a, b) => (b.z < a.z ? b : a));

function laid(face: Face, opening: RoofOpening, alongMm: number, upMm: number, sizes: Sizes): Laid | null {
  const { widthMm, heightMm } = sizes;
  const [a, b] = [alongMm - widthMm / 2, alongMm + widthMm / 2];
  const own = sinDeg(opening.slopeDeg) / cosDeg(opening.slopeDeg);
  const eaves = face.top(upMm) + heightMm;
  const corners = (...at: readonly (readonly [number, number])[]) => at.map(([u, v]) => face.at(u, v));
  if (opening.is === 'window') {
    const back = upMm + heightMm / Math.sqrt(1 + face.steep * face.steep);
    const hole = corners([a, upMm], [b, upMm], [b, back], [a, back]);
    return { a, b, front: upMm, back, ridge: back, over: (_, v) => face.top(v), hole };
  }
  if (opening.is === 'slope') {
    // Its roof has to be less steep than the one it comes out of.
    if (face.steep - own < 0.02) return null;
    const back = upMm + heightMm / (face.steep - own);
    const hole = corners([a, upMm], [b, upMm], [b, back], [a, back]);
    return { a, b, front: upMm, back, ridge: back, over: (_, v) => eaves + (v - upMm) * own, hole };
  }
  const middle = (a + b) / 2;
  const back = upMm + heightMm / face.steep;
  const ridge = upMm + (heightMm + (widthMm / 2) * own) / face.steep;
  return {
    a,
    b,
    front: upMm,
    back,
    ridge,
    over: (u) => eaves + (widthMm / 2 - Math.abs(u - middle)) * own,
    hole: corners([a, upMm], [b, upMm], [b, back], [middle, ridge], [a, back]),
  };
}

/** True where an opening lies within its face. */
function fits(face: Face, { hole, ridge, front }: Laid): boolean {
  const ring = counterClockwise(hole);
  const isIn = (at: Point) =>
    contains(face.ring, at) ||
    face.ring.some((from, i) => distanceToSegment(at, from, face.ring[(i + 1) % face.ring.length]!) < 0.5);
  if (ridge <= front + 1 || !ring.every(isIn)) return false;
  // A corner of the face may point into it.
  const area = Math.abs(ringArea(ring));
  return Math.abs(Math.abs(ringArea(clippedTo(ring, face.ring))) - area) < Math.max(50, area * 1e-6);
}

/** A roof opening worked out in its roof, before that is opened. */
export function solveRoofOpening(
  framework: Framework,
  opening: RoofOpening,
  roof: Assembly<'pitchedRoof'>,
): SolvedOpening {
  const mm = (length: RoofOpening['widthMm']) => mmOf(framework, length);
  const [alongMm, upMm] = [mm(opening.alongMm), mm(opening.upMm)];
  const sizes = { widthMm: mm(opening.widthMm), heightMm: mm(opening.heightMm) };
  const face = faceUnder(roof, opening.edge, alongMm, upMm);
  if (!face)
    return {
      fault: 'Its front lies in no face of that edge. Bring it onto one',
      would: upThatFits(roof, opening, alongMm),
    };
  const all = laid(face, opening, alongMm, upMm, sizes);
  if (!all) return { fault: 'Its roof is as steep as the roof it comes out of. Make it less steep', would: null };
  if (!fits(face, all))
    return {
      fault: 'It does not lie within its face. Make it lower or narrower, or move it',
      would: sizesThatFit(face, opening, alongMm, upMm, sizes),
    };
  const parts = partsOf(face, opening, all, {
    wallMm: mm(opening.wallMm),
    roofMm: mm(opening.roofMm),
    overhangMm: mm(opening.overhangMm),
  });
  const slants = parts.flatMap((part) => part.slants);
  const { a, b } = all;
  const overhang = opening.is === 'window' ? 0 : mm(opening.overhangMm);
  return {
    made: {
      thing: opening.id,
      kind: 'roofOpening',
      building: opening.building,
      name: opening.name,
      level: roof.level,
      ring: ringAbout(slants),
      ...reachOfSlants(slants),
      parts,
      info: {
        roof: roof.thing,
        is: opening.is,
        hole: counterClockwise(all.hole),
        seen: roofRings(all, opening.is, overhang).map((ring) => ring.map(([u, v]) => face.at(u, v))),
        frontMm: quantiseMm(face.top(upMm)),
        glass: glassOf(opening.is, parts, sizes, b - a - 2 * JAMB_MM - 2 * mm(opening.wallMm)),
      },
    },
  };
}

function glassOf(
  is: RoofOpening['is'],
  parts: Assembly['parts'],
  { widthMm, heightMm }: Sizes,
  wideMm: number,
): RoofOpeningInfo['glass'] {
  if (is === 'window') return { wideMm: widthMm, highMm: heightMm };
  const [corner] = parts.find(({ name }) => name === 'glass')?.slants[0] ?? [];
  return corner ? { wideMm, highMm: quantiseMm(corner.topMm - corner.bottomMm) } : null;
}

/** Glass of an opening, mm². */
export const glassMm2 = ({ glass }: RoofOpeningInfo): number => (glass ? glass.wideMm * glass.highMm : 0);

/** The least change of size that fits: lower, else narrower, else both in proportion; null: none does. */
function sizesThatFit(
  face: Face,
  opening: RoofOpening,
  alongMm: number,
  upMm: number,
  sizes: Sizes,
): Partial<Sizes> | null {
  const keep = (mm: number, share: number) => Math.max(LEAST_SIZE_MM, Math.floor(mm * share));
  const ways: ((share: number) => Partial<Sizes>)[] = [
    (share) => ({ heightMm: keep(sizes.heightMm, share) }),
    (share) => ({ widthMm: keep(sizes.widthMm, share) }),
    (share) => ({ widthMm: keep(sizes.widthMm, share), heightMm: keep(sizes.heightMm, share) }),
  ];
  for (const way of ways) {
    const tried = (share: number) => {
      const made = laid(face, opening, alongMm, upMm, { ...sizes, ...way(share) });
      return made !== null && fits(face, made);
    };
    if (!tried(0)) continue;
    let [low, high] = [0, 1];
    for (let i = 0; i < 40; i += 1) {
      const middle = (low + high) / 2;
      if (tried(middle)) low = middle;
      else high = middle;
    }
    return way(low);
  }
  return null;
}

/** How far up its front has to be to lie in a face of its edge; null: nowhere. */
function upThatFits(roof: Assembly<'pitchedRoof'>, { edge }: RoofOpening, alongMm: number): { upMm: number } | null {
  for (let upMm = 300; upMm < 20_000; upMm += 100) if (faceUnder(roof, edge, alongMm, upMm)) return { upMm };
  return null;
}
