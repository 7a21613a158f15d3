import { walls } from '../ceilings/ceiling-passes';
import { distance, dot, minus, times, type Point } from '../geometry/point';
import { floorUnder } from '../floors/plates';
import { platesPass } from '../floors/floor-passes';
import type { Region } from '../geometry/boolean';
import { bounds, boxesMeet, type Box, type Ring } from '../geometry/polygon';
import type { SpaceSolid } from '../kinds/in-space';
import type { Id } from '../model/ids';
import { recordOf } from '../model/framework';
import { definePass, keyOf, partsOf, type Context, type Pass } from '../passes/pass';
import { levelNamesPass, storeyPass, storeysOf } from '../solving/building-passes';
import { storeyAlike } from '../solving/alike';
import type { InStorey } from '../space/in-storey';
import { inStoreyPass } from '../space/in-storey-passes';
import { quantiseMm } from '../units/length-units';
import { gapsBetween, stretchesOver, widerParts, type Stretch } from '../walls/footing';
import { pathLength, type WallPath } from '../walls/wall-path';
import { drawnPass, typedPlanPass, type WallPlan } from '../walls/wall-plans';
import { checkFooting, type Footing } from './check-footing';
import type { Finding } from './finding';

const NONE: readonly Bare[] = [];
/** A wall with the stretches that have nothing under them; storeys with the same walls and the same under them share it. */
type Bare = Omit<Footing, 'level'>;
/** So much of a wall over nothing is no more than it is thick: a corner beside a slab, or a joint; mm. */
const leastMm = ({ build }: WallPath): number => Math.max(100, build.thicknessMm + 10);

const isWall = ({ rank }: SpaceSolid): boolean => rank.endsWith('wall');
const isCarrier = ({ solid: { rank } }: InStorey): boolean =>
  rank !== 'shaft' && rank !== 'ceiling' && rank !== 'stair';
/** True for what carries a wall that begins at a height, of what is in its storey; heights from its FFL. */
const carries = (each: InStorey, at: Id, baseMm: number): boolean => {
  if (!isCarrier(each)) return false;
  // A slab carries it in a lowered part too.
  if (each.solid.rank === 'slab' && each.solid.level === at) return true;
  return each.highMm >= baseMm - 1 && each.lowMm < baseMm - 1;
};

/** Straight parts of a wall are looked at a little wider, mm. */
const WIDER_MM = 500;

const boxes = new WeakMap<Ring, Box>();
function boxOf(ring: Ring): Box {
  let box = boxes.get(ring);
  if (!box) boxes.set(ring, (box = bounds(ring)));
  return box;
}
/** A region with those of its holes that come near a place: others change nothing there. */
const nearOf = ({ outer, holes }: Region, around: Box): Region => ({
  outer,
  holes: holes.filter((hole) => boxesMeet(boxOf(hole), around)),
});

/** The stretches of a wall with nothing under them; slabs are asked first, and nobody once all of it is carried. */
function gapsUnder(cx: Context, { path, strips, box }: WallPlan, carrying: readonly SpaceSolid[]): readonly Stretch[] {
  const plan = strips.map((strip) => cx.facts.numberOf(strip)).join(' ');
  const [minX, minY, maxX, maxY] = [box.minX - WIDER_MM, box.minY - WIDER_MM, box.maxX + WIDER_MM, box.maxY + WIDER_MM];
  const under = carrying.filter(({ shape }) => boxesMeet(shape.box, { minX, minY, maxX, maxY }));
  const slabs = under.filter(({ rank }) => rank === 'slab');
  const shapes = [...new Set([...slabs, ...under].map(({ shape }) => shape))];
  return cx.remembered.of(`footing ${plan}|${shapes.map(({ number }) => number).join(' ')}`, () =>
    widerParts(path).flatMap(({ ring, startMm, lengthMm, i }) => {
      const leastHere = Math.min(leastMm(path), lengthMm / 2);
      const around = bounds(ring);
      const over: Stretch[] = [];
      let gaps = gapsBetween(lengthMm, over, leastHere);
      for (const shape of shapes) {
        if (gaps.length === 0) break;
        if (!boxesMeet(around, shape.box)) continue;
        over.push(
          ...shape.regions.flatMap((region) => {
            const near = nearOf(region, around);
            const text = [near.outer, ...near.holes].map((each) => cx.facts.numberOf(each)).join(' ');
            return cx.remembered.of(`over ${plan} ${i} ${text}`, () => stretchesOver(path, i, ring, [near]));
          }),
        );
        gaps = gapsBetween(lengthMm, over, leastHere);
      }
      return gaps.map(([from, to]): Stretch => [startMm + from, startMm + to]);
    }),
  );
}

/** The storey below one, and how much lower its FFL lies. */
const belowPass = definePass({
  name: 'storey below a storey',
  scope: 'level',
  run: (cx, key): { level: Id; downMm: number } | null => {
    const [building, level] = partsOf(key);
    const storeys = storeysOf(cx, building);
    const i = storeys.findIndex(({ id }) => id === level);
    const below = storeys[i - 1];
    return below ? { level: below.id, downMm: quantiseMm(storeys[i]!.fflMm - below.fflMm) } : null;
  },
});

/** What wants space in the storey below one, heights from the FFL of that one. */
function inStoreyBelow(cx: Context, key: string): InStorey[] {
  const below = cx.get(belowPass, key);
  if (!below) return [];
  const down = (mm: number) => quantiseMm(mm - below.downMm);
  return cx
    .get(inStoreyPass, keyOf(partsOf(key)[0], below.level))
    .map((each) => ({ ...each, lowMm: down(each.lowMm), highMm: down(each.highMm) }));
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

/** Walls of a storey that may stand on nothing: its own, that pass no slabs. */
const standingIn = (cx: Context, key: string) => {
  const [building] = partsOf(key);
  return cx.get(walls.at, key).filter(({ wall, passes }) => {
    return !passes && recordOf(cx.framework, 'wall', wall)?.building === building;
  });
};

/** Storeys in which the same walls stand over the same. */
const alikePass = storeyAlike('what walls stand on', (cx, key) => {
  const [, level] = partsOf(key);
  const storey = cx.get(storeyPass, key);
  if (!storey) return level;
  const { sslMm } = storey.level;
  const within = cx.get(inStoreyPass, key);
  // Walls that go down past the edge of their slab may stand on what does not come up to the floor.
  const baseMm = within.reduce(
    (low, { solid, lowMm }) => (solid.level === level && isWall(solid) ? Math.min(low, lowMm) : low),
    sslMm,
  );
  // No wall that begins at its floor has that higher than itself, also on a zone that lies higher than the rest.
  const highMm = standingIn(cx, key).reduce((high, { bottomMm }) => Math.max(high, bottomMm), sslMm);
  const told = ({ solid, text, lowMm, highMm }: InStorey) => `${text} ${solid.level === level} ${lowMm} ${highMm}`;
  const reaching = within.filter((each) => isCarrier(each) && (each.lowMm < highMm || each.solid.rank === 'slab'));
  const below = baseMm < sslMm - 1 ? inStoreyBelow(cx, key).filter(({ highMm }) => highMm >= baseMm - 1) : [];
  return [cx.get(walls.alike, key), baseMm, reaching.map(told).join(), below.filter(isCarrier).map(told).join()].join(
    '|',
  );
});

/** Walls of a storey that have nothing under them somewhere; by building and level. */
const footingsPass: Pass<readonly Bare[]> = definePass<readonly Bare[]>({
  name: 'what walls of a storey stand on',
  scope: 'level',
  run: (cx, key) => {
    const [building, level] = partsOf(key);
    const storey = cx.get(storeyPass, key);
    const same = cx.get(alikePass, key);
    if (same !== level) return cx.get(footingsPass, keyOf(building, same));
    const runs = standingIn(cx, key);
    if (!storey || runs.length === 0) return NONE;
    const plates = cx.get(platesPass, building);
    // Before there is any floor nothing is missing yet.
    if (plates.all.length === 0) return NONE;
    // Few of what is in a storey reach down to its floor and under it.
    const mayCarry = (within: readonly InStorey[], baseMm: number) =>
      within.flatMap((each) => (carries(each, level, baseMm) ? [each.solid] : []));
    const within = cx.get(inStoreyPass, key);
    const sslOf = new Map<number, SpaceSolid[]>();
    const underFloor = (sslMm: number) => {
      let under = sslOf.get(sslMm);
      if (!under) sslOf.set(sslMm, (under = mayCarry(within, sslMm)));
      return under;
    };
    const bottoms = new Map<Id, number>();
    for (const { solid, lowMm } of within)
      if (solid.level === level && lowMm < (bottoms.get(solid.thing) ?? Infinity)) bottoms.set(solid.thing, lowMm);
    return runs.flatMap(({ wall, type, bottomMm }): Bare[] => {
      const plan = cx.get(typedPlanPass, keyOf(building, wall, type));
      if (!plan) return [];
      const { fflMm, sslMm } = floorUnder(storey.level, plates, { rings: plan.strips, facts: cx.facts });
      // One that begins over its floor hangs there on purpose.
      if (bottomMm > fflMm + 1 || bottomMm < sslMm - 1) return [];
      const isOwn = ({ thing, level: at }: SpaceSolid) => thing === wall && at === level;
      // An exterior wall goes down past the edge of the slab it stands on.
      const baseMm = Math.min(sslMm, bottoms.get(wall) ?? Infinity);
      const under = baseMm < sslMm - 1 ? mayCarry([...within, ...inStoreyBelow(cx, key)], baseMm) : underFloor(sslMm);
      const drawn = cx.get(drawnPass, keyOf(building, wall));
      const own = under.filter((solid) => !isOwn(solid));
      const gaps = drawn ? asDrawn(gapsUnder(cx, plan, own), drawn.path, plan.path) : [];
      return gaps.length === 0 ? [] : [{ wall, gaps }];
    });
  },
});

export const footingFindingsPass = definePass<readonly Finding[]>({
  name: 'check of what walls stand on',
  scope: 'building',
  run: (cx, building) => {
    const footings = storeysOf(cx, building).flatMap(({ id: level }) =>
      cx.get(footingsPass, keyOf(building, level)).map((bare): Footing => ({ ...bare, level })),
    );
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
