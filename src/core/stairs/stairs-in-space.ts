import { chords } from '../geometry/chords';
import { plus, times, type Point } from '../geometry/point';
import { defineSpacePart, type InSpace, type Shapes, type SpaceSolid } from '../kinds/in-space';
import { flightProfile } from './flight-profile';
import type { Flight } from './half-turn';
import type { SolvedStair, StairStorey } from './solved-stair';
import { stairsPass } from './stair-passes';

/** Heights beyond any flight, mm. */
const FAR_MM = 1e6;

/** Flights step by step, and landings. */
export const stairsInSpace: InSpace = {
  parts: [
    defineSpacePart<SolvedStair>({
      pass: stairsPass,
      solids: (stair, shapes) => stair.storeys.flatMap((storey) => storeySolids(stair, storey, shapes)),
    }),
  ],
};

function storeySolids(stair: SolvedStair, { level, flights, landing }: StairStorey, shapes: Shapes): SpaceSolid[] {
  const own = {
    thing: stair.stair,
    name: stair.name,
    level,
    rank: 'stair',
  } as const;
  const landingTopMm = (landing?.topMm ?? 0) - stair.finishMm;
  return [
    ...flights.flatMap((flight) => stepsOf(stair, flight, shapes).map((step) => ({ ...own, ...step }))),
    ...(landing
      ? [{ ...own, shape: shapes.ofRing(landing.ring), bottomMm: landingTopMm - stair.landingMm, topMm: landingTopMm }]
      : []),
  ];
}

/** A flight in upright slices where its side has corners; their undersides level, at the middle of the slope. */
function stepsOf(
  stair: SolvedStair,
  flight: Flight,
  shapes: Shapes,
): Pick<SpaceSolid, 'shape' | 'bottomMm' | 'topMm'>[] {
  const side = flightProfile(stair, flight);
  if (side.length < 3 || flight.risers < 2) return [];
  const { from, along, widthMm } = flight;
  const left: Point = { x: -along.y, y: along.x };
  const at = (x: number, y: number): Point => plus(from, plus(times(along, x), times(left, y)));
  const corners = [...new Set(side.map(({ x }) => Math.round(x * 1e3) / 1e3))].sort((a, b) => a - b);
  return corners.flatMap((x, i) => {
    const end = corners[i + 1];
    if (end === undefined || end - x < 1e-3) return [];
    const middle = (x + end) / 2;
    const shape = shapes.of(`${from.x} ${from.y} ${along.x} ${along.y} ${widthMm} ${x} ${end}`, () => [
      at(x, -widthMm / 2),
      at(end, -widthMm / 2),
      at(end, widthMm / 2),
      at(x, widthMm / 2),
    ]);
    return chords(side, { x: middle, y: -FAR_MM }, { x: middle, y: FAR_MM }).map(([low, high]) => ({
      shape,
      bottomMm: low.y,
      topMm: high.y,
    }));
  });
}
