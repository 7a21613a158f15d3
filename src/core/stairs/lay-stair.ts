import { dot, minus, plus, times, type Point } from '../geometry/point';
import type { Ring } from '../geometry/polygon';
import { quantiseMm } from '../units/length-units';
import type { Steps } from './choose-steps';
import { landingDepth, layHalfTurn } from './half-turn';
import type { CorneredWell } from './cornered-well';
import { layCornered } from './lay-cornered';
import { layFlights } from './lay-flights';
import { FIRST_DEG, layRound } from './lay-round';
import { layHalfWinders, layQuarterWinders } from './lay-tapered';
import { wholeOpening } from './opening';
import { runOfFlight, type Flight, type Landing, type StairEnd, type TaperedTread } from './pieces';
import type { StairRules } from './rule-sets';
import { goesRound, type StairForm } from './stair-form';
import { placing, type Well } from './well';

/** Sizes of a stair within its well, millimetres. */
export interface StairSizes {
  well: Well;
  /** The well itself, where it is no rectangle. */
  cornered?: CorneredWell | null;
  turn: 'left' | 'right';
  flightWidthMm: number;
  floorLandingMm: number;
  /** How deep landings on the way are at least. */
  landingMm: number;
  rules: StairRules;
}

/** A place of the walking line: where a step riser is climbed, or a corner on a landing. */
export interface WalkPlace {
  at: Point;
  /** Height once one has passed it. */
  mm: number;
  /** The number of the step riser, from 1. */
  riser: number | null;
}

/** A storey of a stair as it stands in its well. */
export interface LaidStair {
  flights: Flight[];
  tapered: TaperedTread[];
  landings: Landing[];
  /** The hole where all of the well is open. */
  opening: Ring;
  walk: WalkPlace[];
  foot: StairEnd;
  head: StairEnd;
  /** Depth of landings at the narrowest place; null where there are none. */
  landingDepthMm: number | null;
  /** Where the next storey begins, where that turns on. */
  nextDeg: number;
}

type Laid = Pick<LaidStair, 'flights' | 'tapered' | 'landings' | 'opening' | 'landingDepthMm'> & { nextDeg?: number };

/** The pieces of a storey of any form, from the floor at `bottomMm`; nothing of it goes below `footMm`. */
export function layStair(
  form: StairForm,
  sizes: StairSizes,
  steps: Steps,
  bottomMm: number,
  footMm: number,
  startDeg = FIRST_DEG,
): LaidStair {
  const laid = piecesOf(form, sizes, steps, bottomMm, footMm, startDeg);
  const { flights, tapered } = laid;
  const ends = [...flights.map(flightEnds), ...tapered.map(taperedEnds)].sort((a, b) => a.mm - b.mm);
  return {
    nextDeg: startDeg,
    ...laid,
    walk: walkOf(laid),
    foot: ends[0]!.from,
    head: ends.at(-1)!.to,
  };
}

function piecesOf(
  form: StairForm,
  sizes: StairSizes,
  steps: Steps,
  bottomMm: number,
  footMm: number,
  startDeg: number,
): Laid {
  const { well, turn, flightWidthMm, floorLandingMm, rules } = sizes;
  const place = placing(well, turn);
  const inWell = { well, placing: place, flightWidthMm, floorLandingMm, rules };
  if (sizes.cornered && goesRound(form)) {
    const round = { well: sizes.cornered, flightWidthMm, floorLandingMm };
    return { ...layCornered(form, round, steps, bottomMm, footMm), tapered: [], landingDepthMm: flightWidthMm };
  }
  switch (form) {
    case 'halfLanding': {
      const half = { well, turn, flightWidthMm, floorLandingMm };
      const { flights, landing } = layHalfTurn(half, steps, bottomMm, footMm);
      const landingDepthMm = quantiseMm(landingDepth(half, steps));
      return { flights, tapered: [], landings: [landing], opening: wholeOpening(half), landingDepthMm };
    }
    case 'quarterWinders':
    case 'halfWinders': {
      const lay = form === 'halfWinders' ? layHalfWinders : layQuarterWinders;
      const { flights, tapered, opening } = lay(inWell, steps, bottomMm, footMm);
      return { flights, tapered, landings: [], opening: place.ring(opening), landingDepthMm: null };
    }
    case 'spiral':
    case 'circular': {
      const { tapered, landings, opening, nextDeg } = layRound(
        inWell,
        steps,
        bottomMm,
        footMm,
        startDeg,
        sizes.landingMm,
      );
      const landingDepthMm = landings.length > 0 ? sizes.landingMm : null;
      return { flights: [], tapered, landings, opening: place.ring(opening), landingDepthMm, nextDeg };
    }
    default: {
      const { flights, landings } = layFlights(form, turned(sizes), steps, bottomMm, footMm);
      const [x0, w] = [floorLandingMm, flightWidthMm];
      const run = runOfFlight(flights[0]!);
      const far = form === 'straight' ? x0 + run : well.lengthMm;
      // Four flights come back to the corner where one came in: the floor is there.
      const corners: [number, number][] =
        form === 'fourFlight'
          ? [
              [x0 + w, 0],
              [far, 0],
              [far, well.widthMm],
              [x0, well.widthMm],
              [x0, w],
              [x0 + w, w],
            ]
          : [
              [x0, 0],
              [far, 0],
              [far, well.widthMm],
              [x0, well.widthMm],
            ];
      const landingDepthMm = landings.length === 0 ? null : quantiseMm(leastDepth(form, sizes, flights));
      return { flights, tapered: [], landings, opening: place.ring(corners), landingDepthMm };
    }
  }
}

const turned = ({ well, turn, flightWidthMm, floorLandingMm }: StairSizes) => ({
  well,
  turn,
  flightWidthMm,
  floorLandingMm,
});

/** Landings in corners are as deep as flights are wide; one between two flights has what they leave. */
function leastDepth(form: StairForm, { well, flightWidthMm, floorLandingMm }: StairSizes, flights: Flight[]): number {
  if (form !== 'straightLanding') return flightWidthMm;
  return well.lengthMm - floorLandingMm - flights.reduce((sum, flight) => sum + runOfFlight(flight), 0);
}

const flightEnds = (flight: Flight): { mm: number; from: StairEnd; to: StairEnd } => {
  const { from: at, along, bottomMm } = flight;
  return {
    mm: bottomMm,
    from: { at, along },
    to: { at: plus(at, times(along, runOfFlight(flight))), along },
  };
};

function taperedEnds({ at, along, topMm, riserMm, next, nosing }: TaperedTread): {
  mm: number;
  from: StairEnd;
  to: StairEnd;
} {
  // One walks as far from the narrow end of the next nosing, square to that.
  const share = shareOf(nosing, at);
  const side = minus(next[1], next[0]);
  const length = Math.sqrt(dot(side, side));
  const square = { x: -side.y / length, y: side.x / length };
  return {
    mm: topMm - riserMm,
    from: { at, along },
    to: {
      at: plus(next[0], times(side, share)),
      along: dot(square, along) < 0 ? times(square, -1) : square,
    },
  };
}

/** How far along a nosing a place on it is, 0 to 1. */
function shareOf([from, to]: readonly [Point, Point], at: Point): number {
  const side = minus(to, from);
  return dot(minus(at, from), side) / dot(side, side);
}

/** The way one walks up: over every step riser, round the corners of landings. */
function walkOf({ flights, tapered, landings }: Pick<Laid, 'flights' | 'tapered' | 'landings'>): WalkPlace[] {
  const onFlights = flights.flatMap(({ from, along, risers, goingMm, bottomMm, riserMm }) =>
    Array.from({ length: risers }, (_, k) => ({
      at: plus(from, times(along, k * goingMm)),
      along,
      mm: bottomMm + (k + 1) * riserMm,
      isFlight: true,
    })),
  );
  const onTapered = tapered.map(({ at, along, topMm }) => ({ at, along, mm: topMm }));
  // Round stairs end at a nosing that no tread of theirs follows, and begin anew after a landing.
  const roundEnds = flights.length > 0 ? [] : roundArrivals(tapered, landings);
  const steps = [...onFlights, ...onTapered, ...roundEnds].sort((a, b) => a.mm - b.mm);
  return steps.flatMap((step, i): WalkPlace[] => {
    const here: WalkPlace = { at: step.at, mm: step.mm, riser: i + 1 };
    const next = steps[i + 1];
    if (!next || flights.length === 0) return [here];
    const isRoundCorner = 'isFlight' in step && 'isFlight' in next;
    return [here, ...cornersBetween(step, next, isRoundCorner).map((at) => ({ at, mm: step.mm, riser: null }))];
  });
}

/** The last risers of the flights of a round stair: onto its landings, onto the floor. */
function roundArrivals(tapered: readonly TaperedTread[], landings: readonly Landing[]) {
  const ends = [...landings.map(({ topMm }) => topMm), Infinity].flatMap(
    (topMm) => tapered.filter((tread) => tread.topMm < topMm - 1e-6).at(-1) ?? [],
  );
  return [...new Set(ends)].map((before) => {
    const { to } = taperedEnds(before);
    return { at: to.at, along: to.along, mm: before.topMm + before.riserMm };
  });
}

/** Lines that part by less (by the sine of it) go on as one, or come back beside one another. */
const TURN = 0.05;
/** From one tapered tread to the next one turns without a corner. */
const SHARP_TURN = 0.5;

/** Where one turns between two places, walking straight on from one and straight on to the other. */
function cornersBetween(
  a: { at: Point; along: Point },
  b: { at: Point; along: Point },
  isBetweenFlights: boolean,
): Point[] {
  const turn = a.along.x * b.along.y - a.along.y * b.along.x;
  const between = minus(b.at, a.at);
  if (Math.abs(turn) > (isBetweenFlights ? TURN : SHARP_TURN)) {
    const ahead = (between.x * b.along.y - between.y * b.along.x) / turn;
    return ahead > 1 ? [plus(a.at, times(a.along, ahead))] : [];
  }
  if (dot(a.along, b.along) > 0) return [];
  // Half a turn: as far into the landing as half the way across.
  const across = { x: -a.along.y, y: a.along.x };
  const reach = Math.abs(dot(between, across)) / 2;
  const far = Math.max(0, dot(between, a.along)) + reach;
  return [plus(a.at, times(a.along, far)), plus(b.at, times(a.along, far - dot(between, a.along)))];
}
