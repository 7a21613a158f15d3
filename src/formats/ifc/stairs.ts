import type { Point } from '@/core/geometry/point';
import type { Ring } from '@/core/geometry/polygon';
import type { SolvedLevel } from '@/core/solving/solved';
import { flightProfile } from '@/core/stairs/flight-profile';
import type { Flight } from '@/core/stairs/half-turn';
import type { SolvedStair, StairStorey } from '@/core/stairs/solved-stair';
import { ringArea } from '@/core/geometry/polygon';
import { derivedGlobalId } from './global-id';
import type { Ref, StepLines } from './step';

/** What stairs are written with. */
export interface StairParts {
  step: StepLines;
  /** Placement of the storey the stair starts in. */
  storey: Ref;
  level: SolvedLevel;
  local: (parent: Ref, placement: Ref) => Ref;
  placement3d: (at: Point, z: number, turnDeg: number) => Ref;
  extrusion: (ring: Ring, depthMm: number) => Ref;
  aggregate: (key: string, whole: Ref, parts: readonly Ref[]) => void;
  quantities: (key: string, ref: Ref, name: string, values: readonly ['LENGTH' | 'VOLUME', string, number][]) => void;
}

/** One storey of a stair: its flights and landing as parts of an IfcStair. Null where the storey has no steps. */
export function writeStair(parts: StairParts, stair: SolvedStair, storey: StairStorey): Ref | null {
  if (!storey.steps) return null;
  const { step } = parts;
  const placement = parts.local(parts.storey, parts.placement3d({ x: 0, y: 0 }, 0, 0));
  const whole = step.add('IFCSTAIR', {
    GlobalId: derivedGlobalId('stair', stair.stair, storey.level),
    Name: `${stair.name} ${parts.level.name}`,
    ObjectType: 'Half-turn stair',
    ObjectPlacement: placement,
    Tag: stair.stair,
    PredefinedType: 'HALF_TURN_STAIR',
  });
  const flights = storey.flights.flatMap((flight, i) => {
    const ref = writeFlight(parts, placement, stair, storey, flight, i);
    return ref ? [ref] : [];
  });
  const landing = storey.landing ? [writeLanding(parts, placement, stair, storey)] : [];
  parts.aggregate(`stair ${stair.stair} ${storey.level}`, whole, [...flights, ...landing]);
  return whole;
}

function writeFlight(
  { step, level, local, extrusion, quantities }: StairParts,
  placement: Ref,
  stair: SolvedStair,
  storey: StairStorey,
  flight: Flight,
  i: number,
): Ref | null {
  const profile = flightProfile(stair, flight);
  if (flight.risers < 2 || profile.length < 3) return null;
  const { from, along, widthMm } = flight;
  const key = `${stair.stair} ${storey.level} ${i}`;
  // The side profile, x along the run and y up, is drawn out to the right from the flight's left edge.
  const left = { x: -along.y, y: along.x };
  const axes = step.share('IFCAXIS2PLACEMENT3D', {
    Location: step.share('IFCCARTESIANPOINT', {
      Coordinates: [from.x + (left.x * widthMm) / 2, from.y + (left.y * widthMm) / 2, -level.fflMm],
    }),
    Axis: step.share('IFCDIRECTION', { DirectionRatios: [-left.x, -left.y, 0] }),
    RefDirection: step.share('IFCDIRECTION', { DirectionRatios: [along.x, along.y, 0] }),
  });
  const ref = step.add('IFCSTAIRFLIGHT', {
    GlobalId: derivedGlobalId('flight', key),
    Name: `${stair.name} flight ${i + 1}`,
    ObjectPlacement: local(placement, axes),
    Representation: extrusion(profile, widthMm),
    Tag: stair.stair,
    NumberOfRisers: flight.risers,
    NumberOfTreads: flight.risers - 1,
    RiserHeight: flight.riserMm,
    TreadLength: flight.goingMm,
    PredefinedType: 'STRAIGHT',
  });
  quantities(`flight ${key}`, ref, 'Qto_StairFlightBaseQuantities', [
    ['VOLUME', 'NetVolume', (ringArea(profile) * widthMm) / 1e9],
  ]);
  return ref;
}

function writeLanding(
  { step, level, local, placement3d, extrusion, quantities }: StairParts,
  placement: Ref,
  stair: SolvedStair,
  storey: StairStorey,
): Ref {
  const { ring, topMm } = storey.landing!;
  const thickMm = stair.landingMm + stair.finishMm;
  const key = `${stair.stair} ${storey.level}`;
  const ref = step.add('IFCSLAB', {
    GlobalId: derivedGlobalId('landing', key),
    Name: `${stair.name} landing`,
    ObjectPlacement: local(placement, placement3d({ x: 0, y: 0 }, topMm - thickMm - level.fflMm, 0)),
    Representation: extrusion(ring, thickMm),
    Tag: stair.stair,
    PredefinedType: 'LANDING',
  });
  quantities(`landing ${key}`, ref, 'Qto_SlabBaseQuantities', [
    ['LENGTH', 'Width', thickMm],
    ['VOLUME', 'NetVolume', (ringArea(ring) * thickMm) / 1e9],
  ]);
  return ref;
}
