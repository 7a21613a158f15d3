import { ceilingsFromFloorPass, walls } from '../ceilings/ceiling-passes';
import { platesPass } from '../floors/floor-passes';
import type { ResolvedLevel } from '../levels/resolve-levels';
import { recordOf, recordsOf } from '../model/framework';
import type { Id } from '../model/ids';
import { definePass, keyOf, partsOf, type Context, type Pass } from '../passes/pass';
import { levelNamesPass, ownRecords, storeyPass, storeysOf } from '../solving/building-passes';
import { drawnPass, passingIdsPass } from '../walls/walls-standing';
import { checkOf } from './check-of';
import {
  checkBarred,
  checkClearWidths,
  checkSlabGap,
  checkTop,
  checkWithin,
  slabGaps,
  stopsIn,
  type SlabGap,
  type StoreyOfWalls,
} from './check-walls';
import type { Finding } from './finding';

const NONE: readonly Finding[] = [];
const NOBODY: readonly Id[] = [];

/** A storey by building and level, heights from its FFL. */
function storeyOfWalls(cx: Context, key: string): StoreyOfWalls {
  const [building, id] = partsOf(key);
  const name = cx.get(levelNamesPass, building).get(id) ?? '';
  const above = cx.get(storeyPass, key)?.above ?? null;
  const { framework, facts } = cx;
  return { framework, building, level: { id, name }, above, plates: cx.get(platesPass, building), facts };
}

/** Walls of a storey that lie all within others. */
const withinPass: Pass<readonly Id[]> = definePass<readonly Id[]>({
  name: 'walls of a storey within others',
  scope: 'level',
  run: (cx, key) => {
    const found = cx.get(walls.inPlan, key).pieces.flatMap(({ wall, isWithin }) => (isWithin ? [wall] : []));
    return found.length === 0 ? NOBODY : found;
  },
});

const within = checkOf('walls within others', (cx, building) => [
  ...storeysOf(cx, building).flatMap(({ id }) => {
    const key = keyOf(building, id);
    const found = cx.get(withinPass, key);
    return found.length === 0 ? NONE : found.flatMap((wall) => checkWithin(storeyOfWalls(cx, key), wall));
  }),
  ...cx.get(passingIdsPass, building).flatMap((id) =>
    cx
      .get(walls.passing, keyOf(building, id))
      .pieces.filter(({ isWithin }) => isWithin)
      .flatMap(({ level }) => checkWithin(storeyOfWalls(cx, keyOf(building, level)), id)),
  ),
]);

/** Walls by the levels they stop at. */
const stoppingPass = definePass({
  name: 'walls by the levels they stop at',
  scope: 'building',
  run: (cx, building): ReadonlyMap<Id, readonly Id[]> => {
    const found = new Map<Id, Id[]>();
    for (const { id, stopsAt } of ownRecords(recordsOf(cx.framework, 'wall'), building)) {
      const list = found.get(stopsAt.level);
      if (list) list.push(id);
      else found.set(stopsAt.level, [id]);
    }
    return found;
  },
});

/** Tops of walls that stop in a storey. */
const topsPass = definePass({
  name: 'tops of walls of a storey',
  scope: 'level',
  run: (cx, key): readonly Finding[] => {
    const [building, level] = partsOf(key);
    const storey = storeyOfWalls(cx, key);
    const { above } = storey;
    if (!above) return NONE;
    const stopping = cx.get(stoppingPass, building);
    const ids = new Set([...(stopping.get(level) ?? []), ...(stopping.get(above.id) ?? [])]);
    if (ids.size === 0) return NONE;
    const ceilings = cx.get(ceilingsFromFloorPass, key);
    const found = cx.get(walls.inPlan, key).pieces.flatMap((piece) => {
      const record = ids.has(piece.wall) ? recordOf(cx.framework, 'wall', piece.wall) : undefined;
      if (!record || !stopsIn(record, level, above.id)) return NONE;
      return checkTop({ ...storey, above }, record, piece, ceilings);
    });
    return found.length === 0 ? NONE : found;
  },
});

const tops = checkOf('tops of walls', (cx, building) =>
  storeysOf(cx, building).flatMap(({ id }) => cx.get(topsPass, keyOf(building, id))),
);

/** The levels a wall stands on. */
const standsOn = (cx: Context, building: Id, wall: Id): ReadonlySet<Id> =>
  new Set(cx.get(walls.runs, keyOf(building, wall)).runs.map(({ level }) => level));

const barred = checkOf('core walls that slabs bar', (cx, building) => {
  const storeys: readonly ResolvedLevel[] = storeysOf(cx, building);
  return ownRecords(recordsOf(cx.framework, 'wall'), building)
    .filter(({ use, passesClearMm }) => use === 'core' && passesClearMm === null)
    .flatMap((record) => checkBarred(record, standsOn(cx, building, record.id), storeys));
});

/** Slabs of a level that stop short of exterior walls on it. */
const slabGapsPass = definePass({
  name: 'slabs of a level that stop short of walls',
  scope: 'level',
  run: (cx, key): readonly SlabGap[] => {
    const [building, level] = partsOf(key);
    return slabGaps(cx.get(walls.inPlan, key).pieces, cx.get(platesPass, building).at(level), cx.facts);
  },
});

const gapsToSlabs = checkOf('slabs beside walls', (cx, building) =>
  storeysOf(cx, building).flatMap(({ id }) => {
    const key = keyOf(building, id);
    const found = cx.get(slabGapsPass, key);
    return found.length === 0 ? NONE : found.flatMap((gap) => checkSlabGap(storeyOfWalls(cx, key), gap));
  }),
);

const clearWidths = checkOf('clear widths', (cx, building) =>
  checkClearWidths(cx.framework, building, ({ id }) => cx.get(drawnPass, keyOf(building, id))?.path ?? null),
);

/** Tops of walls that miss or pierce the slab over them, gaps beside slabs, clear widths not held. */
export const WALL_CHECKS: readonly Pass<readonly Finding[]>[] = [tops, within, barred, gapsToSlabs, clearWidths];
