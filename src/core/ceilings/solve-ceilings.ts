import { sectionRing } from '../columns/section-shape';
import { mmOf } from '../dimensions/resolve-length';
import { platesUnder, soffitMm, type PlateSet } from '../floors/plates';
import { bounds, counterClockwise, type Ring } from '../geometry/polygon';
import { servedLevels } from '../levels/extent';
import type { ResolvedLevel } from '../levels/resolve-levels';
import { recordOf, recordsOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import type { RoomRegion } from '../rooms/solve-rooms';
import { resolveOutline } from '../setting-out/resolve-outline';
import { shaftRingAt } from '../shafts/ring-at';
import type { PlanFacts } from '../solving/plan-facts';
import type { ColumnPiece, FloorPiece, SolvedShaft } from '../solving/solved';
import { asMaster } from '../typical/as-master';
import { quantiseMm } from '../units/length-units';
import type { WallPiece } from '../walls/solved-wall';
import type { UnionStore } from '../walls/solve-walls';
import type { Ceiling, CeilingException } from './ceiling';
import type { CeilingPiece } from './solved-ceiling';

/** What ceilings of a building are worked out from. */
export interface CeilingsGiven {
  framework: Framework;
  building: Id;
  storeys: readonly ResolvedLevel[];
  plates: PlateSet;
  rooms: readonly RoomRegion[];
  walls: readonly WallPiece[];
  columns: readonly ColumnPiece[];
  shafts: readonly SolvedShaft[];
  floors: readonly FloorPiece[];
  union: UnionStore;
  facts: PlanFacts;
}

/** A ceiling at a level it serves, at its height there. */
interface Hung {
  ceiling: Ceiling;
  heightMm: number;
  thicknessMm: number;
  /** Of its own; null: it follows rooms. */
  outline: Ring | null;
}

/** Regions smaller than this are left of nothing, mm². */
const LEAST_MM2 = 1000;

/**
 * The ceilings of a building, level by level and room by room. One with an outline of its own goes before those that follow
 * rooms, and those of chosen rooms before those of all, so no two hang in one room unless both are meant for it. Shafts,
 * stairs, voids in the slab over it and columns go through.
 */
export function solveCeilings(given: CeilingsGiven): CeilingPiece[] {
  const { framework, building, storeys } = given;
  const records = recordsOf(framework, 'ceiling').filter((record) => record.building === building);
  if (records.length === 0) return [];
  const hungAt = new Map<Id, Hung[]>();
  for (const record of records) {
    for (const [level, hung] of statesOf(given, record)) hungAt.set(level, [...(hungAt.get(level) ?? []), hung]);
  }
  return storeys.slice(0, -1).flatMap((level, i) => {
    const hung = hungAt.get(level.id) ?? [];
    return hung.length === 0 ? [] : piecesAt(given, level, storeys[i + 1]!, hung);
  });
}

function statesOf(given: CeilingsGiven, record: Ceiling): [Id, Hung][] {
  const { framework, storeys, facts } = given;
  const served = servedLevels(framework, record.levels, storeys, storeys);
  const ring = record.outline && resolveOutline(framework, record.outline);
  if (record.outline && !ring) return [];
  type State = Pick<CeilingException, 'leftOut'> & Pick<Ceiling, 'heightMm'>;
  const states = asMaster<State, CeilingException>(
    framework,
    { heightMm: record.heightMm, leftOut: false },
    record.exceptions,
    served.map((id) => ({ id })),
    (from, by) => ({ heightMm: by.heightMm ?? from.heightMm, leftOut: by.leftOut }),
  );
  return states.flatMap((state, i): [Id, Hung][] =>
    state.leftOut
      ? []
      : [
          [
            served[i]!,
            {
              ceiling: record,
              heightMm: mmOf(framework, state.heightMm),
              thicknessMm: mmOf(framework, record.thicknessMm),
              outline: ring && facts.one(ring),
            },
          ],
        ],
  );
}

function piecesAt(given: CeilingsGiven, level: ResolvedLevel, above: ResolvedLevel, hung: readonly Hung[]) {
  const drawn = hung.filter(({ outline }) => outline !== null);
  const outlines = drawn.map(({ outline }) => outline!);
  const regions = given.rooms.filter((region) => region.level === level.id);
  return [
    ...drawn.flatMap((each) => piece(given, level, above, each, each.outline!, null, wallsAt(given, level, each))),
    ...regions.flatMap((region) => {
      const following = hung.filter(({ outline }) => outline === null);
      const named = following.filter(({ ceiling }) => region.room !== null && ceiling.rooms.includes(region.room));
      const all = following.filter(({ ceiling }) => ceiling.rooms.length === 0);
      const inner = region.holes.map((hole) => given.facts.one(counterClockwise(hole)));
      return (named.length > 0 ? named : all).flatMap((each) =>
        piece(given, level, above, each, region.ring, region.room, [...inner, ...outlines]),
      );
    }),
  ];
}

/** Walls that stand where a drawn ceiling hangs. */
const wallsAt = ({ framework, walls }: CeilingsGiven, level: ResolvedLevel, { heightMm }: Hung): Ring[] =>
  walls
    .filter(({ bottomMm, topMm }) => bottomMm < level.fflMm + heightMm && topMm > level.fflMm + heightMm)
    // Those that stop at the ceiling stand under it.
    .filter(({ wall }) => recordOf(framework, 'wall', wall)?.stopsAt.face !== 'ceiling')
    .flatMap(({ strips }) => strips);

function piece(
  given: CeilingsGiven,
  level: ResolvedLevel,
  above: ResolvedLevel,
  { ceiling, heightMm, thicknessMm }: Hung,
  own: Ring,
  room: Id | null,
  without: readonly Ring[],
): CeilingPiece[] {
  const { facts, plates } = given;
  const ring = facts.one(own);
  const bottomMm = quantiseMm(level.fflMm + heightMm);
  const topMm = quantiseMm(bottomMm + thicknessMm);
  const box = bounds(ring);
  const near = (other: Ring) => {
    const b = bounds(other);
    return b.minX < box.maxX && b.maxX > box.minX && b.minY < box.maxY && b.maxY > box.minY;
  };
  const holes = [...without, ...through(given, level, above, bottomMm, topMm)].filter(near);
  const taken = [...new Set(holes.map((hole) => facts.one(hole)))];
  const texts = taken.map((hole) => facts.textOf(hole)).sort();
  const profile = `ceiling ${facts.textOf(ring)}|${texts.join('|')}`;
  const { areaMm2 } = given.union(profile, [ring], taken);
  if (areaMm2 < LEAST_MM2) return [];
  const over = platesUnder(plates.at(above.id), ring, facts);
  return [
    {
      ceiling: ceiling.id,
      building: ceiling.building,
      name: ceiling.name,
      level: level.id,
      room,
      ring,
      profile,
      bottomMm,
      topMm,
      clearMm: heightMm,
      overMm:
        over.size === 0
          ? null
          : quantiseMm(soffitMm(above, plates, (plate) => over.has(plate), { rings: [ring], facts }) - topMm),
      volumeMm3: areaMm2 * thicknessMm,
    },
  ];
}

/** What goes through a ceiling: shafts that pass it, holes and voids of the slab over it, columns. */
function through(
  { shafts, floors, columns, facts }: CeilingsGiven,
  level: ResolvedLevel,
  above: ResolvedLevel,
  bottomMm: number,
  topMm: number,
): Ring[] {
  return [
    ...shafts
      .filter((shaft) => shaft.bottomMm <= bottomMm && shaft.topMm >= topMm)
      .map((shaft) => shaftRingAt(shaft, bottomMm)),
    ...floors.filter((floor) => floor.level === above.id).flatMap(({ holes }) => holes.map(({ ring }) => ring)),
    ...columns
      .filter((column) => column.level === level.id && column.topMm > bottomMm)
      .map((column) => facts.one(sectionRing(column.section, column.at, column.turnDeg))),
  ];
}
