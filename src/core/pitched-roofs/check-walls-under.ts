import { finding, fixBy, type Finding } from '../checks/finding';
import type { Id } from '../model/ids';
import type { Slant } from '../slants/slant';
import { formatLength } from '../units/format-length';
import type { WallPiece } from '../walls/solved-wall';
import type { Wall } from '../walls/wall';
import type { PitchedRoof } from './pitched-roof';
import { WALL_SHORT, WALL_THROUGH } from './pitched-roof-rules';
import { underOver } from './under-roof';

/** Less than this is no gap, and none through the roof, mm. */
const NONE_MM = 10;

/**
 * Walls that stand under a roof and do not end at it: those that go up through it, and those of the outside that stop under it. A party wall
 * may go through.
 */
export function checkWallsUnder(
  roof: PitchedRoof,
  slants: readonly Slant[],
  walls: readonly Wall[],
  pieces: readonly WallPiece[],
): Finding[] {
  const last = new Map<Id, WallPiece>();
  for (const piece of pieces) if ((last.get(piece.wall)?.topMm ?? -Infinity) < piece.topMm) last.set(piece.wall, piece);
  return walls.flatMap((wall): Finding[] => {
    const piece = last.get(wall.id);
    if (!piece || wall.stopsAt.face === 'roof') return [];
    const over = underOver(slants, piece.strips);
    if (!over || piece.bottomMm >= over.highMm) return [];
    const fix = fixBy('Let it end at the roof', 'pitchedRoofs.trimWalls', { roof: roof.id, walls: [wall.id] });
    const report = (rule: typeof WALL_SHORT, words: string) =>
      finding(rule, roof.building, piece.level, [wall.id, roof.id], words, [fix]);
    const write = (mm: number) => formatLength(Math.round(mm));
    const throughMm = piece.topMm - over.lowMm;
    if (throughMm > NONE_MM)
      return wall.use === 'party'
        ? []
        : [
            report(
              WALL_THROUGH,
              `Wall ${wall.name} goes ${write(throughMm)} mm up through roof ${roof.name}. Let it end at the roof`,
            ),
          ];
    const shortMm = over.highMm - piece.topMm;
    const isOutside = wall.use === 'exterior' || wall.use === 'glazed' || wall.use === 'party';
    return isOutside && shortMm > NONE_MM
      ? [
          report(
            WALL_SHORT,
            `Wall ${wall.name} stops up to ${write(shortMm)} mm under roof ${roof.name}, and leaves a gap. Let it end at the roof`,
          ),
        ]
      : [];
  });
}
