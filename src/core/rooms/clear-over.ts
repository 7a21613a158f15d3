import { sharedByRegions, type Region } from '../geometry/boolean';
import { bounds, boundsOf, boxesMeet, type Box } from '../geometry/polygon';
import type { Solved } from '../solving/solved';
import { quantiseMm } from '../units/length-units';
import { underOver } from '../pitched-roofs/under-roof';
import { roofsOver } from './under-slopes';
import type { RoomRegion } from './solve-rooms';

/** What covers less of a room than this only touches it, mm². */
const TOUCH_MM2 = 1000;

/** Something with an underside over rooms. */
interface Over {
  building: string;
  underMm: number;
  regions: readonly Region[];
  box: Box;
}

/** Of each solve it is made ready once. */
const known = new WeakMap<Solved, (room: RoomRegion) => number | null>();

/** Tells the least clear height of rooms: from their FFL to the lowest ceiling, beam, slab or pitched roof anywhere over them; null without. */
export function clearOver(solved: Solved): (room: RoomRegion) => number | null {
  let clear = known.get(solved);
  if (!clear) known.set(solved, (clear = readied(solved)));
  return clear;
}

function readied(solved: Solved): (room: RoomRegion) => number | null {
  const { levels, floors, ceilings, bodies, profiles } = solved;
  const overOf = (building: string, profile: string, underMm: number): Over[] => {
    const { regions } = profiles[profile]!;
    return regions.length > 0 ? [{ building, underMm, regions, box: boundsOf(regions.map(({ outer }) => outer)) }] : [];
  };
  const all = [
    ...floors.flatMap((each) => overOf(each.building, each.profile, each.topMm - each.thicknessMm)),
    ...[...ceilings, ...bodies].flatMap((each) => overOf(each.building, each.profile, each.bottomMm)),
  ].sort((a, b) => a.underMm - b.underMm);
  const fflOf = new Map(levels.map(({ id, fflMm }) => [id, fflMm]));
  return (room) => {
    const fflMm = fflOf.get(room.level) ?? 0;
    const box = bounds(room.ring);
    const own: Region[] = [{ outer: room.ring, holes: room.holes }];
    const lowest = all.find(
      (over) =>
        over.building === room.building &&
        over.underMm > fflMm &&
        boxesMeet(over.box, box) &&
        sharedByRegions(own, over.regions).areaMm2 > TOUCH_MM2,
    );
    const roof = underOver(roofsOver(solved, room.building), [room.ring]);
    const under = [lowest?.underMm, roof && roof.highMm > fflMm ? Math.max(roof.lowMm, fflMm) : undefined].filter(
      (mm) => mm !== undefined,
    );
    return under.length > 0 ? quantiseMm(Math.min(...under) - fflMm) : null;
  };
}
