import type { Point } from '../geometry/point';
import { counterClockwise, type Ring } from '../geometry/polygon';
import { runOf } from './choose-steps';
import type { Flight, Landing } from './pieces';
import { inWell, wellRing, type Well } from './well';

/** Forms of straight flights with landings between them; the half-turn one is laid by itself. */
export type FlightsForm = 'straight' | 'straightLanding' | 'quarterLanding' | 'threeFlight' | 'fourFlight';

/** Sizes of a stair of straight flights within its well, millimetres. */
export interface FlightsSizes {
  well: Well;
  /** The way one turns going up. */
  turn: 'left' | 'right';
  flightWidthMm: number;
  /** The floors' landing within the well, where one comes in. */
  floorLandingMm: number;
}

export interface FlightSteps {
  flights: readonly number[];
  riserMm: number;
  goingMm: number;
}

/** A rectangle of the well in its own axes, for who turns left. */
type Box = readonly [x0: number, y0: number, x1: number, y1: number];
/** Where a flight begins, which way it climbs, in the axes of the well for who turns left. */
interface Laid {
  x: number;
  y: number;
  way: 'inwards' | 'left' | 'outwards' | 'right';
}

const WAYS: Record<Laid['way'], readonly [x: number, y: number]> = {
  inwards: [1, 0],
  left: [0, 1],
  outwards: [-1, 0],
  right: [0, -1],
};

/**
 * Flights and landings of a storey within a well, from the floor at `bottomMm`. What a well is longer or wider than it must be is in its
 * landings, so that a stair begins and arrives at the sides of its well.
 */
export function layFlights(
  form: FlightsForm,
  sizes: FlightsSizes,
  steps: FlightSteps,
  bottomMm: number,
  footMm: number,
): { flights: Flight[]; landings: Landing[] } {
  const { well, flightWidthMm: w } = sizes;
  const { laid, landings } = LAYOUTS[form](
    sizes,
    steps.flights.map((risers) => runOf(risers, steps.goingMm)),
  );
  const isLeft = sizes.turn === 'left';
  const y = (left: number) => (isLeft ? left : well.widthMm - left);
  const ringOf = ([x0, y0, x1, y1]: Box): Ring =>
    wellRing(well, x0, Math.min(y(y0), y(y1)), x1, Math.max(y(y0), y(y1)));
  let risen = 0;
  const tops: number[] = [];
  const flights = laid.map((each, i): Flight => {
    const risers = steps.flights[i]!;
    const [dx, dy] = WAYS[each.way];
    const along: Point = {
      x: well.inwards.x * dx + well.left.x * (isLeft ? dy : -dy),
      y: well.inwards.y * dx + well.left.y * (isLeft ? dy : -dy),
    };
    const run = runOf(risers, steps.goingMm);
    const [toX, toY] = [each.x + dx * run, each.y + dy * run];
    const half: readonly [number, number] = [(Math.abs(dy) * w) / 2, (Math.abs(dx) * w) / 2];
    const flight: Flight = {
      from: inWell(well, each.x, y(each.y)),
      along,
      widthMm: w,
      risers,
      treads: risers - 1,
      riserMm: steps.riserMm,
      goingMm: steps.goingMm,
      bottomMm: bottomMm + risen * steps.riserMm,
      footMm,
      ring:
        run < 1
          ? null
          : ringOf([
              Math.min(each.x, toX) - half[0],
              Math.min(each.y, toY) - half[1],
              Math.max(each.x, toX) + half[0],
              Math.max(each.y, toY) + half[1],
            ]),
    };
    risen += risers;
    tops.push(bottomMm + risen * steps.riserMm);
    return flight;
  });
  return {
    flights,
    landings: landings.map((boxes, i): Landing => {
      const parts = boxes.filter(([x0, y0, x1, y1]) => x1 - x0 > 1e-6 && y1 - y0 > 1e-6).map(ringOf);
      const ring = counterClockwise(cornersOf(boxes).map(([x, left]) => inWell(well, x, y(left))));
      return { ring, parts, topMm: tops[i]! };
    }),
  };
}

/** A landing in one or two rectangles as corners: the second lies against the first, over or under it, along its far side. */
function cornersOf([a, b]: readonly Box[]): [x: number, y: number][] {
  const [ax0, ay0, ax1, ay1] = a!;
  if (!b || b[3] - b[1] < 1e-6)
    return [
      [ax0, ay0],
      [ax1, ay0],
      [ax1, ay1],
      [ax0, ay1],
    ];
  const [bx0, by0, , by1] = b;
  const isOver = by0 >= ay1 - 1e-6;
  return isOver
    ? [
        [ax0, ay0],
        [ax1, ay0],
        [ax1, by1],
        [bx0, by1],
        [bx0, ay1],
        [ax0, ay1],
      ]
    : [
        [bx0, by0],
        [ax1, by0],
        [ax1, ay1],
        [ax0, ay1],
        [ax0, ay0],
        [bx0, ay0],
      ];
}

type Layout = (sizes: FlightsSizes, runs: readonly number[]) => { laid: Laid[]; landings: Box[][] };

/** In a wider well a straight stair keeps to its middle. */
const straight: Layout = ({ well, floorLandingMm: x0 }) => ({
  laid: [{ x: x0, y: well.widthMm / 2, way: 'inwards' }],
  landings: [],
});

const straightLanding: Layout = ({ well, flightWidthMm: w, floorLandingMm: x0 }, [first, second]) => {
  const y = well.widthMm / 2;
  const [from, to] = [x0 + first!, well.lengthMm - second!];
  return {
    laid: [
      { x: x0, y, way: 'inwards' },
      { x: to, y, way: 'inwards' },
    ],
    landings: [[[from, y - w / 2, to, y + w / 2]]],
  };
};

/** Up along the right side, to the left across the far one. */
const quarterLanding: Layout = ({ well, flightWidthMm: w, floorLandingMm: x0 }, [first, second]) => {
  const { lengthMm, widthMm } = well;
  const to = widthMm - second!;
  return {
    laid: [
      { x: x0, y: w / 2, way: 'inwards' },
      { x: lengthMm - w / 2, y: to, way: 'left' },
    ],
    landings: [
      [
        [x0 + first!, 0, lengthMm, w],
        [lengthMm - w, w, lengthMm, to],
      ],
    ],
  };
};

/** The same, and back along the left side. */
const threeFlight: Layout = ({ well, flightWidthMm: w, floorLandingMm: x0 }, [first, second, third]) => {
  const { lengthMm, widthMm } = well;
  return {
    laid: [
      { x: x0, y: w / 2, way: 'inwards' },
      { x: lengthMm - w / 2, y: w, way: 'left' },
      { x: x0 + third!, y: widthMm - w / 2, way: 'outwards' },
    ],
    landings: [
      [[x0 + first!, 0, lengthMm, w]],
      [
        [x0 + third!, widthMm - w, lengthMm, widthMm],
        [lengthMm - w, w + second!, lengthMm, widthMm - w],
      ],
    ],
  };
};

/** Round all four sides, back over the corner where one comes in. */
const fourFlight: Layout = ({ well, flightWidthMm: w, floorLandingMm: x0 }, [first, second, third, fourth]) => {
  const { lengthMm, widthMm } = well;
  const start = x0 + w;
  return {
    laid: [
      { x: start, y: w / 2, way: 'inwards' },
      { x: lengthMm - w / 2, y: w, way: 'left' },
      { x: start + third!, y: widthMm - w / 2, way: 'outwards' },
      { x: x0 + w / 2, y: w + fourth!, way: 'right' },
    ],
    landings: [
      [[start + first!, 0, lengthMm, w]],
      [
        [start + third!, widthMm - w, lengthMm, widthMm],
        [lengthMm - w, w + second!, lengthMm, widthMm - w],
      ],
      [
        [x0, widthMm - w, start, widthMm],
        [x0, w + fourth!, start, widthMm - w],
      ],
    ],
  };
};

const LAYOUTS: Record<FlightsForm, Layout> = { straight, straightLanding, quarterLanding, threeFlight, fourFlight };
