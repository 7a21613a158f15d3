import type { Finding } from '../checks/finding';
import { columnRingsPass } from '../columns/column-passes';
import { floorsPass } from '../floors/cut-floor-passes';
import { plus, times } from '../geometry/point';
import type { Ring } from '../geometry/polygon';
import { recordOf } from '../model/framework';
import type { Id } from '../model/ids';
import { definePass, keyOf, partsOf, type Context, type Pass } from '../passes/pass';
import { cutStripsPass, roomsAtPass } from '../rooms/room-passes';
import type { RoomRegion } from '../rooms/solve-rooms';
import { escapeRules, projectRules } from '../rule-sets/rules-in';
import { shaftRingsPass } from '../shafts/shaft-passes';
import { storeyAlike } from '../solving/alike';
import { fflPass, levelNamesPass, storeysOf } from '../solving/building-passes';
import { sourceOf } from '../stairs/rule-sets';
import { stairsPass } from '../stairs/stair-passes';
import { wallCuttersPass } from '../walls/wall-cutters';
import { passingIdsPass } from '../walls/walls-standing';
import { wallsBefore } from '../walls/wall-passes';
import type { WallPiece } from '../walls/solved-wall';
import { checkWaysOut, checkStairsOut } from './check-escape';
import type { Door, PlanOfFloor } from './free-floor';
import { NO_WAY, waysOutOf, type NamedGoal, type SpaceWay } from './room-ways';
import { goalAt, stairsOutAt, stretchesOf, type Stretch } from './stairs-out';
import type { RoomWay, WaysOut } from './ways-out';

/** What begins this near to the floor is walked through, mm. */
const SILL_MM = 50;
/** One stands this far inside a door to the outside, mm. */
const BEFORE_MM = 50;

/** Levels with a way out: as said, or the one nearest to the building's zero. */
const exitLevelsPass = definePass({
  name: 'levels with a way out',
  scope: 'building',
  run: (cx, building): readonly Id[] => {
    const storeys = storeysOf(cx, building).filter(({ record }) => record.levelKind !== 'roof');
    const said = (id: Id) => recordOf(cx.framework, 'level', id)?.wayOut ?? null;
    const ground = [...storeys].sort((a, b) => Math.abs(a.fflMm) - Math.abs(b.fflMm))[0]?.id;
    return storeys.filter(({ id }) => said(id) ?? id === ground).map(({ id }) => id);
  },
});

const stretchesPass = definePass({
  name: 'where stairs lead',
  scope: 'building',
  run: (cx, building): readonly Stretch[] =>
    stretchesOf(cx.get(stairsPass, building), new Set(cx.get(exitLevelsPass, building))),
});

const slabsPass = definePass({
  name: 'slabs by levels',
  scope: 'building',
  gathers: true,
  run: (cx, building): ReadonlyMap<Id, { slabs: readonly Ring[]; holes: readonly Ring[] }> => {
    const found = new Map<Id, { slabs: Ring[]; holes: Ring[] }>();
    // Where walls pass slabs these are open for them; one walks over that in their doors.
    const walls = new Set(cx.get(wallCuttersPass, building).map(({ id }) => id));
    for (const { level, outline, holes } of cx.get(floorsPass, building)) {
      const own = found.get(level) ?? { slabs: [], holes: [] };
      found.set(level, own);
      own.slabs.push(outline);
      own.holes.push(...holes.filter(({ by }) => by === null || !walls.has(by)).map(({ ring }) => ring));
    }
    return found;
  },
});

const slabsAtPass = definePass({
  name: 'slabs of a level',
  scope: 'level',
  run: (cx, key): { slabs: readonly Ring[]; holes: readonly Ring[] } => {
    const [building, level] = partsOf(key);
    return cx.get(slabsPass, building).get(level) ?? { slabs: [], holes: [] };
  },
});

/** Doors and plain openings that begin at the floor of a level. */
export const doorsAtPass = definePass({
  name: 'doors of a level',
  scope: 'level',
  run: (cx, key): readonly Door[] => {
    const [building, level] = partsOf(key);
    const passing = cx
      .get(passingIdsPass, building)
      .flatMap((id) => cx.get(wallsBefore.passing, keyOf(building, id)).pieces)
      .filter(({ openings }) => openings.length > 0);
    const fflMm = passing.length === 0 ? 0 : cx.get(fflPass, key);
    return [
      ...cx.get(wallsBefore.inPlan, key).pieces.flatMap((piece) => doorsOf(piece, null, 0)),
      ...passing.flatMap((piece) => doorsOf(piece, level, fflMm)),
    ];
  },
});

/** `level`: only those at this level. */
const doorsOf = ({ use, openings }: WallPiece, level: Id | null, fflMm: number): Door[] =>
  openings
    .filter(
      (each) =>
        each.opening !== 'window' &&
        Math.abs(each.bottomMm - fflMm) <= SILL_MM &&
        (level === null || each.level === level),
    )
    .map(({ id, name, ring, ends, inwards, widthMm, thicknessMm, bottomMm, topMm }) => ({
      id,
      name,
      ring,
      ends,
      inside: plus(times(plus(ends[0], ends[1]), 0.5), times(inwards, thicknessMm / 2 + BEFORE_MM)),
      insideMm: thicknessMm / 2 + BEFORE_MM,
      widthMm,
      heightMm: topMm - bottomMm,
      leadsOut: use === 'exterior' || use === 'glazed',
    }));

const rankOf = (cx: Context, building: Id): ((level: Id) => number) => {
  const ranks = new Map(storeysOf(cx, building).map(({ id }, i) => [id, i]));
  return (level) => ranks.get(level) ?? -1;
};

/** Stairs that lead out of a level; at one with a way out, the doors to the outside. */
const goalsAtPass = definePass({
  name: 'what leads out of a level',
  scope: 'level',
  run: (cx, key): readonly NamedGoal[] => {
    const [building, level] = partsOf(key);
    if (cx.get(exitLevelsPass, building).includes(level))
      return cx
        .get(doorsAtPass, key)
        .filter(({ leadsOut }) => leadsOut)
        .map(({ id, name, inside, insideMm }) => ({
          at: inside,
          moreMm: insideMm,
          name: `door ${name}`,
          of: id,
        }));
    const rank = rankOf(cx, building);
    return cx.get(stretchesPass, building).flatMap((stretch): NamedGoal[] => {
      const goal = stretch.levels.includes(level) ? goalAt(stretch, level, rank) : null;
      return goal ? [{ ...goal, name: `stair ${stretch.stair.name}`, of: stretch.stair.stair }] : [];
    });
  },
});

const planAtPass = definePass({
  name: 'what one walks on at a level',
  scope: 'level',
  run: (cx, key): PlanOfFloor => {
    const [building, level] = partsOf(key);
    const { slabs, holes } = cx.get(slabsAtPass, key);
    // Where a stair begins it stands on the floor.
    const begun = cx
      .get(stairsPass, building)
      .filter(({ storeys }) => storeys.some((storey) => storey.level === level))
      .map(({ ring }) => ring);
    return {
      slabs,
      holes: [...holes, ...begun, ...cx.get(shaftRingsPass, key)],
      walls: cx.get(cutStripsPass, key),
      columns: cx.get(columnRingsPass, key),
      doors: cx.get(doorsAtPass, key),
    };
  },
});

const alikePass = storeyAlike('ways out', (cx, key) => {
  const { slabs, holes, walls, columns, doors } = cx.get(planAtPass, key);
  const numbers = (rings: readonly Ring[]) => rings.map((ring) => cx.facts.numberOf(ring)).join();
  const spaces = cx.get(roomsAtPass, key).map(({ ring }) => ring);
  return [
    ...[slabs, holes, walls, columns, spaces].map(numbers),
    doors.map(({ widthMm, ring }) => `${widthMm} ${cx.facts.numberOf(ring)}`).join(),
    cx
      .get(goalsAtPass, key)
      .map(({ at, moreMm, name }) => `${at.x} ${at.y} ${moreMm} ${name}`)
      .join(),
  ].join('|');
});

/** The ways out of the closed regions of a level, in their order; of a level without any, of all its floor. */
const spaceWaysPass: Pass<readonly SpaceWay[]> = definePass<readonly SpaceWay[]>({
  name: 'ways out of rooms',
  scope: 'level',
  late: { until: [] },
  run: (cx, key) => {
    const [building, level] = partsOf(key);
    const same = cx.get(alikePass, key);
    if (same !== level) return cx.get(spaceWaysPass, keyOf(building, same));
    return waysOutOf(cx.get(planAtPass, key), cx.get(goalsAtPass, key), cx.get(roomsAtPass, key));
  },
});

const MM2_PER_M2 = 1e6;

/** Stairs that lead out of a level, whatever their heights. */
const stairsOutPass = definePass({
  name: 'stairs out of a level',
  scope: 'level',
  run: (cx, key) => {
    const [building, level] = partsOf(key);
    return stairsOutAt(cx.get(stretchesPass, building), level, rankOf(cx, building));
  },
});

const waysOutAtPass = definePass<WaysOut>({
  name: 'ways out of a level',
  scope: 'level',
  run: (cx, key) => {
    const [building, level] = partsOf(key);
    const rules = escapeRules(cx.framework, projectRules(cx.framework));
    const isExit = cx.get(exitLevelsPass, building).includes(level);
    const stairs = cx.get(stairsOutPass, key);
    const doors = isExit
      ? cx
          .get(doorsAtPass, key)
          .filter(({ leadsOut }) => leadsOut)
          .map(({ name, widthMm }) => ({ name, widthMm }))
      : [];
    const regions = cx.get(roomsAtPass, key);
    const bare = () => cx.get(slabsAtPass, key).slabs.slice(0, 1);
    const spaces = regions.length > 0 ? regions : bare().map((slab) => wholeFloor(building, level, slab));
    const ways = cx.get(spaceWaysPass, key);
    const rooms = spaces.map(({ room, number, name, use, ring, netMm2 }, i): RoomWay => {
      const perPerson = rules.areaPerPersonM2[use as keyof typeof rules.areaPerPersonM2] ?? null;
      const people = perPerson === null ? null : Math.ceil(netMm2 / MM2_PER_M2 / perPerson - 1e-9);
      return { room, number, name, use, areaMm2: netMm2, people, ring, ...(ways[i] ?? NO_WAY) };
    });
    const most = (values: (number | null)[]) => {
      const known = values.filter((value) => value !== null);
      return known.length === 0 ? null : Math.max(...known);
    };
    const leading = stairs.filter(({ to, onBy }) => to !== null || onBy);
    const widths = (isExit ? doors : leading).map(({ widthMm }) => widthMm);
    const narrow = [...widths, ...rooms.flatMap(({ narrowestMm }) => narrowestMm ?? [])];
    const people = rooms.reduce((sum, room) => sum + (room.people ?? 0), 0);
    return {
      building,
      level,
      isExit,
      stairs,
      doors,
      rooms,
      people,
      neededMm: people * rules.widthPerPersonMm,
      givenMm: widths.reduce((sum, width) => sum + width, 0),
      narrowestMm: narrow.length === 0 ? null : Math.min(...narrow),
      travelMm: most(rooms.map(({ mm }) => mm)),
      deadEndMm: most(rooms.map(({ deadEndMm }) => deadEndMm)),
      limits: {
        travelMm: rules.travelMm,
        travelSource: sourceOf(rules, 'escape.travel'),
        deadEndMm: rules.deadEndMm,
        deadEndSource: sourceOf(rules, 'escape.deadEnd'),
      },
    };
  },
});

const wholeFloor = (building: Id, level: Id, ring: Ring): RoomRegion => ({
  building,
  level,
  room: null,
  number: '',
  name: '',
  use: '',
  ring,
  holes: [],
  netMm2: 0,
  perimeterMm: 0,
  at: ring[0]!,
  isCarried: false,
});

/** How one gets out of each level of a building that has a floor. */
export const waysOutPass = definePass({
  name: 'ways out',
  scope: 'building',
  gathers: true,
  run: (cx, building): readonly WaysOut[] =>
    storeysOf(cx, building)
      .filter(
        ({ id, record }) => record.levelKind !== 'roof' && cx.get(slabsAtPass, keyOf(building, id)).slabs.length > 0,
      )
      .map(({ id }) => cx.get(waysOutAtPass, keyOf(building, id))),
  failing: (_, building) => ({ what: 'The ways out', building, about: [], value: [] }),
});

export const escapeFindingsPass = definePass({
  name: 'findings of ways out',
  scope: 'building',
  run: (cx, building): readonly Finding[] => {
    const names = cx.get(levelNamesPass, building);
    const stairs = cx.get(stairsPass, building);
    return [
      ...checkStairsOut(cx.framework, building, cx.get(stretchesPass, building), stairs, {
        exits: cx.get(exitLevelsPass, building),
        storeys: storeysOf(cx, building),
        names,
      }),
      ...cx.get(waysOutPass, building).flatMap((ways) => checkWaysOut(ways, names, stairs.length === 0)),
    ];
  },
  failing: (_, building) => ({ what: 'The ways out', building, about: [], value: [] }),
});
