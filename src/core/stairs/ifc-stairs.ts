import { ringArea } from '../geometry/polygon';
import { prismOf, type IfcTrait, type Product } from '../kinds/ifc';
import { flightProfile } from './flight-profile';
import type { Flight } from './half-turn';
import type { SolvedStair, StairStorey } from './solved-stair';

/** Stairs storey by storey: flights and landing as parts of a whole. Nothing where a storey has no steps. */
export const stairsInIfc: IfcTrait = {
  products: ({ solved, level }) =>
    solved.stairs.flatMap((stair) =>
      stair.storeys
        .filter((storey) => storey.level === level.id && storey.steps)
        .map((storey): Product => ({
          entity: 'IFCSTAIR',
          globalId: ['stair', stair.stair, storey.level],
          key: `stair ${stair.stair} ${storey.level}`,
          name: `${stair.name} ${level.name}`,
          objectType: 'Half-turn stair',
          predefined: 'HALF_TURN_STAIR',
          tag: stair.stair,
          stand: { bottomMm: level.fflMm },
          shape: null,
          parts: [
            ...storey.flights.flatMap((flight, i) => flightOf(stair, storey, flight, i)),
            ...(storey.landing ? [landingOf(stair, storey, storey.landing)] : []),
          ],
        })),
    ),
};

function flightOf(stair: SolvedStair, { level }: StairStorey, flight: Flight, i: number): Product[] {
  const profile = flightProfile(stair, flight);
  if (flight.risers < 2 || profile.length < 3) return [];
  const { from, along, widthMm, risers, riserMm, goingMm } = flight;
  const key = `${stair.stair} ${level} ${i}`;
  // The side profile, x along the run and y up, is drawn out to the right from the flight's left edge.
  const left = { x: -along.y, y: along.x };
  return [
    {
      entity: 'IFCSTAIRFLIGHT',
      globalId: ['flight', key],
      key: `flight ${key}`,
      name: `${stair.name} flight ${i + 1}`,
      predefined: 'STRAIGHT',
      tag: stair.stair,
      more: { NumberOfRisers: risers, NumberOfTreads: risers - 1, RiserHeight: riserMm, TreadLength: goingMm },
      stand: {
        origin: [from.x + (left.x * widthMm) / 2, from.y + (left.y * widthMm) / 2, 0],
        axis: [-left.x, -left.y, 0],
        along: [along.x, along.y, 0],
      },
      shape: prismOf(profile, widthMm),
      quantities: {
        set: 'Qto_StairFlightBaseQuantities',
        values: [['VOLUME', 'NetVolume', (ringArea(profile) * widthMm) / 1e9]],
      },
    },
  ];
}

function landingOf(
  stair: SolvedStair,
  { level }: StairStorey,
  { ring, topMm }: NonNullable<StairStorey['landing']>,
): Product {
  const thickMm = stair.landingMm + stair.finishMm;
  const key = `${stair.stair} ${level}`;
  return {
    entity: 'IFCSLAB',
    globalId: ['landing', key],
    key: `landing ${key}`,
    name: `${stair.name} landing`,
    predefined: 'LANDING',
    tag: stair.stair,
    stand: { bottomMm: topMm - thickMm },
    shape: prismOf(ring, thickMm),
    quantities: {
      set: 'Qto_SlabBaseQuantities',
      values: [
        ['LENGTH', 'Width', thickMm],
        ['VOLUME', 'NetVolume', (ringArea(ring) * thickMm) / 1e9],
      ],
    },
  };
}
