import type { PlateSet, Plate } from '../floors/plates';
import type { ResolvedLevel } from '../levels/resolve-levels';
import { recordOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import type { Point } from '../geometry/point';
import { bounds, boxesMeet } from '../geometry/polygon';
import { formatLength } from '../units/format-length';
import type { Stretch } from '../walls/footing';
import type { Wall } from '../walls/wall';
import { alongPath, pathLength, type WallPath } from '../walls/wall-path';
import { finding, type Finding, type Fix, fixBy } from './finding';
import { cornerFix } from './wall-end-fix';

/** A wall at a level, with the stretches of its path that have nothing under them. */
export interface Footing {
  wall: Id;
  level: Id;
  gaps: readonly Stretch[];
}

interface Given {
  framework: Framework;
  storeys: readonly ResolvedLevel[];
  plates: PlateSet;
  names: ReadonlyMap<Id, string>;
  /** The path of a wall as drawn; null where it has no length. */
  pathOf: (wall: Id) => WallPath | null;
}

/** Nearly all of a wall over nothing is all of it, mm. */
const ALL_BUT_MM = 50;

/** Walls with nothing under them, or under a part of them. */
export function checkFooting(footings: readonly Footing[], given: Given): Finding[] {
  return footings.flatMap(({ wall, level, gaps }): Finding[] => {
    const record = recordOf(given.framework, 'wall', wall);
    const path = given.pathOf(wall);
    if (!record || !path) return [];
    const at = given.names.get(level) ?? '';
    const totalMm = pathLength(path);
    const overMm = gaps.reduce((sum, [from, to]) => sum + to - from, 0);
    if (overMm > totalMm - ALL_BUT_MM) {
      const message = `Wall ${record.name} stands on nothing at level ${at}. Bring a floor under it, or start it on another level`;
      return [finding('wall.onNothing', record.building, level, [wall], message, floorFix(given, path, level))];
    }
    const length = (mm: number) => formatLength(Math.round(mm * 10) / 10);
    const message = `Wall ${record.name} stands on nothing along ${length(overMm)} mm of its ${length(totalMm)} mm at level ${at}. Bring a floor under it, or end it at the edge`;
    return [
      finding('wall.partlyOnNothing', record.building, level, [wall], message, endFix(record, path, gaps, totalMm)),
    ];
  });
}

/** A floor of another level that lies there, carried to this one. */
function floorFix({ framework, storeys, plates, names }: Given, path: WallPath, level: Id): Fix[] {
  const box = bounds(path.points);
  const lies = (plate: Plate) => plate.ring !== null && boxesMeet(bounds(plate.ring), box);
  const plate = plates.all.find((each) => lies(each) && recordOf(framework, 'floorPlate', each.record.id));
  if (!plate) return [];
  const rank = (id: Id) => storeys.findIndex((storey) => storey.id === id);
  const served = storeys.findIndex(({ id }) => plate.serves.has(id));
  const end = served < rank(level) ? { topmost: level } : { lowest: level };
  return [
    fixBy(`Carry ${plate.record.name} to level ${names.get(level) ?? ''}`, 'carry.to', {
      ids: [plate.record.id],
      ...end,
    }),
  ];
}

/** To a tenth of a millimetre: the edge is found by the polygon library. */
const tenths = ({ x, y }: Point): Point => ({ x: Math.round(x * 10) / 10, y: Math.round(y * 10) / 10 });

/** Draws an open wall with the end that is over nothing at the edge of what carries it. */
function endFix(record: Wall, path: WallPath, gaps: readonly Stretch[], totalMm: number): Fix[] {
  const [gap] = gaps;
  if (record.closed || gaps.length !== 1 || !gap) return [];
  const last = path.points.length - 1;
  const isLast = gap[1] > totalMm - 1;
  // Openings are told from the start of the wall: it stays where it is.
  if (!isLast && (gap[0] > 1 || record.openings.length > 0)) return [];
  const place = alongPath(path, isLast ? gap[0] : gap[1]);
  if (!place || place.part !== (isLast ? last - 1 : 0)) return [];
  const at = tenths(place.at);
  return [cornerFix(`End ${record.name} at the edge`, record, path, isLast ? last : 0, at)];
}
