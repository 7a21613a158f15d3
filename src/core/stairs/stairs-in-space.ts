import { chords } from '../geometry/chords';
import { plus, times, type Point } from '../geometry/point';
import { defineSpacePart, type InSpace, type Shapes, type SpaceSolid } from '../kinds/in-space';
import type { SolvedStair, StairStorey } from './solved-stair';
import { flightBodies, isSideBody, landingBody, taperedBody, type LevelBody, type SideBody } from './stair-bodies';
import { stairsPass } from './stair-passes';
import { stairsBetweenPass, stairsOnFloorPass } from './stairs-on-floors';

/** Heights beyond any flight, mm. */
const FAR_MM = 1e6;

/** Flights step by step, and landings. */
export const stairsInSpace: InSpace = {
  parts: [
    defineSpacePart<SolvedStair>({
      pass: stairsPass,
      solids: (stair, shapes) => stair.storeys.flatMap((storey) => storeySolids(stair, storey, shapes)),
      fromFloors: {
        inStorey: (cx, key) => cx.get(stairsOnFloorPass, key),
        // Nothing is taken from stairs.
        placed: (stair) => stair,
        others: (cx, building) => cx.get(stairsBetweenPass, building),
      },
    }),
  ],
};

function storeySolids(stair: SolvedStair, storey: StairStorey, shapes: Shapes): SpaceSolid[] {
  const own = {
    thing: stair.stair,
    name: stair.name,
    level: storey.level,
    rank: 'stair',
  } as const;
  const { flights, tapered, landings } = storey;
  const levelBodies = [
    ...tapered.map((tread) => taperedBody(stair, tread)),
    ...landings.map((landing) => {
      const body = landingBody(stair, landing);
      // Without what lies on it.
      return { ...body, topMm: body.topMm - stair.finishMm };
    }),
  ];
  return [
    ...flights
      .flatMap((flight) => flightBodies(stair, flight))
      .flatMap((body) => (isSideBody(body) ? slicesOf(body, shapes) : [flatOf(body, shapes)]))
      .map((step) => ({ ...own, ...step })),
    ...levelBodies.map((body) => ({ ...own, ...flatOf(body, shapes) })),
  ];
}

type Space = Pick<SpaceSolid, 'shape' | 'bottomMm' | 'topMm'>;

const flatOf = ({ ring, bottomMm, topMm }: LevelBody, shapes: Shapes): Space => ({
  shape: shapes.ofRing(ring),
  bottomMm,
  topMm,
});

/** What is alike all across a flight in upright slices where its side has corners; their undersides level, at the middle of the slope. */
function slicesOf({ flight, side, rightMm, leftMm }: SideBody, shapes: Shapes): Space[] {
  const { from, along } = flight;
  const left: Point = { x: -along.y, y: along.x };
  const at = (x: number, y: number): Point => plus(from, plus(times(along, x), times(left, y)));
  const corners = [...new Set(side.map(({ x }) => Math.round(x * 1e3) / 1e3))].sort((a, b) => a - b);
  return corners.flatMap((x, i) => {
    const end = corners[i + 1];
    if (end === undefined || end - x < 1e-3) return [];
    const middle = (x + end) / 2;
    const shape = shapes.of(`${from.x} ${from.y} ${along.x} ${along.y} ${rightMm} ${leftMm} ${x} ${end}`, () => [
      at(x, rightMm),
      at(end, rightMm),
      at(end, leftMm),
      at(x, leftMm),
    ]);
    return chords(side, { x: middle, y: -FAR_MM }, { x: middle, y: FAR_MM }).map(([low, high]) => ({
      shape,
      bottomMm: low.y,
      topMm: high.y,
    }));
  });
}
