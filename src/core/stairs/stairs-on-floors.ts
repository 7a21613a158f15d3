import { definePass, partsOf } from '../passes/pass';
import { fflPass, storeysOf } from '../solving/building-passes';
import type { SolvedStair, StairStorey } from './solved-stair';
import { stairsPass } from './stair-passes';

/** Heights to a millionth of a millimetre: what is worked out from them is the same wherever the storey stands. */
const fine = (mm: number): number => Math.round(mm * 1e6) / 1e6;

/** What takes space of a storey of a stair, with its heights from a floor. */
function fromFloor(storey: StairStorey, fflMm: number): StairStorey {
  const from = (mm: number) => fine(mm - fflMm);
  return {
    ...storey,
    bottomMm: from(storey.bottomMm),
    flights: storey.flights.map((flight) => ({
      ...flight,
      bottomMm: from(flight.bottomMm),
      footMm: from(flight.footMm),
    })),
    tapered: storey.tapered.map((tread) => ({ ...tread, topMm: from(tread.topMm), footMm: from(tread.footMm) })),
    landings: storey.landings.map((landing) => ({ ...landing, topMm: from(landing.topMm) })),
    // Neither takes space.
    walk: [],
    headroom: null,
  };
}

/** A stair with some of its storeys. */
const withStoreys = (stair: SolvedStair, storeys: StairStorey[]): SolvedStair => ({
  ...stair,
  storeys,
  cuts: [],
  levels: [],
});

/** Stairs of a storey with that storey alone, from its FFL: a level that moves takes the space of others with it. */
export const stairsOnFloorPass = definePass({
  name: 'stairs from the floor of a storey',
  scope: 'level',
  run: (cx, key): readonly SolvedStair[] => {
    const [building, level] = partsOf(key);
    const fflMm = cx.get(fflPass, key);
    return cx.get(stairsPass, building).flatMap((stair) => {
      const own = stair.storeys.filter((storey) => storey.level === level);
      return own.length > 0
        ? [
            withStoreys(
              stair,
              own.map((storey) => fromFloor(storey, fflMm)),
            ),
          ]
        : [];
    });
  },
});

/** Stairs with what of them begins at levels without a storey of their own, in the building's heights. */
export const stairsBetweenPass = definePass({
  name: 'stairs that begin between storeys',
  scope: 'building',
  run: (cx, building): readonly SolvedStair[] => {
    const storeys = new Set(storeysOf(cx, building).map(({ id }) => id));
    return cx.get(stairsPass, building).flatMap((stair) => {
      const between = stair.storeys.filter(({ level }) => !storeys.has(level));
      return between.length > 0 ? [withStoreys(stair, between)] : [];
    });
  },
});
