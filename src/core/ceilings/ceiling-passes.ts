import { mmOf } from '../dimensions/resolve-length';
import { columnsAtPass } from '../columns/column-passes';
import { platesPass } from '../floors/floor-passes';
import { holesAtPass } from '../floors/cut-floor-passes';
import type { Ring } from '../geometry/polygon';
import { recordsOf } from '../model/framework';
import type { Id } from '../model/ids';
import { definePass, keyOf, partsOf, type Pass } from '../passes/pass';
import { regionsAlikePass, roomsAtPass } from '../rooms/room-passes';
import { ROOMS_CUT_MM, stagesAtPass } from '../shafts/shaft-passes';
import { storeyAlike } from '../solving/alike';
import { fflPass, ownRecords, storeyPass, storeysOf } from '../solving/building-passes';
import { wallChain, wallsBefore } from '../walls/wall-passes';
import { typedPlanPass } from '../walls/wall-plans';
import { ceilingOver } from './ceiling-over';
import { ceilingAt, ceilingsOf, ceilingStates, type Hung, type WallInStorey } from './solve-ceilings';
import type { CeilingPiece } from './solved-ceiling';

const statesPass = definePass({
  name: 'ceilings by storeys',
  scope: 'building',
  run: (cx, building): ReadonlyMap<Id, readonly Hung[]> => {
    const found = new Map<Id, Hung[]>();
    const storeys = storeysOf(cx, building);
    for (const record of ownRecords(recordsOf(cx.framework, 'ceiling'), building))
      for (const [level, hung] of ceilingStates(cx.framework, record, storeys, cx.facts)) {
        const list = found.get(level);
        if (list) list.push(hung);
        else found.set(level, [hung]);
      }
    return found;
  },
});

export const hungAtPass = definePass({
  name: 'what hangs in a storey',
  scope: 'level',
  gathers: true,
  run: (cx, key): readonly Hung[] => {
    const [building, level] = partsOf(key);
    return cx.get(statesPass, building).get(level) ?? [];
  },
});

/** Closed regions with the ids of their rooms: a room's name changes no ceiling. */
const roomRingsPass = definePass({
  name: 'rooms a ceiling may hang in',
  scope: 'level',
  run: (cx, key): readonly { ring: Ring; holes: readonly Ring[]; room: Id | null }[] =>
    cx.get(roomsAtPass, key).map(({ ring, holes, room }) => ({ ring, holes, room })),
});

/** Walls that stop at the ceiling or under it, wherever that hangs. */
const underCeilingsPass = definePass({
  name: 'walls that stop under ceilings',
  scope: 'project',
  run: ({ framework }): ReadonlySet<Id> =>
    new Set(
      recordsOf(framework, 'wall').flatMap(({ id, stopsAt: { face, offsetMm } }) =>
        face === 'ceiling' && mmOf(framework, offsetMm) <= 0 ? [id] : [],
      ),
    ),
});

/**
 * Walls of a storey that may matter to its ceilings: all of them where one is drawn, or where some wall does not stand from the
 * floor to the soffit.
 */
const wallsThroughPass = definePass({
  name: 'walls through ceilings',
  scope: 'level',
  run: (cx, key): readonly WallInStorey[] => {
    const [building] = partsOf(key);
    const hung = cx.get(hungAtPass, key);
    if (hung.length === 0) return NO_WALLS;
    const highestMm = Math.max(...hung.map(({ heightMm }) => heightMm));
    const overMm = Math.max(...hung.map(({ heightMm, thicknessMm }) => heightMm + thicknessMm));
    const under = cx.get(underCeilingsPass, '');
    const band = cx.get(wallsBefore.band, key).map((each) => ({ ...each, toCeiling: under.has(each.wall) }));
    const isPlain = ({ bottomMm, topMm, toCeiling }: Omit<WallInStorey, 'strips'>) =>
      bottomMm < ROOMS_CUT_MM && topMm > highestMm && !toCeiling;
    const inStorey = band.filter(({ bottomMm, topMm }) => topMm > 0 && bottomMm < overMm);
    if (hung.every(({ outline }) => outline === null) && inStorey.every(isPlain)) return NO_WALLS;
    return inStorey.map(({ wall, type, ...heights }) => ({
      ...heights,
      strips: cx.get(typedPlanPass, keyOf(building, wall, type))?.strips ?? [],
    }));
  },
});
const NO_WALLS: readonly WallInStorey[] = [];

const ceilingsAlikePass = storeyAlike('ceilings', (cx, key) => {
  const [building, level] = partsOf(key);
  const storey = cx.get(storeyPass, key);
  const hung = cx.get(hungAtPass, key);
  if (hung.length === 0 || !storey?.above || hung.some(({ outline }) => outline !== null)) return level;
  const number = (ring: Ring) => cx.facts.numberOf(ring);
  const plates = cx.get(platesPass, building);
  const above = plates.at(storey.above.id).map((plate) => plates.all.indexOf(plate));
  return [
    hung.map(({ ceiling, heightMm, thicknessMm }) => `${ceiling.id} ${heightMm} ${thicknessMm}`).join(),
    `${storey.above.fflMm} ${storey.above.sslMm} ${above.join(' ')}`,
    cx.get(regionsAlikePass, key),
    cx
      .get(roomRingsPass, key)
      .map(({ ring, room }) => `${number(ring)} ${room ?? ''}`)
      .join(),
    cx
      .get(columnsAtPass, key)
      .map(({ ring, topMm }) => `${number(ring)} ${topMm}`)
      .join(),
    cx
      .get(stagesAtPass, key)
      .map((stages) => stages.map(({ ring, bottomMm, topMm }) => `${number(ring)} ${bottomMm} ${topMm}`).join('+'))
      .join(),
    cx.get(holesAtPass, keyOf(building, storey.above.id)).map(number).join(),
    cx
      .get(wallsThroughPass, key)
      .map(
        ({ strips, bottomMm, topMm, toCeiling }) => `${strips.map(number).join(' ')} ${bottomMm} ${topMm} ${toCeiling}`,
      )
      .join(),
  ].join('|');
});

/** Ceilings of a storey from its FFL. */
export const ceilingsFromFloorPass: Pass<readonly CeilingPiece[]> = definePass<readonly CeilingPiece[]>({
  name: 'ceilings of a storey from its floor',
  scope: 'level',
  run: (cx, key) => {
    const [building, level] = partsOf(key);
    const hung = cx.get(hungAtPass, key);
    const storey = cx.get(storeyPass, key);
    if (hung.length === 0 || !storey?.above) return [];
    const same = cx.get(ceilingsAlikePass, key);
    if (same !== level) return cx.get(ceilingsFromFloorPass, keyOf(building, same));
    const through = cx.get(wallsThroughPass, key);
    const isAtCut = ({ bottomMm, topMm }: WallInStorey) => bottomMm < ROOMS_CUT_MM && topMm > ROOMS_CUT_MM;
    return ceilingsOf(
      {
        framework: cx.framework,
        level: storey.level,
        above: storey.above,
        plates: cx.get(platesPass, building),
        rooms: cx.get(roomRingsPass, key),
        walls: through,
        atCut: new Set(through.filter(isAtCut).flatMap(({ strips }) => strips.map((strip) => cx.facts.one(strip)))),
        columns: cx.get(columnsAtPass, key),
        shafts: cx.get(stagesAtPass, key),
        holes: cx.get(holesAtPass, keyOf(building, storey.above.id)),
        union: (...args) => cx.profiles.union(...args),
        facts: cx.facts,
      },
      hung,
    );
  },
});

/** Ceilings of a storey in the building's heights; by building and level. */
export const ceilingsAtPass = definePass({
  name: 'ceilings of a storey',
  scope: 'level',
  gathers: true,
  run: (cx, key): readonly CeilingPiece[] => {
    const [, level] = partsOf(key);
    const zeroMm = cx.get(fflPass, key);
    return cx.get(ceilingsFromFloorPass, key).map((piece) => ceilingAt(piece, level, zeroMm));
  },
});

/** Walls as they stand in the end: those that stop at ceilings do. */
export const walls = wallChain(
  '',
  (cx, building) => ceilingOver((storey) => cx.get(ceilingsAtPass, keyOf(building, storey)), cx.facts),
  wallsBefore,
);
