import { plus, times, type Point } from '../geometry/point';
import { counterClockwise, ringArea, type Ring } from '../geometry/polygon';
import { levelSlant, slantsOfSide, type Slant } from '../slants/slant';
import { flightProfile } from './flight-profile';
import { undersideDropMm } from './underside';
import { runOfFlight, type Flight, type Landing, type TaperedTread } from './pieces';
import type { SolvedStair, StairStorey } from './solved-stair';

/** A stringer is so thick, and so is a closed riser between two treads, mm. */
const STRINGER_MM = 50;
const RISER_BOARD_MM = 20;

/** A part of a stair with level faces: an outline in plan between two heights. */
export interface LevelBody {
  ring: Ring;
  /** The same in convex parts. */
  parts: readonly Ring[];
  bottomMm: number;
  topMm: number;
}
/** A part of a flight that is the same all across: its side, x along the run and y the height, between two distances to the left. */
export interface SideBody {
  flight: Flight;
  side: readonly Point[];
  rightMm: number;
  leftMm: number;
}
export type StairBody = LevelBody | SideBody;

export const isSideBody = (body: StairBody): body is SideBody => 'side' in body;

/** The outline in plan of what is the same all across a flight. */
export function planOf({ flight, side, rightMm, leftMm }: SideBody): Ring {
  const { from, along } = flight;
  const xs = side.map(({ x }) => x);
  const [low, high] = [Math.min(...xs), Math.max(...xs)];
  const left: Point = { x: -along.y, y: along.x };
  const at = (x: number, y: number): Point => plus(from, plus(times(along, x), times(left, y)));
  return counterClockwise([at(low, rightMm), at(high, rightMm), at(high, leftMm), at(low, leftMm)]);
}

type Making = Pick<
  SolvedStair,
  'waistMm' | 'finishMm' | 'nosingMm' | 'landingMm' | 'carriedBy' | 'hasOpenRisers' | 'treadMm'
>;

/** What a flight is made of: one piece under its treads, or treads between two stringers. */
export function flightBodies(stair: Making, flight: Flight): StairBody[] {
  if (flight.treads < 1) return [];
  if (stair.carriedBy === 'waist') {
    const side = flightProfile(stair, flight);
    return side.length < 3 ? [] : [{ flight, side, rightMm: -flight.widthMm / 2, leftMm: flight.widthMm / 2 }];
  }
  const { from, along, widthMm, treads, goingMm, riserMm, bottomMm } = flight;
  const half = widthMm / 2;
  const left: Point = { x: -along.y, y: along.x };
  const at = (x: number, y: number): Point => plus(from, plus(times(along, x), times(left, y)));
  const inner = half - STRINGER_MM;
  const plate = (x0: number, x1: number, low: number, high: number): LevelBody => {
    const ring = counterClockwise([at(x0, -inner), at(x1, -inner), at(x1, inner), at(x0, inner)]);
    return { ring, parts: [ring], bottomMm: low, topMm: high };
  };
  const steps = Array.from({ length: treads }, (_, i): LevelBody[] => {
    const topMm = bottomMm + (i + 1) * riserMm - stair.finishMm;
    // A tread reaches under the next one by the nosing.
    const end = Math.min(runOfFlight(flight), (i + 1) * goingMm + Math.min(stair.nosingMm, goingMm / 2));
    const tread = plate(i * goingMm, end, topMm - stair.treadMm, topMm);
    const boardFoot = topMm - riserMm;
    return stair.hasOpenRisers || boardFoot >= tread.bottomMm
      ? [tread]
      : [tread, plate(i * goingMm, i * goingMm + RISER_BOARD_MM, Math.max(boardFoot, flight.footMm), tread.bottomMm)];
  }).flat();
  const side = stringerSide(stair, flight);
  return [...steps, { flight, side, rightMm: -half, leftMm: -inner }, { flight, side, rightMm: inner, leftMm: half }];
}

/** A stringer seen from its side: as deep, square to the pitch, as the waist would be; it stands on the floor. */
function stringerSide(stair: Making, flight: Flight): Ring {
  const { bottomMm, riserMm, goingMm, footMm } = flight;
  const run = runOfFlight(flight);
  const drop = undersideDropMm(stair, flight);
  const slope = riserMm / goingMm;
  const under = (x: number) => bottomMm - drop + x * slope;
  const depth = drop - stair.finishMm;
  // As far over the pitch line's middle as it needs to hold the treads' front edges.
  const over = (x: number) => under(x) + depth + riserMm;
  const meets = (footMm - under(0)) / slope;
  const foot: Point[] =
    meets > 1e-6
      ? [
          { x: 0, y: footMm },
          { x: Math.min(meets, run), y: footMm },
        ]
      : [{ x: 0, y: under(0) }];
  return counterClockwise([
    ...foot,
    ...(meets < run - 1e-6 ? [{ x: run, y: under(run) }] : []),
    { x: run, y: over(run) },
    { x: 0, y: over(0) },
  ]);
}

/** Where the underside of a tapered tread lies: its own step and the waist under it, or a plate. */
export function taperedUnderside(stair: Making, { topMm, riserMm, footMm }: TaperedTread): number {
  const thick = stair.carriedBy === 'waist' ? riserMm + stair.waistMm : stair.treadMm;
  return Math.max(Math.min(footMm, topMm - 1), topMm - stair.finishMm - thick);
}

export const taperedBody = (stair: Making, tread: TaperedTread): LevelBody => ({
  ring: tread.ring,
  parts: [tread.ring],
  bottomMm: taperedUnderside(stair, tread),
  topMm: tread.topMm - (stair.carriedBy === 'waist' ? 0 : stair.finishMm),
});

export const landingBody = (stair: Making, { ring, parts, topMm }: Landing): LevelBody => ({
  ring,
  parts,
  bottomMm: topMm - stair.finishMm - stair.landingMm,
  topMm,
});

/** All parts of a storey. */
export const bodiesOf = (stair: Making, { flights, tapered, landings }: StairStorey): StairBody[] => [
  ...flights.flatMap((flight) => flightBodies(stair, flight)),
  ...tapered.map((tread) => taperedBody(stair, tread)),
  ...landings.map((landing) => landingBody(stair, landing)),
];

/** Cubic metres of one part. */
export const volumeOf = (body: StairBody): number =>
  isSideBody(body)
    ? (Math.abs(ringArea(body.side)) * (body.leftMm - body.rightMm)) / 1e9
    : (Math.abs(ringArea(body.ring)) * (body.topMm - body.bottomMm)) / 1e9;

/** A part as pieces with even tops and undersides. */
export function slantsOf(body: StairBody): Slant[] {
  if (!isSideBody(body)) return [levelSlant(body.ring, body.bottomMm, body.topMm)];
  const { flight, side, rightMm, leftMm } = body;
  const { from, along } = flight;
  const left: Point = { x: -along.y, y: along.x };
  return slantsOfSide(side, (x, y) => plus(from, plus(times(along, x), times(left, y))), rightMm, leftMm);
}
