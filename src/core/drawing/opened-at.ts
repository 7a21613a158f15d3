import type { Id } from '../model/ids';
import type { Solved } from '../solving/solved';

/** What stands at or under a level of its building: the building opened from above, so that one sees into the storey. */
export function openedAt(solved: Solved, level: Id): Solved {
  const at = solved.levels.find(({ id }) => id === level);
  if (!at) return solved;
  const limit = at.fflMm + 1;
  const top = at.fflMm + (at.storeyHeightMm ?? 0);
  const keeps = <T extends { building: Id }>(things: readonly T[], bottomOf: (thing: T) => number) =>
    things.filter((thing) => thing.building !== at.building || bottomOf(thing) <= limit);
  return {
    ...solved,
    columns: keeps(solved.columns, ({ bottomMm }) => bottomMm),
    blocks: keeps(solved.blocks, ({ topMm }) => topMm),
    floors: keeps(solved.floors, ({ topMm }) => topMm),
    walls: keeps(solved.walls, ({ bottomMm }) => bottomMm).map((piece) =>
      piece.building === at.building
        ? {
            ...piece,
            slices: piece.slices
              .filter(({ bottomMm }) => bottomMm < top)
              .map((slice) => ({ ...slice, topMm: Math.min(slice.topMm, top) })),
          }
        : piece,
    ),
    stairs: solved.stairs.map((stair) =>
      stair.building === at.building
        ? { ...stair, storeys: stair.storeys.filter(({ bottomMm }) => bottomMm <= limit) }
        : stair,
    ),
    ceilings: keeps(solved.ceilings, ({ topMm }) => topMm),
    bodies: keeps(solved.bodies, ({ topMm }) => topMm),
    assemblies: keeps(solved.assemblies, ({ bottomMm }) => bottomMm),
    shafts: keeps(solved.shafts, ({ bottomMm }) => bottomMm).map((shaft) =>
      shaft.building === at.building
        ? {
            ...shaft,
            stages: shaft.stages
              .filter(({ bottomMm }) => bottomMm < top)
              .map((stage) => ({ ...stage, topMm: Math.min(stage.topMm, top) })),
          }
        : shaft,
    ),
  };
}
