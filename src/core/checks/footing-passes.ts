import { walls } from '../ceilings/ceiling-passes';
import { distance, dot, minus, times, type Point } from '../geometry/point';
import { floorUnder } from '../floors/plates';
import { platesPass } from '../floors/floor-passes';
import type { Region } from '../geometry/boolean';
import { bounds, boxesMeet, type Box, type Ring } from '../geometry/polygon';
import type { PlanShape, StoreySolid } from '../kinds/in-space';
import type { Id } from '../model/ids';
import { recordsOf } from '../model/framework';
import { definePass, keyOf, partsOf, type Context, type Pass } from '../passes/pass';
import { levelNamesPass, ownRecords, storeyPass, storeysOf } from '../solving/building-passes';
import { storeyAlike } from '../solving/alike';
import type { InStorey, OnFloor } from '../space/in-storey';
import { inStoreyPass, onFloorPass, reachingPartsPass } from '../space/in-storey-passes';
import { quantiseMm } from '../units/length-units';
import { gapsBetween, stretchesOver, widerParts, type Stretch } from '../walls/footing';
import { pathLength, type WallPath } from '../walls/wall-path';
import { drawnPass } from '../walls/walls-standing';
import { typedPlanPass, type WallPlan } from '../walls/wall-plans';
import { checkFooting, type Footing } from './check-footing';
import type { Finding } from './finding';

const NONE: readonly Bare[] = [];
/** A wall with the stretches that have nothing under them; storeys with the same walls and the same under them share it. */
type Bare = Omit<Footing, 'level'>;
/** So much of a wall over nothing is no more than it is thick: a corner beside a slab, or a joint; mm. */
const leastMm = ({ build }: WallPath): number => Math.max(100, build.thicknessMm + 10);

const isWall = ({ rank }: StoreySolid): boolean => rank.endsWith('wall');
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

/** What may carry a wall, in the order it is asked, each with its parts near the wall, and a text that tells them. */
function carrying(
  cx: Context,
  { box }: WallPlan,
  under: readonly StoreySolid[],
): { near: readonly Region[]; text: string } {
  const [minX, minY, maxX, maxY] = [box.minX - WIDER_MM, box.minY - WIDER_MM, box.maxX + WIDER_MM, box.maxY + WIDER_MM];
  const around = { minX, minY, maxX, maxY };
  const shapes = new Set<PlanShape>();
  // Slabs first, and nobody once all of it is carried.
  for (const { rank, shape } of under) if (rank === 'slab' && boxesMeet(shape.box, around)) shapes.add(shape);
  for (const { shape } of under) if (boxesMeet(shape.box, around)) shapes.add(shape);
  const near = [...shapes].flatMap(({ regions }) => regions.map((region) => nearOf(region, around)));
  return { near, text: near.map((region) => numberOf(cx, region)).join('|') };
}
const numberOf = ({ facts }: Context, { outer, holes }: Region): string =>
  holes.reduce((text, hole) => `${text} ${facts.numberOf(hole)}`, `${facts.numberOf(outer)}`);

/** The stretches of a wall with nothing under them. */
const gapsUnder = (cx: Context, { path, strips }: WallPlan, near: readonly Region[]): readonly Stretch[] => {
  const plan = strips.map((strip) => cx.facts.numberOf(strip)).join(' ');
  return widerParts(path).flatMap(({ ring, startMm, lengthMm, i }) => {
    const leastHere = Math.min(leastMm(path), lengthMm / 2);
    const around = bounds(ring);
    const over: Stretch[] = [];
    let gaps = gapsBetween(lengthMm, over, leastHere);
    for (const region of near) {
      if (gaps.length === 0) break;
      if (!boxesMeet(around, boxOf(region.outer))) continue;
      const here = nearOf(region, around);
      const text = `over ${plan} ${i} ${numberOf(cx, here)}`;
      over.push(...cx.remembered.of(text, () => stretchesOver(path, i, ring, [here])));
      gaps = gapsBetween(lengthMm, over, leastHere);
    }
    return gaps.map(([from, to]): Stretch => [startMm + from, startMm + to]);
  });
};

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

/** What in the storey below one may carry what comes down to a height, heights from the FFL of that one. */
function carryingBelow(cx: Context, key: string, baseMm: number): InStorey[] {
  const below = cx.get(belowPass, key);
  if (!below) return [];
  const down = (mm: number) => quantiseMm(mm - below.downMm);
  return cx
    .get(inStoreyPass, keyOf(partsOf(key)[0], below.level))
    .filter((each) => isCarrier(each) && down(each.highMm) >= baseMm - 1)
    .map((each) => ({
      ...each,
      solid: { ...each.solid, level: each.solid.level ?? below.level },
      lowMm: down(each.lowMm),
      highMm: down(each.highMm),
    }));
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

/** Walls of a building itself: no parapets, no party walls of others. */
const ownWallsPass = definePass({
  name: 'own walls',
  scope: 'building',
  run: (cx, building): ReadonlySet<Id> =>
    new Set(ownRecords(recordsOf(cx.framework, 'wall'), building).map(({ id }) => id)),
});

/** Walls of a storey that may stand on nothing: its own, that pass no slabs; and how high the highest of them begins. */
const standingPass = definePass({
  name: 'walls that stand on a storey',
  scope: 'level',
  run: (cx, key) => {
    const [building] = partsOf(key);
    const own = cx.get(ownWallsPass, building);
    const runs = cx.get(walls.at, key).filter(({ wall, passes }) => !passes && own.has(wall));
    return { runs, highMm: Math.max(-Infinity, ...runs.map(({ bottomMm }) => bottomMm)) };
  },
});

/** How deep the walls of a list go down; what of a list may carry walls that begin under a height, as a text. */
interface OnFloorTold {
  wallsFromMm: number;
  carrying: Map<number, string>;
}
const toldOf = new WeakMap<OnFloor, OnFloorTold>();
function told(on: OnFloor): OnFloorTold {
  let known = toldOf.get(on);
  if (!known) {
    const walls = on.found.filter(({ solid }) => isWall(solid));
    const wallsFromMm = Math.min(...walls.map(({ lowMm }) => lowMm));
    toldOf.set(on, (known = { wallsFromMm, carrying: new Map() }));
  }
  return known;
}
/** So many heights of one list are remembered. */
const MOST = 64;
function carryingText(on: OnFloor, highMm: number): string {
  const { carrying } = told(on);
  let text = carrying.get(highMm);
  if (text === undefined) {
    if (carrying.size > MOST) carrying.clear();
    const low = on.found.filter((each) => isCarrier(each) && each.lowMm < highMm);
    carrying.set(highMm, (text = low.map((each) => textOf(each, true)).join()));
  }
  return text;
}
const textOf = ({ text, lowMm, highMm }: InStorey, isOwn: boolean): string => `${text} ${isOwn} ${lowMm} ${highMm}`;

/** Storeys in which the same walls stand over the same. */
const alikePass = storeyAlike('what walls stand on', (cx, key) => {
  const [, level] = partsOf(key);
  const storey = cx.get(storeyPass, key);
  if (!storey) return level;
  const { sslMm } = storey.level;
  const onFloor = cx.get(onFloorPass, key);
  const others = cx.get(reachingPartsPass, key);
  const isOwn = ({ solid }: InStorey) => solid.level === level;
  // Walls that go down past the edge of their slab may stand on what does not come up to the floor.
  const ownWalls = others.filter((each) => isOwn(each) && isWall(each.solid));
  const baseMm = Math.min(sslMm, ...onFloor.map((on) => told(on).wallsFromMm), ...ownWalls.map(({ lowMm }) => lowMm));
  // No wall that begins at its floor has that higher than itself, also on a zone that lies higher than the rest.
  const highMm = Math.max(sslMm, cx.get(standingPass, key).highMm);
  const reaching = others.filter((each) => isCarrier(each) && (each.lowMm < highMm || each.solid.rank === 'slab'));
  const below = baseMm < sslMm - 1 ? carryingBelow(cx, key, baseMm) : [];
  return [
    cx.get(walls.alike, key),
    baseMm,
    ...onFloor.map((on) => carryingText(on, highMm)),
    reaching.map((each) => textOf(each, isOwn(each))).join(),
    below.map((each) => textOf(each, isOwn(each))).join(),
  ].join('|');
});

const bareParts = new WeakMap<WallPlan, Map<string, readonly Stretch[]>>();
/** The stretches of a wall with nothing under them, along the wall as drawn; remembered with its plan by what is under it near by. */
function bareOver(cx: Context, plan: WallPlan, drawn: WallPath, under: readonly StoreySolid[]): readonly Stretch[] {
  const { near, text } = carrying(cx, plan, under);
  let known = bareParts.get(plan);
  if (!known || known.size > MOST) bareParts.set(plan, (known = new Map()));
  let found = known.get(text);
  if (!found) known.set(text, (found = asDrawn(gapsUnder(cx, plan, near), drawn, plan.path)));
  return found;
}

/** A wall that begins at its floor. */
interface OnItsFloor {
  wall: Id;
  plan: WallPlan;
  drawn: WallPath;
  /** The SSL of the floor under it, which may be a zone's. */
  sslMm: number;
}

/** Walls of a storey that begin at its floor; one that begins over it hangs there on purpose. */
const onItsFloorPass = definePass({
  name: 'walls that begin at their floor',
  scope: 'level',
  gathers: true,
  run: (cx, key): readonly OnItsFloor[] => {
    const [building] = partsOf(key);
    const storey = cx.get(storeyPass, key);
    const plates = cx.get(platesPass, building);
    // Before there is any floor nothing is missing yet.
    if (!storey || plates.all.length === 0) return NO_WALLS;
    return cx.get(standingPass, key).runs.flatMap(({ wall, type, bottomMm }): OnItsFloor[] => {
      const plan = cx.get(typedPlanPass, keyOf(building, wall, type));
      const drawn = cx.get(drawnPass, keyOf(building, wall));
      if (!plan || !drawn) return [];
      const { fflMm, sslMm } = floorUnder(storey.level, plates, { rings: plan.strips, facts: cx.facts });
      return bottomMm > fflMm + 1 || bottomMm < sslMm - 1 ? [] : [{ wall, plan, drawn: drawn.path, sslMm }];
    });
  },
});
const NO_WALLS: readonly OnItsFloor[] = [];

/** Walls of a storey that have nothing under them somewhere; by building and level. */
const footingsPass: Pass<readonly Bare[]> = definePass<readonly Bare[]>({
  name: 'what walls of a storey stand on',
  scope: 'level',
  run: (cx, key) => {
    const [building, level] = partsOf(key);
    const same = cx.get(alikePass, key);
    if (same !== level) return cx.get(footingsPass, keyOf(building, same));
    const standing = cx.get(onItsFloorPass, key);
    if (standing.length === 0) return NONE;
    const within = cx.get(inStoreyPass, key);
    const known = new Map<string, readonly StoreySolid[]>();
    // Few of what is in a storey reach down to its floor and under it.
    const underAt = (baseMm: number, sslMm: number): readonly StoreySolid[] => {
      const isDeep = baseMm < sslMm - 1;
      const at = `${baseMm} ${isDeep}`;
      let under = known.get(at);
      if (!under) {
        const all = isDeep ? [...within, ...carryingBelow(cx, key, baseMm)] : within;
        known.set(at, (under = all.flatMap((each) => (carries(each, level, baseMm) ? [each.solid] : []))));
      }
      return under;
    };
    const bottoms = new Map<Id, number>();
    for (const { solid, lowMm } of within)
      if ((solid.level ?? level) === level && lowMm < (bottoms.get(solid.thing) ?? Infinity))
        bottoms.set(solid.thing, lowMm);
    const found = standing.flatMap(({ wall, plan, drawn, sslMm }): Bare[] => {
      // An exterior wall goes down past the edge of the slab it stands on.
      const baseMm = Math.min(sslMm, bottoms.get(wall) ?? Infinity);
      const isOwn = (solid: StoreySolid) => solid.thing === wall && (solid.level ?? level) === level;
      const under = underAt(baseMm, sslMm).filter((solid) => !isOwn(solid));
      const gaps = bareOver(cx, plan, drawn, under);
      return gaps.length === 0 ? [] : [{ wall, gaps }];
    });
    return found.length === 0 ? NONE : found;
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
