import { walls } from '../ceilings/ceiling-passes';
import { distance, dot, minus, times, type Point } from '../geometry/point';
import { floorUnder } from '../floors/plates';
import { platesPass } from '../floors/floor-passes';
import { bounds, boxesMeet } from '../geometry/polygon';
import type { SpaceSolid } from '../kinds/in-space';
import type { Id } from '../model/ids';
import { recordOf } from '../model/framework';
import { definePass, keyOf, partsOf, type Context } from '../passes/pass';
import { fflPass, levelNamesPass, storeyPass, storeysOf } from '../solving/building-passes';
import { partsPass } from '../space/space-passes';
import { gapsBetween, stretchesOver, widerParts, type Stretch } from '../walls/footing';
import { pathLength, type WallPath } from '../walls/wall-path';
import { drawnPass, typedPlanPass, type WallPlan } from '../walls/wall-plans';
import { checkFooting, type Footing } from './check-footing';
import type { Finding } from './finding';

const NONE: readonly Footing[] = [];
/** So much of a wall over nothing is no more than it is thick: a corner beside a slab, or a joint; mm. */
const leastMm = ({ build }: WallPath): number => Math.max(100, build.thicknessMm + 10);

/** True for what carries a wall that begins at a height, of what is in its storey. */
const carries = ({ rank, level, topMm, bottomMm }: SpaceSolid, at: Id, baseMm: number): boolean => {
  if (rank === 'shaft' || rank === 'ceiling' || rank === 'stair') return false;
  // A slab carries it in a lowered part too.
  if (rank === 'slab' && level === at) return true;
  return topMm >= baseMm - 1 && bottomMm < baseMm - 1;
};

/** The stretches of a wall with nothing under them; slabs are asked first, and nobody once all of it is carried. */
function gapsUnder(cx: Context, { path, strips }: WallPlan, under: readonly SpaceSolid[]): readonly Stretch[] {
  const plan = strips.map((strip) => cx.facts.numberOf(strip)).join(' ');
  const slabs = under.filter(({ rank }) => rank === 'slab');
  const shapes = [...new Set([...slabs, ...under].map(({ shape }) => shape))];
  return cx.remembered.of(`footing ${plan}|${shapes.map(({ number }) => number).join(' ')}`, () =>
    widerParts(path).flatMap(({ ring, startMm, lengthMm, i }) => {
      const leastHere = Math.min(leastMm(path), lengthMm / 2);
      const box = bounds(ring);
      const over: Stretch[] = [];
      let gaps = gapsBetween(lengthMm, over, leastHere);
      for (const shape of shapes) {
        if (gaps.length === 0) break;
        if (!boxesMeet(box, shape.box)) continue;
        over.push(
          ...cx.remembered.of(`over ${plan} ${i} ${shape.number}`, () => stretchesOver(path, i, ring, shape.regions)),
        );
        gaps = gapsBetween(lengthMm, over, leastHere);
      }
      return gaps.map(([from, to]): Stretch => [startMm + from, startMm + to]);
    }),
  );
}

/** What wants space in the storey below one. */
function partsBelow(cx: Context, building: Id, level: Id) {
  const storeys = storeysOf(cx, building);
  const below = storeys[storeys.findIndex(({ id }) => id === level) - 1];
  return below ? cx.get(partsPass, keyOf(building, below.id)) : [];
}

/** Stretches of a wall whose ends were brought to those it meets, told along the wall as drawn. */
function asDrawn(gaps: readonly Stretch[], drawn: WallPath, joined: WallPath): Stretch[] {
  const [from, to] = joined.points as [Point, Point];
  const along = times(minus(to, from), 1 / distance(from, to));
  const shiftMm = drawn.closed ? 0 : dot(minus(drawn.points[0]!, from), along);
  const totalMm = pathLength(drawn);
  const within = (mm: number) => Math.min(totalMm, Math.max(0, mm - shiftMm));
  return gaps
    .map(([low, high]): Stretch => [within(low), within(high)])
    .filter(([low, high]) => high - low > Math.min(leastMm(drawn), totalMm / 2) - 1e-6);
}

/** Walls of a storey that have nothing under them somewhere; by building and level. */
const footingsPass = definePass({
  name: 'what walls of a storey stand on',
  scope: 'level',
  run: (cx, key): readonly Footing[] => {
    const [building, level] = partsOf(key);
    const storey = cx.get(storeyPass, key);
    const runs = cx.get(walls.at, key).filter(({ wall, passes }) => {
      return !passes && recordOf(cx.framework, 'wall', wall)?.building === building;
    });
    if (!storey || runs.length === 0) return NONE;
    const plates = cx.get(platesPass, building);
    // Before there is any floor nothing is missing yet.
    if (plates.all.length === 0) return NONE;
    const zeroMm = cx.get(fflPass, key);
    // Few of what is in a storey reach down to its floor and under it.
    const mayCarry = (solids: readonly { solid: SpaceSolid }[], baseMm: number) =>
      solids.flatMap(({ solid }) => (carries(solid, level, baseMm) ? [solid] : []));
    const sslOf = new Map<number, SpaceSolid[]>();
    const underFloor = (sslMm: number) => {
      let under = sslOf.get(sslMm);
      if (!under) sslOf.set(sslMm, (under = mayCarry(parts, sslMm)));
      return under;
    };
    const parts = cx.get(partsPass, key);
    const bottoms = new Map<Id, number>();
    for (const { solid } of parts)
      if (solid.level === level && solid.bottomMm < (bottoms.get(solid.thing) ?? Infinity))
        bottoms.set(solid.thing, solid.bottomMm);
    return runs.flatMap(({ wall, type, bottomMm }): Footing[] => {
      const plan = cx.get(typedPlanPass, keyOf(building, wall, type));
      if (!plan) return [];
      const floor = floorUnder(storey.level, plates, { rings: plan.strips, facts: cx.facts });
      // One that begins over its floor hangs there on purpose.
      if (bottomMm > floor.fflMm + 1 || bottomMm < floor.sslMm - 1) return [];
      const isOwn = ({ thing, level: at }: SpaceSolid) => thing === wall && at === level;
      const sslMm = zeroMm + floor.sslMm;
      // An exterior wall goes down past the edge of the slab it stands on.
      const baseMm = Math.min(sslMm, bottoms.get(wall) ?? Infinity);
      const under =
        baseMm < sslMm - 1
          ? mayCarry([...parts, ...partsBelow(cx, building, level)], baseMm).filter((solid) => !isOwn(solid))
          : underFloor(sslMm).filter((solid) => !isOwn(solid));
      const drawn = cx.get(drawnPass, keyOf(building, wall));
      const gaps = drawn ? asDrawn(gapsUnder(cx, plan, under), drawn.path, plan.path) : [];
      return gaps.length === 0 ? [] : [{ wall, level, gaps }];
    });
  },
});

export const footingFindingsPass = definePass<readonly Finding[]>({
  name: 'check of what walls stand on',
  scope: 'building',
  run: (cx, building) => {
    const footings = storeysOf(cx, building).flatMap(({ id }) => cx.get(footingsPass, keyOf(building, id)));
    if (footings.length === 0) return [];
    return checkFooting(footings, {
      framework: cx.framework,
      storeys: storeysOf(cx, building),
      plates: cx.get(platesPass, building),
      names: cx.get(levelNamesPass, building),
      pathOf: (wall) => cx.get(drawnPass, keyOf(building, wall))?.path ?? null,
    });
  },
  failing: (_, building) => ({ what: 'The check of what walls stand on', building, about: [], value: [] }),
});
