import { between } from '../buildings/between-buildings';
import { minus, plus, times, type Point } from '../geometry/point';
import { contains, distanceToSegment, type Ring } from '../geometry/polygon';
import { storeyLevels } from '../levels/resolve-levels';
import { recordsOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { wallPath } from '../walls/wall-path';
import type { Wall } from '../walls/wall';
import type { PitchedRoof } from './pitched-roof';
import type { PitchedRoofInfo } from './solve-pitched-roof';

const HALF_STOREY_MM = 1500;

type Extent = Pick<PitchedRoofInfo, 'edge' | 'eavesMm'>;

/** Walls, of any building, that lie under a roof in plan and stop at the level of its eaves or higher. */
export function wallsUnder(framework: Framework, roof: PitchedRoof, { edge, eavesMm }: Extent): Wall[] {
  return recordsOf(framework, 'wall').filter((wall) => {
    if (wall.passesClearMm !== null || !reaches(framework, roof, wall, eavesMm)) return false;
    const path = wallPath(framework, wall);
    const { move } = between(framework, wall.building, roof.building);
    return path !== null && liesUnder(edge[0]!, path.points.map(move), path.closed);
  });
}

/** How far past the edge of a roof that ends at a party wall others may run into that, mm. */
const INTO_PARTY_MM = 500;

/** Whether a path lies under a roof: all of it, but for ends that run into a party wall beside it. */
function liesUnder(edge: Ring, points: readonly Point[], isClosed: boolean): boolean {
  const middles = points
    .slice(isClosed ? 0 : 1)
    .map((point, i) => times(plus(point, points[isClosed ? (i + 1) % points.length : i]!), 0.5));
  const isNear = (point: Point) =>
    contains(edge, point) ||
    edge.some((from, i) => distanceToSegment(point, from, edge[(i + 1) % edge.length]!) < INTO_PARTY_MM);
  return points.every(isNear) && middles.every((point) => contains(edge, point));
}

/** Whether a wall stops at the level of the eaves of a roof or higher; of another building: within half a storey of it. */
function reaches(framework: Framework, roof: PitchedRoof, wall: Wall, eavesMm: number): boolean {
  const ranks = storeyLevels(framework, wall.building);
  const at = ranks.findIndex(({ id }) => id === wall.stopsAt.level);
  if (wall.building === roof.building) return at >= ranks.findIndex(({ id }) => id === roof.eavesAt.level);
  const { liftMm } = between(framework, wall.building, roof.building);
  return at >= 0 && ranks[at]!.fflMm + liftMm > eavesMm - HALF_STOREY_MM;
}

/** The party walls a building has, as lines in its axes. */
const partyLines = (framework: Framework, building: Id) =>
  recordsOf(framework, 'wall').flatMap((wall) => {
    if (wall.use !== 'party' || wall.passesClearMm !== null) return [];
    if (wall.building !== building && wall.sharedWith !== building) return [];
    const path = wallPath(framework, wall);
    if (!path) return [];
    const { move } = between(framework, wall.building, building);
    return [{ wall, points: path.points.map(move), reachMm: path.build.thicknessMm + 100 }];
  });

/** Edges of a footprint with the party walls that stand along them; edges as they are counted. */
export function partyEdges(
  framework: Framework,
  building: Id,
  footprint: readonly Ring[],
): { edge: number; wall: Wall }[] {
  const lines = partyLines(framework, building);
  const sides = footprint.flatMap((ring) => ring.map((from, i) => ({ from, to: ring[(i + 1) % ring.length]! })));
  return sides.flatMap(({ from, to }, edge) => {
    // Near it all along, not where it ends at it.
    const places = [0.1, 0.5, 0.9].map((t) => plus(from, times(minus(to, from), t)));
    return lines
      .filter(({ points, reachMm }) =>
        places.every((place) =>
          points.slice(1).some((point, i) => distanceToSegment(place, points[i]!, point) < reachMm),
        ),
      )
      .map(({ wall }) => ({ edge, wall }));
  });
}

/** Party walls that stand along edges of a roof that lie against a wall. */
export const partyWallsBeside = (framework: Framework, roof: PitchedRoof, footprint: readonly Ring[]): Wall[] =>
  partyEdges(framework, roof.building, footprint)
    .filter(({ edge }) => roof.edges.some((each) => each.edge === edge && each.is === 'wall'))
    .map(({ wall }) => wall);
