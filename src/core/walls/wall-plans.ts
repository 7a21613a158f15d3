import { platesUnder, type Plate } from '../floors/plates';
import { platesPass } from '../floors/floor-passes';
import type { Point } from '../geometry/point';
import { boundsOf, type Box, type Ring } from '../geometry/polygon';
import type { Id } from '../model/ids';
import { definePass, keyOf, partsOf, type Context } from '../passes/pass';
import { endReachMm, joined, type Joining } from './joins';
import type { Wall } from './wall';
import { stripsOf, wallPath, type WallPath } from './wall-path';
import { sharingNear } from './wall-squares';
import { drawnPass, wallRecordPass } from './walls-standing';

/** A wall of one type in plan, its ends brought to those it meets. */
export interface WallPlan {
  record: Wall;
  type: Id;
  join: Joining;
  path: WallPath;
  strips: readonly Ring[];
  box: Box;
  /** Slabs it meets in plan, whatever their heights. */
  under: ReadonlySet<Plate>;
}

/** The path of a wall with its ends brought to those it meets, by building and id: many lie near one that moves, few of them meet it. */
const joinedPass = definePass({
  name: 'wall brought to those it meets',
  scope: 'thing',
  run: (cx, key): WallPath | null => {
    const join = cx.get(drawnPass, key);
    const near = (end: Point) => {
      const at = { minX: end.x, maxX: end.x, minY: end.y, maxY: end.y };
      return sharingNear(cx, key, at, endReachMm(join!.path));
    };
    return join && joined(join, near);
  },
});

/** A wall of its usual type in plan, by building and id. */
export const wallPlanPass = definePass({
  name: 'wall in plan',
  scope: 'thing',
  run: (cx, key): WallPlan | null => {
    const [building] = partsOf(key);
    const record = cx.get(wallRecordPass, key);
    const join = cx.get(drawnPass, key);
    if (!record || !join) return null;
    const path = cx.get(joinedPass, key)!;
    const strips = stripsFrom(cx, path);
    const { all } = cx.get(platesPass, building);
    const under = new Set(strips.flatMap((strip) => [...platesUnder(all, strip, cx.facts)]));
    return { record, type: record.type, join: { ...join, path }, path, strips, box: boundsOf(strips), under };
  },
});

/**
 * The same wall of another type, by building, id and type: the face it is drawn on stays where it is, so do its ends.
 */
export const typedPlanPass = definePass({
  name: 'wall of a type in plan',
  scope: 'thing',
  run: (cx, key): WallPlan | null => {
    const [building, id, type] = partsOf(key);
    const plan = cx.get(wallPlanPass, keyOf(building, id));
    if (!plan || plan.type === type) return plan;
    const path = wallPath(cx.framework, { ...plan.record, type })?.along(plan.path.points) ?? plan.path;
    const strips = stripsFrom(cx, path);
    return { ...plan, type, join: { ...plan.join, path }, path, strips, box: boundsOf(strips) };
  },
});

const stripsFrom = ({ facts }: Context, path: WallPath): Ring[] =>
  stripsOf(path, 0, path.build.thicknessMm).map((ring) => facts.one(ring));
