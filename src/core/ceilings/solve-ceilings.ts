import { mmOf } from '../dimensions/resolve-length';
import { platesUnder, soffitMm, type PlateSet } from '../floors/plates';
import { bounds, boundsOf, boxesMeet, counterClockwise, type Box, type Ring } from '../geometry/polygon';
import { servedLevels } from '../levels/extent';
import type { LevelHeights, ResolvedLevel } from '../levels/resolve-levels';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { resolveOutline } from '../setting-out/resolve-outline';
import type { PlanFacts } from '../passes/plan-facts';
import { asMaster } from '../typical/as-master';
import { placing } from '../solving/placed';
import { quantiseMm } from '../units/length-units';
import type { UnionStore } from '../geometry/profile-store';
import { touches } from './ceiling-over';
import type { Ceiling, CeilingException } from './ceiling';
import type { CeilingPiece } from './solved-ceiling';

/** What the ceilings of a storey are worked out from; heights from its FFL. */
export interface CeilingsGiven {
  framework: Framework;
  level: LevelHeights;
  above: LevelHeights;
  plates: PlateSet;
  /** Closed regions with their rooms. */
  rooms: readonly { ring: Ring; holes: readonly Ring[]; room: Id | null }[];
  /** Walls that may matter to ceilings: none where all of them stand from floor to soffit and every ceiling follows rooms. */
  walls: readonly WallInStorey[];
  /** Those of their strips that stand where rooms are told. */
  atCut: ReadonlySet<Ring>;
  columns: readonly { ring: Ring; topMm: number }[];
  /** Shafts in stretches of one outline each. */
  shafts: readonly (readonly { ring: Ring; bottomMm: number; topMm: number }[])[];
  /** Holes of the slabs over it. */
  holes: readonly Ring[];
  union: UnionStore;
  facts: PlanFacts;
}

/** A wall as it stands before ceilings are known. */
export interface WallInStorey {
  strips: readonly Ring[];
  bottomMm: number;
  topMm: number;
  /** It stops at the ceiling, wherever that is. */
  toCeiling: boolean;
}

/** A ceiling at a level it serves, at its height there. */
export interface Hung {
  ceiling: Ceiling;
  heightMm: number;
  thicknessMm: number;
  /** Of its own; null: it follows rooms. */
  outline: Ring | null;
}

/** Regions smaller than this are left of nothing, mm². */
const LEAST_MM2 = 1000;

/** A ceiling at each level it serves. */
export function ceilingStates(
  framework: Framework,
  record: Ceiling,
  storeys: readonly ResolvedLevel[],
  facts: PlanFacts,
): [Id, Hung][] {
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

/**
 * The ceilings of a storey, room by room. One with an outline of its own goes before those that follow rooms, and those of chosen
 * rooms before those of all, so no two hang in one room unless both are meant for it. Shafts, stairs, voids in the slab over it and
 * columns go through.
 */
export function ceilingsOf(given: CeilingsGiven, hung: readonly Hung[]): CeilingPiece[] {
  const drawn = hung.filter(({ outline }) => outline !== null);
  const outlines = drawn.map(({ outline }) => outline!);
  const following = given.rooms.flatMap((region) => {
    const all = hung.filter(({ outline }) => outline === null);
    const named = all.filter(({ ceiling }) => region.room !== null && ceiling.rooms.includes(region.room));
    return (named.length > 0 ? named : all.filter(({ ceiling }) => ceiling.rooms.length === 0)).map((each) => ({
      region,
      each,
    }));
  });
  const closed = closings(given, following);
  const through = throughAt(given);
  return [
    ...drawn.flatMap((each) =>
      piece(given, each, through, { ring: each.outline!, room: null, over: [], without: wallsThrough(given, each) }),
    ),
    ...following.flatMap(({ region, each }, i) => {
      const inner = region.holes.map((hole) => given.facts.one(counterClockwise(hole)));
      const over = closed.get(i) ?? [];
      // Where it is closed over a low wall it ends at those that go on up beside that.
      const rising = wallsThrough(given, each).filter(
        (strip) => over.length > 0 || !given.atCut.has(given.facts.one(strip)),
      );
      return piece(given, each, through, {
        ring: region.ring,
        room: region.room,
        over,
        without: [...inner, ...outlines, ...rising],
      });
    }),
  ];
}

/** A wall under a ceiling: it ends at it or below. */
const isUnder = ({ topMm, toCeiling }: WallInStorey, { heightMm }: Hung): boolean =>
  toCeiling || topMm <= heightMm + 0.5;

/**
 * Walls between rooms that stop below their ceiling: it is closed over each of them, with the lowest that meets it; strips by the
 * place in the list of the ceiling that takes them.
 */
function closings(
  { walls, facts, atCut }: CeilingsGiven,
  following: readonly { region: CeilingsGiven['rooms'][number]; each: Hung }[],
): Map<number, Ring[]> {
  const found = new Map<number, Ring[]>();
  for (const wall of walls)
    for (const strip of wall.strips) {
      const own = facts.one(strip);
      if (!atCut.has(own)) continue;
      let lowest: number | null = null;
      following.forEach(({ region, each }, i) => {
        if (!isUnder(wall, each) || (lowest !== null && following[lowest]!.each.heightMm <= each.heightMm)) return;
        if (mayTouch(boxOf(own), boxOf(region.ring)) && touches(own, region.ring, facts)) lowest = i;
      });
      if (lowest !== null) found.set(lowest, [...(found.get(lowest) ?? []), own]);
    }
  return found;
}

/** Regions end at walls to a hair. */
const mayTouch = (a: Box, b: Box): boolean =>
  boxesMeet({ minX: a.minX - 1, minY: a.minY - 1, maxX: a.maxX + 1, maxY: a.maxY + 1 }, b);

/** The strips of walls that go through a ceiling: all of each, its openings too. */
const wallsThrough = ({ walls }: CeilingsGiven, hung: Hung): Ring[] =>
  walls
    .filter((wall) => wall.bottomMm < hung.heightMm + hung.thicknessMm && !isUnder(wall, hung))
    .flatMap(({ strips }) => strips);

/** Boxes of rings, each worked out once. */
const boxes = new WeakMap<Ring, Box>();
function boxOf(ring: Ring): Box {
  let box = boxes.get(ring);
  if (!box) boxes.set(ring, (box = bounds(ring)));
  return box;
}

function piece(
  given: CeilingsGiven,
  { ceiling, heightMm, thicknessMm }: Hung,
  through: (bottomMm: number, topMm: number) => readonly Ring[],
  {
    ring: own,
    room,
    over: closed,
    without,
  }: { ring: Ring; room: Id | null; over: readonly Ring[]; without: readonly Ring[] },
): CeilingPiece[] {
  const { facts, plates, level, above } = given;
  const ring = facts.one(own);
  const bottomMm = quantiseMm(heightMm);
  const topMm = quantiseMm(bottomMm + thicknessMm);
  const box = boundsOf([ring, ...closed]);
  const near = (other: Ring) => {
    const b = boxOf(other);
    return b.minX < box.maxX && b.maxX > box.minX && b.minY < box.maxY && b.maxY > box.minY;
  };
  const holes = [...without, ...through(bottomMm, topMm)].filter(near);
  const taken = [...new Set(holes.map((hole) => facts.one(hole)))];
  const texts = taken.map((hole) => facts.textOf(hole)).sort();
  const whole = [ring, ...closed].map((each) => facts.textOf(each)).join('+');
  const profile = `ceiling ${whole}|${texts.join('|')}`;
  const { areaMm2 } = given.union(profile, [ring, ...closed], taken);
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
      grossMm3: areaMm2 * thicknessMm,
      volumeMm3: areaMm2 * thicknessMm,
    },
  ];
}

/** What goes through a ceiling between two heights: shafts that pass it, holes and voids of the slab over it, columns. */
function throughAt({ shafts, holes, columns }: CeilingsGiven): (bottomMm: number, topMm: number) => readonly Ring[] {
  // Most ceilings of a storey hang at one height.
  const known = new Map<string, readonly Ring[]>();
  const between = (bottomMm: number, topMm: number): Ring[] => [
    ...shafts.flatMap((stages) => {
      const [first, last] = [stages[0], stages.at(-1)];
      if (!first || !last || first.bottomMm > bottomMm || last.topMm < topMm) return [];
      return [(stages.find((stage) => bottomMm >= stage.bottomMm && bottomMm < stage.topMm) ?? last).ring];
    }),
    ...holes,
    ...columns.filter((column) => column.topMm > bottomMm).map(({ ring }) => ring),
  ];
  return (bottomMm, topMm) => {
    const at = `${bottomMm} ${topMm}`;
    const found = known.get(at) ?? between(bottomMm, topMm);
    known.set(at, found);
    return found;
  };
}

/** A piece with its heights from another zero, at another level of the same plan. */
export const ceilingAt = placing((piece: CeilingPiece, level, zeroMm) => ({
  ...piece,
  level,
  bottomMm: quantiseMm(piece.bottomMm + zeroMm),
  topMm: quantiseMm(piece.topMm + zeroMm),
}));
