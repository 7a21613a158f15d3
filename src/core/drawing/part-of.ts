import { intersection, sharedWith, type Profile } from '../geometry/boolean';
import { minus, plus, turned, type Point } from '../geometry/point';
import { bounds, contains, counterClockwise, type Ring } from '../geometry/polygon';
import type { Id } from '../model/ids';
import type { Solved, SolvedBuilding } from '../solving/solved';
import { limitsOf, type ViewPart } from '../views/view-part';

/**
 * The part of what is solved that a view shows: without some buildings, between two levels, and within a window in plan.
 * What stands through a limit is cut there, so that one sees into it; columns and stairs are in or out as a whole.
 */
export function partOf(solved: Solved, part: ViewPart): Solved {
  if (limitsOf(part) === 0) return solved;
  const without = new Set(part.without);
  const buildings = solved.buildings.filter(({ id }) => !without.has(id));
  const shown = <T extends { building: Id }>(things: readonly T[]) =>
    things.filter(({ building }) => !without.has(building));
  const some: Solved = {
    ...solved,
    buildings,
    levels: shown(solved.levels),
    lines: shown(solved.lines),
    settingOut: shown(solved.settingOut),
    crossings: shown(solved.crossings),
    columns: shown(solved.columns),
    blocks: shown(solved.blocks),
    floors: shown(solved.floors),
    walls: shown(solved.walls),
    shafts: shown(solved.shafts),
    stairs: shown(solved.stairs),
    foundations: shown(solved.foundations),
    boundaries: shown(solved.boundaries),
    ceilings: shown(solved.ceilings),
    bodies: shown(solved.bodies),
    assemblies: shown(solved.assemblies),
  };
  return cropped(between(some, part), part);
}

/** What is at the levels from one to another; of other buildings, at those of their heights. */
function between(solved: Solved, { lowest, topmost }: ViewPart): Solved {
  const zero = new Map(solved.buildings.map(({ id, zeroMm }) => [id, zeroMm]));
  const heightOf = (id: Id | null) => {
    const level = solved.levels.find((each) => each.id === id);
    return level ? { level, fflMm: level.fflMm + (zero.get(level.building) ?? 0) } : null;
  };
  const [low, high] = [heightOf(lowest), heightOf(topmost)];
  if (!low && !high) return solved;
  const kept = new Set(
    solved.levels
      .filter(({ building, fflMm }) => {
        const at = fflMm + (zero.get(building) ?? 0);
        return at >= (low?.fflMm ?? -Infinity) - 1 && at <= (high?.fflMm ?? Infinity) + 1;
      })
      .map(({ id }) => id),
  );
  const here = <T extends { level: Id }>(things: readonly T[]) => things.filter(({ level }) => kept.has(level));
  const floors = here(solved.floors);
  // What runs through is cut under the lowest slabs and at the floor of the level over the topmost.
  const lowMm = low ? Math.min(low.fflMm, ...floors.map((each) => each.topMm - each.thicknessMm + zeroOf(each))) : null;
  const highMm = high && high.level.storeyHeightMm !== null ? high.fflMm + high.level.storeyHeightMm : null;
  function zeroOf({ building }: { building: Id }): number {
    return zero.get(building) ?? 0;
  }
  const clipped = <T extends { bottomMm: number; topMm: number }>(things: readonly T[], zeroMm: number): T[] =>
    things.flatMap((each) => {
      const bottomMm = Math.max(each.bottomMm, (lowMm ?? -Infinity) - zeroMm);
      const topMm = Math.min(each.topMm, (highMm ?? Infinity) - zeroMm);
      return topMm - bottomMm < 1 ? [] : [{ ...each, bottomMm, topMm }];
    });
  return {
    ...solved,
    floors,
    columns: here(solved.columns),
    blocks: here(solved.blocks),
    foundations: here(solved.foundations),
    ceilings: here(solved.ceilings),
    bodies: here(solved.bodies),
    assemblies: here(solved.assemblies),
    walls: solved.walls.flatMap((piece) => {
      const slices = clipped(piece.slices, zeroOf(piece));
      return slices.length === 0 ? [] : [{ ...piece, slices }];
    }),
    shafts: solved.shafts.flatMap((shaft) => {
      const stages = clipped(shaft.stages, zeroOf(shaft));
      if (stages.length === 0) return [];
      return [{ ...shaft, stages, bottomMm: stages[0]!.bottomMm, topMm: stages.at(-1)!.topMm }];
    }),
    stairs: solved.stairs.flatMap((stair) => {
      const storeys = stair.storeys.filter(({ level }) => kept.has(level));
      return storeys.length === 0 ? [] : [{ ...stair, storeys }];
    }),
  };
}

/** Within a window in plan, given in one building's axes. */
function cropped(solved: Solved, { crop }: ViewPart): Solved {
  const own = crop && solved.buildings.find(({ id }) => id === crop.building);
  if (!crop || !own) return solved;
  const window = counterClockwise([
    { x: crop.from.x, y: crop.from.y },
    { x: crop.to.x, y: crop.from.y },
    { x: crop.to.x, y: crop.to.y },
    { x: crop.from.x, y: crop.to.y },
  ]);
  const windows = new Map(solved.buildings.map((each) => [each.id, window.map((point) => pointIn(point, own, each))]));
  const profiles: Record<string, Profile> = {};
  const clip = (building: Id, key: string): string | null => {
    const name = `${key} in ${building}`;
    profiles[name] ??= within(solved.profiles[key]!, windows.get(building)!);
    return profiles[name].regions.length > 0 ? name : null;
  };
  const inWindow = (building: Id, at: Point) => contains(windows.get(building)!, at);
  const middleInWindow = ({ building, ring }: { building: Id; ring: Ring }) => {
    const box = bounds(ring);
    return inWindow(building, { x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 });
  };
  const prisms = <T extends { building: Id; profile: string }>(things: readonly T[]) =>
    things.flatMap((each) => {
      const profile = clip(each.building, each.profile);
      return profile ? [{ ...each, profile }] : [];
    });
  const parts: Solved = {
    ...solved,
    floors: prisms(solved.floors),
    foundations: prisms(solved.foundations),
    ceilings: prisms(solved.ceilings),
    bodies: prisms(solved.bodies),
    columns: solved.columns.filter(({ building, at }) => inWindow(building, at)),
    blocks: solved.blocks.filter(({ building, at }) => inWindow(building, at)),
    walls: solved.walls.flatMap((piece) => {
      const slices = piece.slices.flatMap((slice) => {
        const profile = clip(piece.building, slice.profile);
        return profile ? [{ ...slice, profile }] : [];
      });
      const openings = piece.openings.filter(({ ends: [a, b] }) =>
        inWindow(piece.building, { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 }),
      );
      return slices.length > 0 ? [{ ...piece, slices, openings }] : [];
    }),
    shafts: solved.shafts.flatMap((shaft) => {
      const stages = shaft.stages.flatMap((stage) =>
        intersection(stage.ring, windows.get(shaft.building)!).regions.map(({ outer }) => ({ ...stage, ring: outer })),
      );
      return stages.length > 0 ? [{ ...shaft, stages }] : [];
    }),
    stairs: solved.stairs.filter(middleInWindow),
    assemblies: solved.assemblies.filter(middleInWindow),
    profiles: { ...solved.profiles, ...profiles },
  };
  return parts;
}

/** A point of one building's axes in another's. */
const pointIn = (point: Point, from: SolvedBuilding, to: SolvedBuilding): Point =>
  from.id === to.id ? point : turned(minus(plus(from.at, turned(point, from.turnDeg)), to.at), -to.turnDeg);

/** A profile within a ring: as it is where it lies wholly in it. */
function within(profile: Profile, ring: Ring): Profile {
  const isIn = profile.regions.every(({ outer }) => outer.every((point) => contains(ring, point)));
  return isIn ? profile : sharedWith(profile, ring);
}
