import type { Solid, Solids } from '../kinds/solids';
import { bodiesOf, isSideBody, type StairBody } from './stair-bodies';
import type { SolvedStair } from './solved-stair';

const LOOK = { colour: 'stairs', edges: 'ink2' } as const;

/** Flights with their treads and stringers, tapered treads, and landings. */
export const stairSolids: Solids = {
  of: ({ stairs }, building) =>
    stairs
      .filter((stair) => stair.building === building)
      .flatMap((stair) =>
        stair.storeys.flatMap((storey) =>
          bodiesOf(stair, storey).map((body, i) => solidOf(stair, storey.level, body, i)),
        ),
      ),
};

function solidOf(stair: SolvedStair, level: string, body: StairBody, i: number): Solid {
  return { key: `${stair.stair} ${level} ${i}`, id: stair.stair, level, look: LOOK, form: formOf(body) };
}

function formOf(body: StairBody): Solid['form'] {
  if (!isSideBody(body)) return { ring: body.ring, bottomMm: body.bottomMm, heightMm: body.topMm - body.bottomMm };
  const { flight, side, rightMm, leftMm } = body;
  const { from, along } = flight;
  // The side profile is drawn out from its left edge to its right.
  const left = { x: -along.y, y: along.x };
  return {
    ring: [...side],
    heightMm: leftMm - rightMm,
    from: [from.x + left.x * leftMm, from.y + left.y * leftMm, 0],
    x: [along.x, along.y, 0],
    y: [0, 0, 1],
  };
}
