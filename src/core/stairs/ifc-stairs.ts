import { ringArea } from '../geometry/polygon';
import { prismOf, type IfcTrait, type Product } from '../kinds/ifc';
import type { Flight, Landing } from './pieces';
import { loweredSlants } from '../slants/slant';
import { flightBodies, isSideBody, slantsOf, taperedBody, volumeOf, type SideBody } from './stair-bodies';
import type { SolvedStair, StairStorey } from './solved-stair';
import { FORM_WORDS, type StairForm } from './stair-form';

/** What the standard (ISO 16739-1) calls a stair of a form. */
const IFC_STAIR: Record<StairForm, string> = {
  straight: 'STRAIGHT_RUN_STAIR',
  straightLanding: 'TWO_STRAIGHT_RUN_STAIR',
  quarterLanding: 'QUARTER_TURN_STAIR',
  quarterWinders: 'QUARTER_WINDING_STAIR',
  halfLanding: 'HALF_TURN_STAIR',
  halfWinders: 'HALF_WINDING_STAIR',
  threeFlight: 'TWO_QUARTER_TURN_STAIR',
  fourFlight: 'THREE_QUARTER_TURN_STAIR',
  spiral: 'SPIRAL_STAIR',
  circular: 'CURVED_RUN_STAIR',
};

/** Stairs storey by storey: flights, tapered treads and landings as parts of a whole. Nothing where a storey has no steps. */
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
          objectType: FORM_WORDS[stair.form],
          predefined: IFC_STAIR[stair.form],
          tag: stair.stair,
          stand: { bottomMm: level.fflMm },
          shape: null,
          parts: [
            ...storey.flights.flatMap((flight, i) => flightOf(stair, storey, flight, i)),
            ...taperedOf(stair, storey),
            ...storey.landings.map((landing, i) => landingOf(stair, storey, landing, i)),
          ],
        })),
    ),
};

function flightOf(stair: SolvedStair, { level }: StairStorey, flight: Flight, i: number): Product[] {
  const bodies = flightBodies(stair, flight);
  if (bodies.length === 0) return [];
  const { risers, treads, riserMm, goingMm } = flight;
  const key = `${stair.stair} ${level} ${i}`;
  const whole: Omit<Product, 'stand' | 'shape'> = {
    entity: 'IFCSTAIRFLIGHT',
    globalId: ['flight', key],
    key: `flight ${key}`,
    name: `${stair.name} flight ${i + 1}`,
    predefined: 'STRAIGHT',
    tag: stair.stair,
    more: { NumberOfRisers: risers, NumberOfTreads: treads, RiserHeight: riserMm, TreadLength: goingMm },
    quantities: {
      set: 'Qto_StairFlightBaseQuantities',
      values: [['VOLUME', 'NetVolume', bodies.reduce((sum, body) => sum + volumeOf(body), 0)]],
    },
  };
  const [only] = bodies;
  if (bodies.length === 1 && isSideBody(only!)) return [{ ...whole, ...shapeOf(only) }];
  // Treads between stringers.
  const footMm = flight.bottomMm;
  return [
    { ...whole, stand: { bottomMm: footMm }, shape: { slants: loweredSlants(bodies.flatMap(slantsOf), footMm) } },
  ];
}

/** A side, x along the run and y up, drawn out to the right from its left edge. */
function shapeOf({ flight, side, rightMm, leftMm }: SideBody): Pick<Product, 'stand' | 'shape'> {
  const { from, along } = flight;
  const left = { x: -along.y, y: along.x };
  return {
    stand: {
      origin: [from.x + left.x * leftMm, from.y + left.y * leftMm, 0],
      axis: [-left.x, -left.y, 0],
      along: [along.x, along.y, 0],
    },
    shape: prismOf([...side], leftMm - rightMm),
  };
}

/** The tapered treads of a storey as one flight, of prisms. */
function taperedOf(stair: SolvedStair, { level, tapered, steps }: StairStorey): Product[] {
  const bodies = tapered.map((tread) => taperedBody(stair, tread));
  if (bodies.length === 0) return [];
  const footMm = Math.min(...bodies.map(({ bottomMm }) => bottomMm));
  const key = `${stair.stair} ${level} tapered`;
  const isRound = stair.form === 'spiral' || stair.form === 'circular';
  return [
    {
      entity: 'IFCSTAIRFLIGHT',
      globalId: ['flight', key],
      key: `flight ${key}`,
      name: `${stair.name} tapered treads`,
      predefined: isRound ? (stair.form === 'spiral' ? 'SPIRAL' : 'CURVED') : 'WINDER',
      tag: stair.stair,
      more: {
        NumberOfRisers: isRound ? steps!.count : tapered.length,
        NumberOfTreads: tapered.length,
        RiserHeight: steps!.riserMm,
        TreadLength: steps!.goingMm,
      },
      stand: { bottomMm: footMm },
      shape: {
        prisms: bodies.map(({ ring, bottomMm, topMm }) => ({
          outer: ring,
          holes: [],
          depthMm: topMm - bottomMm,
          overFootMm: bottomMm - footMm,
        })),
      },
      quantities: {
        set: 'Qto_StairFlightBaseQuantities',
        values: [['VOLUME', 'NetVolume', bodies.reduce((sum, body) => sum + volumeOf(body), 0)]],
      },
    },
  ];
}

function landingOf(stair: SolvedStair, { level, landings }: StairStorey, { ring, topMm }: Landing, i: number): Product {
  const thickMm = stair.landingMm + stair.finishMm;
  const key = landings.length === 1 ? `${stair.stair} ${level}` : `${stair.stair} ${level} ${i}`;
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
