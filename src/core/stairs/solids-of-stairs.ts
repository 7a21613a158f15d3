import type { Solid, Solids } from '../kinds/solids';
import { flightProfile } from './flight-profile';
import type { SolvedStair, StairStorey } from './solved-stair';

const LOOK = { colour: 'stairs', edges: 'ink2' } as const;

/** Flights with their treads, and landings. */
export const stairSolids: Solids = {
  of: ({ stairs }, building) =>
    stairs
      .filter((stair) => stair.building === building)
      .flatMap((stair) =>
        stair.storeys.flatMap((storey) => [...flightsOf(stair, storey), ...landingOf(stair, storey)]),
      ),
};

/** The side profile of each flight, drawn out across its width. */
function flightsOf(stair: SolvedStair, { level, flights }: StairStorey): Solid[] {
  return flights.flatMap((flight, i) => {
    const ring = flightProfile(stair, flight);
    if (ring.length < 3 || flight.risers < 2) return [];
    const { from, along, widthMm } = flight;
    // From the left edge of the flight to its right.
    const left = { x: -along.y, y: along.x };
    return [
      {
        key: `${stair.stair} ${level} ${i}`,
        id: stair.stair,
        level,
        look: LOOK,
        form: {
          ring,
          heightMm: widthMm,
          from: [from.x + (left.x * widthMm) / 2, from.y + (left.y * widthMm) / 2, 0],
          x: [along.x, along.y, 0],
          y: [0, 0, 1],
        },
      },
    ];
  });
}

function landingOf({ stair, landingMm, finishMm }: SolvedStair, { level, landing }: StairStorey): Solid[] {
  if (!landing) return [];
  const bottomMm = landing.topMm - finishMm - landingMm;
  return [
    {
      key: `${stair} ${level} landing`,
      id: stair,
      level,
      look: LOOK,
      form: { ring: landing.ring, bottomMm, heightMm: landingMm },
    },
  ];
}
