import { times, type Point } from '../geometry/point';
import { cosDeg, sinDeg } from '../geometry/trig';
import type { Steps } from './choose-steps';
import { innerFor, walkingLine } from './form-of-stair';
import type { Flight, TaperedTread } from './pieces';
import type { StairRules } from './rule-sets';
import type { Placing, Well } from './well';

/** Sizes of a stair with tapered treads within its well, millimetres. */
export interface TaperedSizes {
  well: Well;
  placing: Placing;
  flightWidthMm: number;
  floorLandingMm: number;
  rules: StairRules;
}

/** Tapered treads about a point, in the axes of the well: from one angle to another, the wide ends where `outer` says. */
interface Fan {
  about: readonly [x: number, y: number];
  innerMm: number;
  /** How far out the wide end is at an angle. */
  outer: (deg: number) => number;
  /** Angles where the wide side has a corner, or is given another for a curve, on the way. */
  corners: readonly number[];
  fromDeg: number;
  toDeg: number;
  treads: number;
  /** Where one walks, from the point. */
  walkMm: number;
}

/** Where its first tread's step riser begins, the step's height, and what nothing of it goes below. */
interface Rising {
  bottomMm: number;
  riserMm: number;
  footMm: number;
}

const DEG_GRAIN = 1e-6;

/** The treads of a fan, all of one angle. */
export function fanOf(fan: Fan, { bottomMm, riserMm, footMm }: Rising, placing: Placing): TaperedTread[] {
  const { about, innerMm, outer, corners, fromDeg, toDeg, treads, walkMm } = fan;
  const polar = (deg: number, mm: number) => [about[0] + cosDeg(deg) * mm, about[1] + sinDeg(deg) * mm] as const;
  const angle = (i: number) => fromDeg + ((toDeg - fromDeg) * i) / treads;
  const line = (deg: number): [Point, Point] => [
    placing.at(...polar(deg, innerMm)),
    placing.at(...polar(deg, outer(deg))),
  ];
  return Array.from({ length: treads }, (_, i): TaperedTread => {
    const [from, to] = [angle(i), angle(i + 1)];
    const between = corners.filter((deg) => deg > from + DEG_GRAIN && deg < to - DEG_GRAIN);
    const wide = [from, ...between, to].map((deg) => polar(deg, outer(deg)));
    const narrow = innerMm > 1e-6 ? [polar(to, innerMm), polar(from, innerMm)] : [polar(from, 0)];
    return {
      ring: placing.ring([...wide, ...narrow]),
      about: placing.at(...about),
      nosing: line(from),
      next: line(to),
      at: placing.at(...polar(from, walkMm)),
      along: placing.way(-sinDeg(from), cosDeg(from)),
      topMm: bottomMm + (i + 1) * riserMm,
      riserMm,
      footMm,
    };
  });
}

/** A straight flight in the axes of the well, going a cardinal way. */
interface StraightPart {
  from: readonly [x: number, y: number];
  way: readonly [x: number, y: number];
  risers: number;
  treads: number;
  bottomMm: number;
}

function straightFlight(
  { from: [x, y], way: [dx, dy], risers, treads, bottomMm }: StraightPart,
  { riserMm, goingMm }: Steps,
  widthMm: number,
  footMm: number,
  placing: Placing,
): Flight {
  const run = treads * goingMm;
  const [sx, sy] = [(-dy * widthMm) / 2, (dx * widthMm) / 2];
  const [ex, ey] = [x + dx * run, y + dy * run];
  return {
    from: placing.at(x, y),
    along: placing.way(dx, dy),
    widthMm,
    risers,
    treads,
    riserMm,
    goingMm,
    bottomMm,
    footMm,
    ring:
      run < 1
        ? null
        : placing.ring([
            [x - sx, y - sy],
            [ex - sx, ey - sy],
            [ex + sx, ey + sy],
            [x + sx, y + sy],
          ]),
  };
}

const QUARTER_DEG = 90;
/** How far a square's side is, seen from its middle or its corner, at an angle. */
const toSquare =
  (acrossMm: number, alongMm: number) =>
  (deg: number): number => {
    const [c, s] = [Math.abs(cosDeg(deg)), Math.abs(sinDeg(deg))];
    return Math.min(c > 1e-12 ? alongMm / c : Infinity, s > 1e-12 ? acrossMm / s : Infinity);
  };

/** Flights and tapered treads, and the hole they arrive through when all of the well is open. */
interface LaidTapered {
  flights: Flight[];
  tapered: TaperedTread[];
  opening: readonly (readonly [x: number, y: number])[];
}

/** Up along the right side, round the far corner, to the left. What the well is longer than that lies before the foot. */
export function layQuarterWinders(sizes: TaperedSizes, steps: Steps, bottomMm: number, footMm: number): LaidTapered {
  const { well, placing, flightWidthMm: w, floorLandingMm, rules } = sizes;
  const [before, turn, after] = steps.flights as [number, number, number];
  const { riserMm, goingMm } = steps;
  const walk = walkingLine(rules, w);
  const inner = Math.max(innerFor(turn, Math.PI / 2, rules), (turn * goingMm) / (Math.PI / 2) - walk, 0);
  const side = w + inner;
  const zone = well.lengthMm - side;
  const start = Math.max(floorLandingMm, zone - before * goingMm);
  const risen = (count: number) => bottomMm + count * riserMm;
  const tapered = fanOf(
    {
      about: [zone, side],
      innerMm: inner,
      outer: toSquare(side, side),
      corners: [-QUARTER_DEG / 2],
      fromDeg: -QUARTER_DEG,
      toDeg: 0,
      treads: turn,
      walkMm: inner + walk,
    },
    { bottomMm: risen(before), riserMm, footMm },
    placing,
  );
  const part = (each: StraightPart) => straightFlight(each, steps, w, footMm, placing);
  const arrives = side + (after - 1) * goingMm;
  return {
    flights: [
      part({ from: [start, w / 2], way: [1, 0], risers: before, treads: before, bottomMm }),
      part({
        from: [well.lengthMm - w / 2, side],
        way: [0, 1],
        risers: after,
        treads: after - 1,
        bottomMm: risen(before + turn),
      }),
    ],
    tapered,
    opening: [
      [floorLandingMm, 0],
      [well.lengthMm, 0],
      [well.lengthMm, arrives],
      [floorLandingMm, arrives],
    ],
  };
}

/** Up along the right side, round the middle of the far end, and back along the left. */
export function layHalfWinders(sizes: TaperedSizes, steps: Steps, bottomMm: number, footMm: number): LaidTapered {
  const { well, placing, flightWidthMm: w, rules } = sizes;
  const [before, turn, after] = steps.flights as [number, number, number];
  const { riserMm, goingMm } = steps;
  const inner = well.widthMm / 2 - w;
  const side = w + inner;
  const zone = well.lengthMm - side;
  const risen = (count: number) => bottomMm + count * riserMm;
  const tapered = fanOf(
    {
      about: [zone, well.widthMm / 2],
      innerMm: inner,
      outer: toSquare(side, side),
      corners: [-QUARTER_DEG / 2, QUARTER_DEG / 2],
      fromDeg: -QUARTER_DEG,
      toDeg: QUARTER_DEG,
      treads: turn,
      walkMm: inner + walkingLine(rules, w),
    },
    { bottomMm: risen(before), riserMm, footMm },
    placing,
  );
  const part = (each: StraightPart) => straightFlight(each, steps, w, footMm, placing);
  const arrives = zone - (after - 1) * goingMm;
  return {
    flights: [
      part({ from: [zone - before * goingMm, w / 2], way: [1, 0], risers: before, treads: before, bottomMm }),
      part({
        from: [zone, well.widthMm - w / 2],
        way: [-1, 0],
        risers: after,
        treads: after - 1,
        bottomMm: risen(before + turn),
      }),
    ],
    tapered,
    opening: [
      [arrives, 0],
      [well.lengthMm, 0],
      [well.lengthMm, well.widthMm],
      [arrives, well.widthMm],
    ],
  };
}

/** The middle of a tread, where one walks. */
export const middleOf = ({ ring }: TaperedTread): Point =>
  times(
    ring.reduce((sum, point) => ({ x: sum.x + point.x, y: sum.y + point.y }), { x: 0, y: 0 }),
    1 / ring.length,
  );
