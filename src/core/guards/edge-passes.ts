import { mmOf } from '../dimensions/resolve-length';
import { floorsPass } from '../floors/cut-floor-passes';
import { plus, times, turned, type Point } from '../geometry/point';
import type { Ring } from '../geometry/polygon';
import { endMm } from '../levels/resolve-end';
import { recordsOf } from '../model/framework';
import type { Id } from '../model/ids';
import { resolvePlace } from '../outlines/resolve-place';
import { definePass, keyOf, partsOf, type Context, type Pass } from '../passes/pass';
import { rampsPass } from '../ramps/ramp-passes';
import { assembliesOf } from '../slants/assembly';
import { heightOnSlant } from '../slants/slant';
import { slopedFloorsPass } from '../sloped-floors/sloped-floor-passes';
import { flooredPass, ownRecords } from '../solving/building-passes';
import { stairsPass } from '../stairs/stair-passes';
import { wallsBefore } from '../walls/wall-passes';
import { typedPlanPass } from '../walls/wall-plans';
import type { Guard } from './guard';
import { guardRules } from '../rule-sets/rules-in';
import { bareEdges, isFloor, openEdges, type BareRing, type EdgeRun, type FloorEdges, type Mouth } from './open-edges';
import type { FootPlace } from './side-path';

/** A level's floors in plan, with what their openings are of. */
const floorsAtPass = definePass({
  name: 'floors in plan at a level',
  scope: 'level',
  run: (cx, key): readonly FloorEdges[] => {
    const [building, level] = partsOf(key);
    return cx
      .get(floorsPass, building)
      .filter((piece) => piece.level === level)
      .map(({ plate, profile, holes }) => ({
        plate,
        regions: cx.profiles.known(profile).regions,
        holes: holes.map(({ by, ring }) => ({ by, ring })),
      }));
  },
});

/** FFL of any level that has floors. */
export const heightOf = (cx: Context, building: Id, level: Id): number =>
  cx.get(flooredPass, building).find(({ id }) => id === level)?.fflMm ?? 0;

/** A wall that begins this near over the floor stands on it, mm. */
const ON_FLOOR_MM = 300;

/** Walls that close edges, and whether some are of the outside. */
interface Closing {
  rings: readonly Ring[];
  hasFacade: boolean;
}

/** What closes edges at a level under a rule set: walls that stand on it, as high as a guard would have to be. */
export const wallsAtPass: Pass<Closing> = definePass<Closing>({
  name: 'what closes edges at a level',
  scope: 'level',
  run: (cx, key) => {
    const [building, level, rules] = key.split('/') as [Id, Id, Guard['rules']];
    const same = cx.get(wallsBefore.alike, keyOf(building, level));
    if (same !== level) return cx.get(wallsAtPass, keyOf(building, same, rules));
    const { edgeMm } = guardRules(cx.framework, rules);
    const standing = cx
      .get(wallsBefore.band, keyOf(building, level))
      .filter(({ bottomMm, topMm }) => bottomMm <= ON_FLOOR_MM && topMm >= edgeMm - 0.5)
      .flatMap(({ wall, type }) => cx.get(typedPlanPass, keyOf(building, wall, type)) ?? []);
    return {
      rings: standing.flatMap(({ strips }) => strips),
      hasFacade: standing.some(({ record: { use } }) => use === 'exterior' || use === 'glazed'),
    };
  },
});

/** Where one walks over the edges of floors of a level: off stairs and ramps, and onto them. */
const mouthsAtPass = definePass({
  name: 'where one walks over edges of a level',
  scope: 'level',
  run: (cx, key): readonly Mouth[] => {
    const [building, level] = partsOf(key);
    const fflMm = heightOf(cx, building, level);
    return [
      ...cx
        .get(stairsPass, building)
        .flatMap(({ storeys, flightWidthMm }) =>
          storeys.flatMap(({ level: from, upper, foot, head }) => [
            ...(from === level && foot ? [{ ...foot, widthMm: flightWidthMm }] : []),
            ...(upper === level && head ? [{ ...head, widthMm: flightWidthMm }] : []),
          ]),
        ),
      ...assembliesOf(cx.get(rampsPass, building), 'ramp').flatMap(({ info }) => {
        const { startMm, riseMm, widthMm, walk, head } = info;
        const [first, second] = [walk[0]!, walk[1]!];
        const along = { x: second.x - first.x, y: second.y - first.y };
        const size = Math.sqrt(along.x * along.x + along.y * along.y);
        return [
          ...(Math.abs(startMm - fflMm) < 5 ? [{ at: first, along: times(along, 1 / size), widthMm }] : []),
          ...(Math.abs(startMm + riseMm - fflMm) < 5 ? [{ ...head, widthMm }] : []),
        ];
      }),
    ];
  },
});

/** Heights of floors, ramps and sloped floors of a building, and of the ground about it. */
function dropFrom(cx: Context, building: Id, fflMm: number): (point: Point) => number {
  const lower = cx
    .get(flooredPass, building)
    .filter((level) => level.fflMm < fflMm - 50)
    .sort((a, b) => b.fflMm - a.fflMm)
    .map(({ id, fflMm: mm }) => ({ mm, floors: cx.get(floorsAtPass, keyOf(building, id)) }));
  const leaning = [...cx.get(rampsPass, building), ...cx.get(slopedFloorsPass, building)];
  // Of the ground no more is known than that the building's zero lies on it.
  const groundMm = Math.min(0, fflMm);
  return (point) => {
    const floor = lower.find(({ floors }) => floors.some((each) => isFloor(each, point)))?.mm ?? groundMm;
    const slopes = leaning.flatMap(({ parts }) =>
      parts.flatMap(({ slants }) => slants.flatMap((slant) => heightOnSlant(slant, point) ?? [])),
    );
    const under = Math.max(floor, ...slopes.filter((mm) => mm < fflMm + 50));
    return fflMm - under;
  };
}

/** What nothing closes of the edges of a level's floors under a rule set, whatever lies beyond. */
const bareAtPass = definePass({
  name: 'bare edges of a level',
  scope: 'level',
  run: (cx, key): readonly BareRing[] => {
    const [building, level] = key.split('/') as [Id, Id, Guard['rules']];
    const at = keyOf(building, level);
    const floors = cx.get(floorsAtPass, at);
    if (floors.length === 0) return [];
    const drawn = ownRecords(recordsOf(cx.framework, 'guard'), building).flatMap((guard) => {
      if (guard.along.of !== 'line' || guard.along.baseAt.level !== level) return [];
      const places = linePlaces(cx, guard.along);
      return places.slice(1).map((to, i) => strip(places[i]!, to));
    });
    return bareEdges({
      floors,
      covers: [...cx.get(wallsAtPass, key).rings, ...drawn],
      mouths: cx.get(mouthsAtPass, at),
    });
  },
});

/** Open edges of a level under a rule set, before any guard stands at them but those drawn by hand. */
export const edgesAtPass = definePass({
  name: 'open edges of a level',
  scope: 'level',
  run: (cx, key): readonly EdgeRun[] => {
    const [building, level, rules] = key.split('/') as [Id, Id, Guard['rules']];
    const bare = cx.get(bareAtPass, key);
    if (bare.length === 0) return [];
    return openEdges(
      bare,
      dropFrom(cx, building, heightOf(cx, building, level)),
      guardRules(cx.framework, rules).dropMm,
    );
  },
});

/** A thin ring about a line. */
function strip(from: Point, to: Point): Ring {
  const way = { x: to.x - from.x, y: to.y - from.y };
  const size = Math.sqrt(way.x * way.x + way.y * way.y) || 1;
  const side = times({ x: -way.y, y: way.x }, 20 / size);
  const back = times(side, -1);
  return [plus(from, back), plus(to, back), plus(to, side), plus(from, side)];
}

export function linePlaces(cx: Context, along: Guard['along'] & { of: 'line' }): FootPlace[] {
  const { framework } = cx;
  const { at, turnDeg } = resolvePlace(framework, along.place);
  const mm = endMm(framework, along.baseAt, ({ sslMm }) => sslMm);
  return along.points.map(({ xMm, yMm }) => ({
    ...plus(at, turned({ x: mmOf(framework, xMm), y: mmOf(framework, yMm) }, turnDeg)),
    mm,
  }));
}
