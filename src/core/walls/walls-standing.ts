import { mmOf } from '../dimensions/resolve-length';
import { levelsOf } from '../levels/resolve-levels';
import { recordOf, recordsOf } from '../model/framework';
import type { Id } from '../model/ids';
import { definePass, partsOf, type Context } from '../passes/pass';
import { roofParapet } from '../roofs/roof-parts';
import { ownRecords, storeysOf } from '../solving/building-passes';
import { following } from '../typical/typical';
import { joinBox, pathBox, type Joining, type Stands } from './joins';
import { partyWallsOf, withSharedEnds } from './party-walls';
import { hidesEdges, type Wall } from './wall';
import { wallPath } from './wall-path';

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

/** Who stands as walls, in their order: nothing else of them is told. */
export const wallIdsPass = definePass({
  name: 'who stands as walls',
  scope: 'building',
  run: (cx, building): readonly Id[] => cx.get(standingPass, building).map(({ id }) => id),
});

/** Those that run past slabs. */
export const passingIdsPass = definePass({
  name: 'who of walls passes slabs',
  scope: 'building',
  run: (cx, building): readonly Id[] =>
    cx.get(standingPass, building).flatMap(({ id, passesClearMm }) => (passesClearMm === null ? [] : [id])),
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

/** Where a wall stands by ranks of levels; by building and id. */
export const standsPass = definePass({
  name: 'storeys a wall may stand in',
  scope: 'thing',
  run: (cx, key): Stands => {
    const record = cx.get(wallRecordPass, key);
    return record ? standsIn(cx, partsOf(key)[0], record) : [];
  },
});

/** True for a wall that may go on over the level it stops at, or under the one it starts at; by building and id. */
export const goesOnPass = definePass({
  name: 'whether a wall goes past its levels',
  scope: 'thing',
  run: (cx, key): boolean => {
    const record = cx.get(wallRecordPass, key);
    if (!record) return false;
    const { startsAt, stopsAt, passesClearMm } = record;
    const [under, over] = [startsAt, stopsAt].map(({ offsetMm }) => mmOf(cx.framework, offsetMm)) as [number, number];
    const isPast = under < 0 || over > 0 || startsAt.face === 'soffit' || ['FFL', 'roof'].includes(stopsAt.face);
    return isPast || passesClearMm !== null || hidesEdges(record);
  },
});

/** As drawn: null where it has no length. */
export const drawnPass = definePass({
  name: 'wall as drawn',
  scope: 'thing',
  run: (cx, key): Joining | null => {
    const record = cx.get(wallRecordPass, key);
    const path = record && wallPath(cx.framework, record);
    if (!path) return null;
    return { id: record.id, use: record.use, path, box: joinBox(path), around: pathBox(path) };
  },
});
