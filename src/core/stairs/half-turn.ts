import { times } from '../geometry/point';
import { counterClockwise, type Ring } from '../geometry/polygon';
import { runOf, type Steps } from './choose-steps';
import type { Flight, Landing } from './pieces';
import { inWell, wellRing, type Well } from './well';

/** Sizes of a half-turn stair within its well, millimetres. */
export interface HalfTurn {
  well: Well;
  turn: 'left' | 'right';
  flightWidthMm: number;
  floorLandingMm: number;
}

/** The stretch across the well of the flight that leaves the floor, and of the one that comes back. */
export function strips({ well, turn, flightWidthMm: w }: HalfTurn): { out: [number, number]; back: [number, number] } {
  const [right, left]: [number, number][] = [
    [0, w],
    [well.widthMm - w, well.widthMm],
  ];
  return turn === 'left' ? { out: right!, back: left! } : { out: left!, back: right! };
}

/** Flights and half landing of a storey, from the floor at `bottomMm`. */
export function layHalfTurn(
  sizes: HalfTurn,
  steps: Steps,
  bottomMm: number,
  footMm: number,
): { flights: [Flight, Flight]; landing: Landing } {
  const { well, flightWidthMm, floorLandingMm: x0 } = sizes;
  const { out, back } = strips(sizes);
  const [first, second] = steps.flights as [number, number];
  const { riserMm, goingMm } = steps;
  const middle = ([a, b]: [number, number]) => (a + b) / 2;
  const ends = [x0 + runOf(first, goingMm), x0 + runOf(second, goingMm)] as const;
  const landingMm = bottomMm + first * riserMm;
  const common = { widthMm: flightWidthMm, riserMm, goingMm };
  const ring = ([y0, y1]: [number, number], end: number) => (end - x0 < 1 ? null : wellRing(well, x0, y0, end, y1));
  const flights: [Flight, Flight] = [
    {
      ...common,
      from: inWell(well, x0, middle(out)),
      along: well.inwards,
      risers: first,
      treads: first - 1,
      bottomMm,
      footMm,
      ring: ring(out, ends[0]),
    },
    {
      ...common,
      from: inWell(well, ends[1], middle(back)),
      along: times(well.inwards, -1),
      risers: second,
      treads: second - 1,
      bottomMm: landingMm,
      footMm,
      ring: ring(back, ends[1]),
    },
  ];
  return { flights, landing: { ...landingRings(sizes, ends, out, back), topMm: landingMm } };
}

/** From the flights' ends to the far side of the well; stepped where one flight is longer than the other. */
function landingRings(
  { well }: HalfTurn,
  [outEnd, backEnd]: readonly [number, number],
  out: [number, number],
  back: [number, number],
): { ring: Ring; parts: Ring[] } {
  const { lengthMm, widthMm } = well;
  const [low, high] = out[0] < back[0] ? [outEnd, backEnd] : [backEnd, outEnd];
  const common = wellRing(well, Math.max(low, high), 0, lengthMm, widthMm);
  if (Math.abs(low - high) < 1e-6) return { ring: common, parts: [common] };
  // The deeper part reaches to the edge of the longer flight.
  const step = low < high ? Math.max(out[0], back[0]) : Math.min(out[1], back[1]);
  const corners: [number, number][] = [
    [low, 0],
    [lengthMm, 0],
    [lengthMm, widthMm],
    [high, widthMm],
    [high, step],
    [low, step],
  ];
  const deeper = low < high ? wellRing(well, low, 0, high, step) : wellRing(well, high, step, low, widthMm);
  return { ring: counterClockwise(corners.map(([x, y]) => inWell(well, x, y))), parts: [common, deeper] };
}

/** How deep the half landing is at its narrower place. */
export const landingDepth = ({ well, floorLandingMm }: HalfTurn, steps: Steps): number =>
  well.lengthMm - floorLandingMm - runOf(Math.max(...steps.flights), steps.goingMm);
