import { platesUnder, type Plate } from '../floors/plates';
import { platesPass } from '../floors/floor-passes';
import { boundsOf, type Box, type Ring } from '../geometry/polygon';
import type { Point } from '../geometry/point';
import { levelsOf } from '../levels/resolve-levels';
import { recordOf, recordsOf } from '../model/framework';
import type { Id } from '../model/ids';
import { definePass, keyOf, partsOf, type Context } from '../passes/pass';
import { roofParapet } from '../roofs/roof-parts';
import { ownRecords, storeysOf } from '../solving/building-passes';
import { following } from '../typical/typical';
import { endReachMm, joinBox, joined, type Joining } from './joins';
import { partyWallsOf, withSharedEnds } from './party-walls';
import type { Wall } from './wall';
import { stripsOf, wallPath, type WallPath } from './wall-path';

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

/** Everything of a building that stands as a wall: its walls, the parapets of its roofs, party walls of others. */
export const standingPass = definePass({
  name: 'what stands as walls',
  scope: 'building',
  run: (cx, building): readonly Wall[] => {
    const { framework } = cx;
    return [
      ...ownRecords(recordsOf(framework, 'wall'), building).map((wall) => withSharedEnds(framework, wall)),
      ...ownRecords(recordsOf(framework, 'roof'), building).flatMap((roof) => roofParapet(framework, roof) ?? []),
      ...cx.get(partyPass, building),
    ];
  },
});

export const partyPass = definePass({
  name: 'party walls of others',
  scope: 'building',
  run: (cx, building): readonly Wall[] => partyWallsOf(cx.framework, building, storeysOf(cx, building)),
});

const standingByIdPass = definePass({
  name: 'what stands as walls by id',
  scope: 'building',
  gathers: true,
  run: (cx, building): ReadonlyMap<Id, Wall> =>
    new Map(cx.get(standingPass, building).map((record) => [record.id, record])),
});

/** A wall, parapet or party wall, by building and id. */
export const wallRecordPass = definePass({
  name: 'wall',
  scope: 'thing',
  gathers: true,
  run: (cx, key): Wall | null => {
    const [building, id] = partsOf(key);
    // One of its own stands by itself: others that change do not touch it.
    const own = recordOf(cx.framework, 'wall', id);
    if (own?.building === building) return withSharedEnds(cx.framework, own);
    return cx.get(standingByIdPass, building).get(id) ?? null;
  },
});

/** Levels of a building from the lowest up, and which of them bound storeys: their heights do not matter. */
const ranksPass = definePass({
  name: 'order of levels',
  scope: 'building',
  run: ({ framework }, building) => levelsOf(framework, building).map(({ id, bounding }) => ({ id, bounding })),
});

/** Where a wall stands, by ranks of levels: between its ends, and one of a single storey where levels follow that. */
function standsIn(cx: Context, building: Id, { startsAt, stopsAt }: Wall): [number, number][] {
  const ranks = cx.get(ranksPass, building);
  const rankOf = (level: Id) => ranks.findIndex(({ id }) => id === level);
  const storeyFrom = (rank: number): [number, number] => {
    const above = ranks.findIndex(({ bounding }, i) => bounding && i > rank);
    return [rank, above < 0 ? ranks.length : above];
  };
  const [low, high] = [rankOf(startsAt.level), rankOf(stopsAt.level)];
  const own = storeyFrom(low);
  // Of a typed height over its own level it stands in that storey.
  if (high > low && high !== own[1]) return [[low, high]];
  const followers = following(cx.framework).followersOf.get(startsAt.level) ?? [];
  return [own, ...followers.map((level) => storeyFrom(rankOf(level)))];
}

/** As drawn: null where it has no length. */
export const drawnPass = definePass({
  name: 'wall as drawn',
  scope: 'thing',
  run: (cx, key): Joining | null => {
    const record = cx.get(wallRecordPass, key);
    const path = record && wallPath(cx.framework, record);
    if (!path) return null;
    const stands = standsIn(cx, partsOf(key)[0], record);
    return { id: record.id, use: record.use, path, box: joinBox(path), stands };
  },
});

/** Walls are looked for in squares of this size, mm. */
const CELL_MM = 8000;
const cellOf = (mm: number): number => Math.floor(mm / CELL_MM);
/** The squares a box covers, made larger on all sides. */
export const cells = function* ({ minX, minY, maxX, maxY }: Box, byMm: number): Generator<string> {
  for (let x = cellOf(minX - byMm); x <= cellOf(maxX + byMm); x += 1)
    for (let y = cellOf(minY - byMm); y <= cellOf(maxY + byMm); y += 1) yield `${x} ${y}`;
};

/** The squares a wall may be joined in. */
function squaresOf(join: Joining): readonly string[] {
  let found = squares.get(join);
  if (!found) squares.set(join, (found = [...cells(join.box, 0)]));
  return found;
}
const squares = new WeakMap<Joining, readonly string[]>();

/** Walls by the squares they may be joined in. */
const cellsPass = definePass({
  name: 'walls by squares',
  scope: 'building',
  gathers: true,
  run: (cx, building): ReadonlyMap<string, readonly Joining[]> => {
    const found = new Map<string, Joining[]>();
    for (const id of cx.get(standingByIdPass, building).keys()) {
      const join = cx.get(drawnPass, keyOf(building, id));
      if (!join) continue;
      for (const cell of squaresOf(join)) {
        const list = found.get(cell);
        if (list) list.push(join);
        else found.set(cell, [join]);
      }
    }
    return found;
  },
});

const cellPass = definePass({
  name: 'walls in a square',
  scope: 'thing',
  gathers: true,
  run: (cx, key): readonly Joining[] => {
    const [building, cell] = partsOf(key);
    return cx.get(cellsPass, building).get(cell) ?? [];
  },
});

/** Walls that may lie within reach of a place, some of them more than once. */
function near(cx: Context, building: Id, at: Point, byMm: number): readonly Joining[] {
  const lists = [...cells({ minX: at.x, maxX: at.x, minY: at.y, maxY: at.y }, byMm)].map((cell) =>
    cx.get(cellPass, keyOf(building, cell)),
  );
  return lists.length === 1 ? lists[0]! : lists.flat();
}

/** The path of a wall with its ends brought to those it meets, by building and id: many lie near one that moves, few of them meet it. */
const joinedPass = definePass({
  name: 'wall brought to those it meets',
  scope: 'thing',
  run: (cx, key): WallPath | null => {
    const [building] = partsOf(key);
    const join = cx.get(drawnPass, key);
    return join && joined(join, (end) => near(cx, building, end, endReachMm(join.path)));
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

/** Walls of a building that may lie within reach of a box, by id. */
export function wallsNear(cx: Context, building: Id, box: Box, byMm = 0): Id[] {
  const found = new Set<Id>();
  for (const cell of cells(box, byMm)) for (const join of cx.get(cellPass, keyOf(building, cell))) found.add(join.id);
  return [...found].sort();
}
