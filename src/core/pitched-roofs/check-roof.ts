import { finding, fixBy, type Finding } from '../checks/finding';
import { mmOf } from '../dimensions/resolve-length';
import { asGiven } from '../dimensions/uses';
import { contains, ringArea } from '../geometry/polygon';
import { zoneOf } from '../levels/height-budget';
import { levelById } from '../levels/resolve-levels';
import { recordsOf, type Framework } from '../model/framework';
import type { Slant } from '../slants/slant';
import type { FloorPiece } from '../solving/solved';
import { formatLength } from '../units/format-length';
import type { Wall } from '../walls/wall';
import type { PitchedRoof } from './pitched-roof';
import { BARE_EDGE, LOW_ATTIC } from './pitched-roof-rules';
import type { PitchedRoofInfo } from './solve-pitched-roof';

/** Where nothing else is asked for, rooms are this high where they are highest, mm. */
const STANDING_MM = 2300;
const OVERHANG_MM = 300;

const write = (mm: number) => `${formatLength(Math.round(mm))} mm`;

/** What is wrong with a roof by itself: its attic is too low, or its edges are bare. */
export function checkRoof(
  framework: Framework,
  roof: PitchedRoof,
  info: PitchedRoofInfo,
  slants: readonly Slant[],
  floors: readonly FloorPiece[],
  walls: readonly Wall[],
): Finding[] {
  return [...lowAttic(framework, roof, info, slants, floors), ...bareEdge(framework, roof, info, walls)];
}

/** The storey under a roof, where it has a floor: lower than its budget asks where it is highest, or than rooms that are named there. */
function lowAttic(
  framework: Framework,
  roof: PitchedRoof,
  { footprint }: PitchedRoofInfo,
  slants: readonly Slant[],
  floors: readonly FloorPiece[],
): Finding[] {
  const level = levelById(framework, roof.eavesAt.level);
  if (!level) return [];
  const [ring] = footprint;
  const isFloored = floors.some(
    (piece) =>
      piece.level === level.id &&
      piece.outline.some((at) => contains(ring!, at)) &&
      Math.abs(ringArea(piece.outline)) > 1e6,
  );
  if (!isFloored) return [];
  const target = zoneOf(framework, level, 'targetMm');
  const isNamed = recordsOf(framework, 'room').some((room) => room.level === level.id);
  const leastMm = target !== null ? mmOf(framework, target) : isNamed ? STANDING_MM : null;
  if (leastMm === null) return [];
  const highMm = Math.max(...slants.flatMap((slant) => slant.map(({ bottomMm }) => bottomMm))) - level.fflMm;
  if (highMm >= leastMm - 0.5) return [];
  const missingMm = Math.ceil(leastMm - highMm);
  const words = `Under roof ${roof.name} the attic at level ${level.record.name} is ${write(Math.max(0, highMm))} high where it is highest; ${write(leastMm)} is asked for. Raise its eaves, or make it steeper`;
  const at = asGiven(framework, roof.eavesAt);
  const offsetMm = mmOf(framework, roof.eavesAt.offsetMm) + missingMm;
  return [
    finding(LOW_ATTIC, roof.building, level.id, [roof.id], words, [
      fixBy(`Raise its eaves by ${write(missingMm)}`, 'pitchedRoofs.change', {
        roof: roof.id,
        eavesAt: { ...at, offsetMm },
      }),
    ]),
  ];
}

/** Edges that slope without an overhang: water runs down the wall, where none goes up beside the roof. */
function bareEdge(
  framework: Framework,
  roof: PitchedRoof,
  { footprint }: PitchedRoofInfo,
  walls: readonly Wall[],
): Finding[] {
  if (mmOf(framework, roof.overhangMm) > 0) return [];
  const edges = footprint.reduce((sum, ring) => sum + ring.length, 0);
  const own = new Map(roof.edges.map((each) => [each.edge, each.is]));
  const isSloped = Array.from({ length: edges }, (_, edge) => own.get(edge) ?? 'slope').includes('slope');
  const goesUp = ({ stopsAt }: Wall) => stopsAt.face === 'roof' && mmOf(framework, stopsAt.offsetMm) > 0;
  if (!isSloped || walls.length === 0 || walls.filter(({ use }) => use !== 'interior').every(goesUp)) return [];
  const words = `Roof ${roof.name} has no overhang, and no wall goes up beside it: water runs down its walls. Give it an overhang`;
  return [
    finding(BARE_EDGE, roof.building, roof.eavesAt.level, [roof.id], words, [
      fixBy(`Let it hang over by ${write(OVERHANG_MM)}`, 'pitchedRoofs.change', {
        roof: roof.id,
        overhangMm: OVERHANG_MM,
      }),
    ]),
  ];
}
