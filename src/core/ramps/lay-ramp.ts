import { plus, quantised, times, type Point } from '../geometry/point';
import { counterClockwise, type Ring } from '../geometry/polygon';
import { cosDeg, sinDeg } from '../geometry/trig';
import { levelSlant, slantOf, type Slant } from '../slants/slant';
import type { RampCandidate } from './ramp-candidates';
import type { Ramp } from './ramp';

/** Sizes of a ramp, millimetres; heights are those of its top. */
export interface RampSizes {
  form: Ramp['form'];
  at: Point;
  /** The way one goes at its foot, degrees. */
  towardsDeg: number;
  turn: Ramp['turn'];
  widthMm: number;
  gapMm: number;
  thicknessMm: number;
  radiusMm: number;
  segments: number;
  kerbMm: number;
}

/** A flight or landing of a ramp. */
export interface RampPart {
  is: 'flight' | 'landing';
  /** In plan, convex pieces: their tops are even. */
  slants: Slant[];
  ring: Ring;
}

export interface LaidRamp {
  parts: RampPart[];
  kerbs: Slant[];
  /** The way one goes, with heights. */
  walk: (Point & { mm: number })[];
  head: { at: Point; along: Point };
}

/** A stretch of the way: straight, or round a middle by some degrees. */
interface Stretch {
  is: RampPart['is'];
  lengthMm: number;
  riseMm: number;
}

const DEG = 180 / Math.PI;

/** The flights and landings of a ramp, from `bottomMm` up or down. */
export function layRamp(sizes: RampSizes, way: RampCandidate, bottomMm: number): LaidRamp {
  const { form } = sizes;
  const sign = way.riseMm < 0 ? -1 : 1;
  const rise = (sign * Math.abs(way.riseMm)) / way.flights;
  const stretches = Array.from({ length: way.flights }, (_, i): Stretch[] => [
    { is: 'flight', lengthMm: way.flightRunMm, riseMm: rise },
    ...(i < way.flights - 1 ? [{ is: 'landing' as const, lengthMm: way.landingMm, riseMm: 0 }] : []),
  ]).flat();
  return form === 'circular' ? layRound(sizes, stretches, bottomMm) : layStraight(sizes, stretches, bottomMm);
}

/** One goes on along `along`; a landing is where one turns, in forms that do. */
function layStraight(sizes: RampSizes, stretches: readonly Stretch[], bottomMm: number): LaidRamp {
  const { form, widthMm: w, gapMm, thicknessMm, kerbMm } = sizes;
  const side = sizes.turn === 'left' ? 1 : -1;
  const landings = stretches.filter(({ is }) => is === 'landing').length;
  // Round the corner as near to the middle of the way as there is a landing.
  const cornerAt = form === 'quarter' ? Math.floor((landings - 1) / 2) : -1;
  let [at, along, mm, passed] = [sizes.at, direction(sizes.towardsDeg), bottomMm, 0];
  const laid: LaidRamp = { parts: [], kerbs: [], walk: [{ ...at, mm }], head: { at, along } };
  const left = () => ({ x: -along.y, y: along.x });
  let swing = side;
  const place = (x: number, y: number) => quantised(plus(at, plus(times(along, x), times(left(), y))));
  for (const { is, lengthMm, riseMm } of stretches) {
    if (is === 'flight') {
      const corners = [place(0, -w / 2), place(lengthMm, -w / 2), place(lengthMm, w / 2), place(0, w / 2)];
      const tops = [mm, mm + riseMm, mm + riseMm, mm];
      const slant = slantOf(corners.map((p, i) => ({ ...p, topMm: tops[i]!, bottomMm: tops[i]! - thicknessMm })));
      laid.parts.push({ is, slants: [slant], ring: counterClockwise(corners) });
      if (kerbMm > 0)
        for (const edge of [-1, 1])
          laid.kerbs.push(
            slantOf(
              [
                [0, edge * (w / 2 - KERB_WIDE_MM)],
                [lengthMm, edge * (w / 2 - KERB_WIDE_MM)],
                [lengthMm, (edge * w) / 2],
                [0, (edge * w) / 2],
              ].map(([x, y], i) => ({ ...place(x!, y!), topMm: tops[i]! + kerbMm, bottomMm: tops[i]! })),
            ),
          );
      at = place(lengthMm, 0);
      mm += riseMm;
      laid.walk.push({ ...at, mm });
      continue;
    }
    const deep = form === 'switchback' || passed === cornerAt ? Math.max(lengthMm, w) : lengthMm;
    if (form === 'switchback') {
      const across = swing * (w + gapMm);
      const [low, high] = [Math.min(0, across) - w / 2, Math.max(0, across) + w / 2];
      landing(laid, [place(0, low), place(deep, low), place(deep, high), place(0, high)], mm, thicknessMm);
      laid.walk.push({ ...place(deep / 2, 0), mm }, { ...place(deep / 2, across), mm });
      at = place(0, across);
      along = times(along, -1);
      swing = -swing;
      laid.walk.push({ ...at, mm });
    } else {
      landing(laid, [place(0, -w / 2), place(deep, -w / 2), place(deep, w / 2), place(0, w / 2)], mm, thicknessMm);
      if (passed === cornerAt) {
        // It leaves over the side one turns to, at the landing's far end.
        const out = place(deep - w / 2, (side * w) / 2);
        laid.walk.push({ ...place(deep - w / 2, 0), mm });
        along = times(left(), side);
        at = out;
      } else at = place(deep, 0);
      laid.walk.push({ ...at, mm });
    }
    passed += 1;
  }
  laid.head = { at, along };
  return laid;
}

/** A kerb is so wide, mm. */
const KERB_WIDE_MM = 100;

function landing(laid: LaidRamp, corners: Point[], mm: number, thicknessMm: number): void {
  const ring = counterClockwise(corners);
  laid.parts.push({ is: 'landing', slants: [levelSlant(ring, mm - thicknessMm, mm)], ring });
}

/** Round the middle that lies to the side one turns to: pieces between rays, each of two triangles where it rises. */
function layRound(sizes: RampSizes, stretches: readonly Stretch[], bottomMm: number): LaidRamp {
  const { widthMm: w, thicknessMm, radiusMm, kerbMm } = sizes;
  const side = sizes.turn === 'left' ? 1 : -1;
  const along = direction(sizes.towardsDeg);
  const middle = plus(sizes.at, times({ x: -along.y, y: along.x }, side * radiusMm));
  const total = stretches.reduce((sum, { lengthMm }) => sum + lengthMm, 0);
  const startDeg = sizes.towardsDeg - side * 90;
  const ray = (runMm: number, radius: number): Point => {
    const deg = startDeg + side * (runMm / radiusMm) * DEG;
    return quantised(plus(middle, { x: cosDeg(deg) * radius, y: sinDeg(deg) * radius }));
  };
  const [inner, outer] = [radiusMm - w / 2, radiusMm + w / 2];
  const laid: LaidRamp = { parts: [], kerbs: [], walk: [{ ...sizes.at, mm: bottomMm }], head: { at: sizes.at, along } };
  let [run, mm] = [0, bottomMm];
  for (const { is, lengthMm, riseMm } of stretches) {
    const count = Math.max(1, Math.round((sizes.segments * lengthMm) / total));
    const [slants, inside, outside]: [Slant[], Point[], Point[]] = [[], [], []];
    for (let i = 0; i < count; i += 1) {
      const [from, to] = [run + (lengthMm * i) / count, run + (lengthMm * (i + 1)) / count];
      const [low, high] = [mm + (riseMm * i) / count, mm + (riseMm * (i + 1)) / count];
      const corner = (p: Point, topMm: number, over = thicknessMm) => ({ ...p, topMm, bottomMm: topMm - over });
      const [a, b, c, d] = [ray(from, inner), ray(from, outer), ray(to, outer), ray(to, inner)];
      slants.push(slantOf([corner(a, low), corner(b, low), corner(c, high)]));
      slants.push(slantOf([corner(a, low), corner(c, high), corner(d, high)]));
      if (kerbMm > 0 && is === 'flight')
        for (const [near, far] of [
          [inner, inner + KERB_WIDE_MM],
          [outer - KERB_WIDE_MM, outer],
        ] as const) {
          const kerb = (p: Point, topMm: number) => ({ ...p, topMm: topMm + kerbMm, bottomMm: topMm });
          const [p, q, r, s] = [ray(from, near), ray(from, far), ray(to, far), ray(to, near)];
          laid.kerbs.push(slantOf([kerb(p, low), kerb(q, low), kerb(r, high)]));
          laid.kerbs.push(slantOf([kerb(p, low), kerb(r, high), kerb(s, high)]));
        }
      inside.push(a);
      outside.push(b);
      laid.walk.push({ ...ray(to, radiusMm), mm: high });
    }
    run += lengthMm;
    mm += riseMm;
    inside.push(ray(run, inner));
    outside.push(ray(run, outer));
    laid.parts.push({ is, slants, ring: counterClockwise([...outside, ...inside.reverse()]) });
  }
  const endDeg = sizes.towardsDeg + side * (run / radiusMm) * DEG;
  laid.head = { at: ray(run, radiusMm), along: direction(endDeg) };
  return laid;
}

const direction = (deg: number): Point => ({ x: cosDeg(deg), y: sinDeg(deg) });
