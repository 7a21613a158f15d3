import { finding, type Finding, type Fix } from '../checks/finding';
import { mmOf } from '../dimensions/resolve-length';
import { plus, times, type Point } from '../geometry/point';
import { counterClockwise } from '../geometry/polygon';
import type { Id } from '../model/ids';
import { holdsLevel } from '../typical/typical';
import { quantiseMm } from '../units/length-units';
import type { SolvedOpening } from './solved-wall';
import type { Wall, WallOpening } from './wall';
import type { WallPlan } from './wall-plans';
import { alongPath, pathLength, wallPath } from './wall-path';

import type { FloorOf, PieceGiven } from './piece-given';

/** An opening there is no room for. */
export interface Misfit {
  wall: Id;
  opening: WallOpening;
  level: Id;
  isTooHigh: boolean;
  /** What there is room for in height, mm. */
  roomMm: number;
}

/** Doors, windows and plain openings of a piece: their sills are measured from the floor's finish, not from the wall's base. */
export function openingsOf(
  { framework, facts }: PieceGiven,
  { record, type }: WallPlan,
  { level, floorMm, topMm, roofOver }: FloorOf,
  baseMm: number,
  misfits: Misfit[],
): SolvedOpening[] {
  if (record.openings.length === 0) return [];
  // Along the path as drawn: joining its ends moves no opening.
  const path = wallPath(framework, { ...record, type })!;
  const total = pathLength(path);
  const mm = (length: WallOpening['widthMm']) => mmOf(framework, length);
  return record.openings.flatMap((opening): SolvedOpening[] => {
    if (opening.at !== 'all' && !holdsLevel(framework, opening.at, level.id)) return [];
    const [alongMm, widthMm] = [mm(opening.alongMm), mm(opening.widthMm)];
    const sill = quantiseMm(floorMm + mm(opening.sillMm));
    const head = quantiseMm(sill + mm(opening.heightMm));
    const [from, to] = [alongPath(path, alongMm), alongPath(path, alongMm + widthMm)];
    const lies = from !== null && to !== null && from.part === to.part;
    if (!lies || alongMm + widthMm > total + 1e-6 || head > topMm + 1) {
      const isTooHigh = head > topMm + 1 && from !== null && to !== null;
      const roomMm = head > topMm + 1 ? Math.floor(topMm - sill) : 0;
      misfits.push({ wall: record.id, opening, level: level.id, isTooHigh, roomMm });
    }
    // All of it is under a wall that begins above the floor, or over one that ends below it: there is nothing to open.
    if (!lies || head <= baseMm + 1 || sill >= topMm - 1) return [];
    const left = { x: -from.along.y, y: from.along.x };
    const [a, b] = [path.leftOf(0), path.leftOf(path.build.thicknessMm)];
    // A little past both faces, so that nothing is left of the wall there.
    const past = (leftMm: number) => leftMm + Math.sign(leftMm - (a + b) / 2) * 1;
    const corner = (at: Point, leftMm: number) => plus(at, times(left, past(leftMm)));
    const ring = counterClockwise([corner(from.at, a), corner(to.at, a), corner(to.at, b), corner(from.at, b)]);
    // Under a slope there is room for it, or it is not there; one that is asked for in this storey is said to be too high.
    const roofMm = roofOver?.(ring) ?? Infinity;
    if (head > roofMm + 1) {
      if (opening.at !== 'all')
        misfits.push({ wall: record.id, opening, level: level.id, isTooHigh: true, roomMm: Math.floor(roofMm - sill) });
      return [];
    }
    const middle = (at: Point) => plus(at, times(left, (a + b) / 2));
    return [
      {
        id: opening.id,
        opening: opening.opening,
        name: opening.name,
        level: level.id,
        ring: facts.one(ring),
        ends: [middle(from.at), middle(to.at)],
        inwards: times(left, a > b ? -1 : 1),
        widthMm,
        thicknessMm: path.build.thicknessMm,
        bottomMm: Math.max(sill, baseMm),
        topMm: Math.min(head, topMm),
        leaves: opening.leaves,
        hand: opening.hand,
        opens: opening.opens,
      },
    ];
  });
}

/** What is said of an opening there is no room for at a level. */
export function misfitFinding(record: Wall, { opening, level, isTooHigh, roomMm }: Misfit, levelName: string): Finding {
  const why = isTooHigh ? 'is higher than the wall' : 'lies past an end or a corner of the wall';
  const message = `${capital(opening.opening)} ${opening.name} of wall ${record.name} ${why} at level ${levelName}. Move it or make it smaller`;
  const fix: Fix =
    roomMm > 300
      ? {
          words: `Make it ${roomMm} mm high`,
          command: 'walls.changeOpening',
          input: { wall: record.id, opening: opening.id, heightMm: roomMm },
        }
      : {
          words: 'Take it out',
          command: 'walls.removeOpening',
          input: { wall: record.id, opening: opening.id },
        };
  return finding('wall.opening', record.building, level, [record.id], message, [fix]);
}

const capital = (word: string): string => word.charAt(0).toUpperCase() + word.slice(1);
