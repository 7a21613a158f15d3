import type { Finding } from '../checks/finding';
import { columnRingsPass } from '../columns/column-passes';
import type { Ring } from '../geometry/polygon';
import { platesPass } from '../floors/floor-passes';
import { endMm } from '../levels/resolve-end';
import { recordsOf } from '../model/framework';
import type { Id } from '../model/ids';
import { goesUpToPass } from '../pitched-roofs/goes-up-to';
import { roofSlantsPass } from '../pitched-roofs/pitched-roof-passes';
import { underOver } from '../pitched-roofs/under-roof';
import { together } from '../passes/together';
import { definePass, keyOf, partsOf, type Pass } from '../passes/pass';
import { resolvePlace } from '../outlines/resolve-place';
import { ROOMS_CUT_MM, shaftRingsPass } from '../shafts/shaft-passes';
import type { SolvedBoundary } from '../solving/solved';
import { storeyAlike } from '../solving/alike';
import { levelNamesPass, ownRecords, storeyPass, storeysOf } from '../solving/building-passes';
import { following, holdsLevel } from '../typical/typical';
import { wallsBefore } from '../walls/wall-passes';
import { standingPass } from '../walls/walls-standing';
import { typedPlanPass, wallPlanPass } from '../walls/wall-plans';
import {
  boundaryPath,
  closedRegions,
  hairs,
  namedRooms,
  type ClosedRegion,
  type RoomRegion,
  type RoomsOfStorey,
  type Tag,
} from './solve-rooms';

const boundariesPass = definePass({
  name: 'boundary lines of a storey',
  scope: 'level',
  run: ({ framework, facts }, key): readonly Ring[] => {
    const [building, level] = partsOf(key);
    return ownRecords(recordsOf(framework, 'boundaryLine'), building)
      .filter((line) => holdsLevel(framework, [line.level], level))
      .flatMap((line) => hairs(framework, line))
      .map((ring) => facts.one(ring));
  },
});

/** Boundary lines at the levels they divide, those that follow among them. */
export const boundaryLinesPass = definePass({
  name: 'boundary lines',
  scope: 'building',
  run: (cx, building): readonly SolvedBoundary[] => {
    const { framework } = cx;
    const levels = storeysOf(cx, building).map(({ id }) => id);
    return ownRecords(recordsOf(framework, 'boundaryLine'), building).flatMap((line) => {
      const points = boundaryPath(framework, line);
      return levels
        .filter((level) => holdsLevel(framework, [line.level], level))
        .map((level) => ({ line: line.id, building, level, points }));
    });
  },
});

/** Walls between floor and ceiling where the plan of a storey is cut, in plan; by building and level. */
const cutBandPass: Pass<{ ids: ReadonlySet<Id>; strips: readonly Ring[] }> = definePass<{
  ids: ReadonlySet<Id>;
  strips: readonly Ring[];
}>({
  name: 'walls between floor and ceiling where a storey is cut',
  scope: 'level',
  run: (cx, key) => {
    const [building, level] = partsOf(key);
    const same = cx.get(wallsBefore.alike, key);
    if (same !== level) return cx.get(cutBandPass, keyOf(building, same));
    const cut = cx
      .get(wallsBefore.band, key)
      .filter(({ bottomMm, topMm }) => bottomMm < ROOMS_CUT_MM && topMm > ROOMS_CUT_MM);
    const strips = cut.flatMap(({ wall, type }) => cx.get(typedPlanPass, keyOf(building, wall, type))?.strips ?? []);
    return { ids: new Set(cut.map(({ wall }) => wall)), strips };
  },
});

/** What stands where the plan of a storey is cut, in plan. */
export const cutStripsPass = definePass({
  name: 'walls where a storey is cut',
  scope: 'level',
  run: (cx, key): readonly Ring[] => {
    const [building] = partsOf(key);
    const { ids, strips } = cx.get(cutBandPass, key);
    const atRoofs = cx.get(atticWallsPass, key).filter((wall) => !ids.has(wall));
    if (atRoofs.length === 0) return strips;
    return [...strips, ...atRoofs.flatMap((wall) => cx.get(wallPlanPass, keyOf(building, wall))?.strips ?? [])];
  },
});

/** Walls that go up to a roof from the floor of a storey, or from below it: they bound its rooms however low the roof comes down there. */
const atticWallsPass = definePass({
  name: 'walls up to roofs in a storey',
  scope: 'level',
  run: (cx, key): readonly Id[] => {
    const [building, level] = partsOf(key);
    const own = storeysOf(cx, building).find(({ id }) => id === level);
    if (!own || cx.get(roofSlantsPass, building).length === 0 || cx.get(platesPass, building).at(level).length === 0)
      return [];
    return cx.get(standingPass, building).flatMap(({ id, startsAt, stopsAt }) => {
      if (stopsAt.face !== 'roof' || endMm(cx.framework, startsAt, ({ sslMm }) => sslMm) > own.fflMm + 1) return [];
      const wall = keyOf(building, id);
      const over = underOver(cx.get(goesUpToPass, wall), cx.get(wallPlanPass, wall)?.strips ?? []);
      return over && over.highMm > own.fflMm + 1 ? [id] : [];
    });
  },
});

export const regionsAlikePass = storeyAlike('closed regions', (cx, key) =>
  [cutStripsPass, boundariesPass, columnRingsPass, shaftRingsPass]
    .map((pass) =>
      cx
        .get(pass, key)
        .map((ring) => cx.facts.numberOf(ring))
        .join(),
    )
    .join('|'),
);

/** The closed regions of a storey, whatever they are called. */
const regionsPass: Pass<readonly ClosedRegion[]> = definePass<readonly ClosedRegion[]>({
  name: 'closed regions of a storey',
  scope: 'level',
  run: (cx, key) => {
    const [building, level] = partsOf(key);
    const same = cx.get(regionsAlikePass, key);
    if (same !== level) return cx.get(regionsPass, keyOf(building, same));
    const strips = cx.get(cutStripsPass, key);
    if (strips.length === 0) return [];
    return closedRegions({
      strips,
      boundaries: cx.get(boundariesPass, key),
      columns: cx.get(columnRingsPass, key),
      shafts: cx.get(shaftRingsPass, key),
      union: (...args) => cx.profiles.union(...args),
      facts: cx.facts,
    });
  },
});

const tagsPass = definePass({
  name: 'tags of rooms',
  scope: 'building',
  run: ({ framework }, building): ReadonlyMap<string, readonly Tag[]> => {
    const found = new Map<string, Tag[]>();
    for (const room of ownRecords(recordsOf(framework, 'room'), building)) {
      const tag = { room, at: resolvePlace(framework, room.place).at };
      const list = found.get(room.level);
      if (list) list.push(tag);
      else found.set(room.level, [tag]);
    }
    return found;
  },
});

const tagsAtPass = definePass({
  name: 'tags of rooms of a storey',
  scope: 'level',
  gathers: true,
  run: (cx, key): readonly Tag[] => {
    const [building, level] = partsOf(key);
    return cx.get(tagsPass, building).get(level) ?? [];
  },
});

const belowPass = definePass({
  name: 'storey below',
  scope: 'level',
  run: (cx, key): string | null => {
    const [building, level] = partsOf(key);
    const storeys = storeysOf(cx, building);
    return storeys[storeys.findIndex(({ id }) => id === level) - 1]?.id ?? null;
  },
});

/** Rooms that go on upwards from the storey below. */
const carriedPass = definePass({
  name: 'rooms carried up to a storey',
  scope: 'level',
  run: (cx, key): ReadonlyMap<Ring, Tag> => {
    const [building] = partsOf(key);
    const below = cx.get(belowPass, key);
    return below === null ? new Map() : cx.get(storeyRoomsPass, keyOf(building, below)).carried;
  },
});

const storeyRoomsPass = definePass<RoomsOfStorey>({
  name: 'rooms of a storey',
  scope: 'level',
  run: (cx, key) => {
    const [building, level] = partsOf(key);
    const storey = cx.get(storeyPass, key);
    if (!storey) return { regions: [], carried: new Map(), findings: [] };
    const master = following(cx.framework).masterOf.get(level);
    const names = cx.get(levelNamesPass, building);
    return namedRooms(
      { id: level, building, name: names.get(level) ?? '' },
      cx.get(regionsPass, key),
      cx.get(tagsAtPass, key),
      // A level that follows has its master's rooms but where it has its own.
      master === undefined ? [] : cx.get(tagsAtPass, keyOf(building, master)),
      cx.get(carriedPass, key),
      (id) => names.get(id),
    );
  },
});

/** The rooms of a storey with their regions. */
export const roomsAtPass = definePass({
  name: 'regions of a storey',
  scope: 'level',
  gathers: true,
  run: (cx, key): readonly RoomRegion[] => cx.get(storeyRoomsPass, key).regions,
});

export const roomsPass = definePass<{ regions: readonly RoomRegion[]; findings: Finding[] }>({
  name: 'rooms',
  scope: 'building',
  gathers: true,
  run: (cx, building) => {
    const storeys = storeysOf(cx, building).map(({ id }) => cx.get(storeyRoomsPass, keyOf(building, id)));
    return {
      regions: together(storeys.map(({ regions }) => regions)),
      findings: together(storeys.map(({ findings }) => findings)),
    };
  },
  failing: ({ framework }, building) => ({
    what: 'The rooms',
    building,
    about: ownRecords(recordsOf(framework, 'room'), building).map(({ id }) => id),
    value: { regions: [], findings: [] },
  }),
});
