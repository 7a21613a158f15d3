import { distance, plus, quantised, times } from '../geometry/point';
import { runOf } from './choose-steps';
import { holeOf, inPlan, seenFrom, sidesOf, turnBetween, withoutLanding, type CorneredWell } from './cornered-well';
import { ROUND_SIDES, type RoundForm } from './form-of-stair';
import type { FlightSteps } from './lay-flights';
import type { Flight, Landing } from './pieces';
import type { Ring } from '../geometry/polygon';

/**
 * Flights and landings of a storey round a well of any corners, from the floor at `bottomMm`. The first two flights begin as early as they
 * may, the others end as late as they may: what sides are longer than they must be is in the landings between.
 */
export function layCornered(
  form: RoundForm,
  given: { well: CorneredWell; flightWidthMm: number; floorLandingMm: number },
  steps: FlightSteps,
  bottomMm: number,
  footMm: number,
): { flights: Flight[]; landings: Landing[]; opening: Ring } {
  const { flightWidthMm: widthMm, floorLandingMm } = given;
  const well = withoutLanding(given.well, floorLandingMm)!;
  const round = sidesOf(well, ROUND_SIDES[form], widthMm)!;
  const { turn } = well;
  const { riserMm, goingMm } = steps;
  let risen = 0;
  const laid = round.sides.map((side, i) => {
    const risers = steps.flights[i]!;
    const run = runOf(risers, goingMm);
    const fromMm = i < 2 ? side.startMm : side.endMm - run;
    const { along } = side;
    const inner = times({ x: -along.y, y: along.x }, widthMm);
    const start = plus(side.from, times(along, fromMm));
    const end = plus(start, times(along, run));
    const flight: Flight = {
      from: quantised(seenFrom(turn, plus(start, times(inner, 0.5)))),
      along: seenFrom(turn, along),
      widthMm,
      risers,
      treads: risers - 1,
      riserMm,
      goingMm,
      bottomMm: bottomMm + risen * riserMm,
      footMm,
      ring: distance(start, end) < 1 ? null : inPlan(turn, [start, end, plus(end, inner), plus(start, inner)]),
    };
    risen += risers;
    return { side, flight, fromMm, toMm: fromMm + run, topMm: bottomMm + risen * riserMm };
  });
  const landings = laid.slice(1).map((after, i): Landing => {
    const before = laid[i]!;
    const { ring, parts } = turnBetween(well, i + 1, [before.side, after.side], [before.toMm, after.fromMm], widthMm);
    return { ring: inPlan(turn, ring), parts: parts.map((part) => inPlan(turn, part)), topMm: before.topMm };
  });
  return { flights: laid.map(({ flight }) => flight), landings, opening: inPlan(turn, holeOf(well, round, widthMm)) };
}
