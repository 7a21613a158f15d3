import { mmOf } from '../dimensions/resolve-length';
import { touches } from '../ceilings/ceiling-over';
import type { CeilingPiece } from '../ceilings/solved-ceiling';
import { soffitMm, type Plate, type PlateSet } from '../floors/plates';
import { times } from '../geometry/point';
import { ringGap } from '../geometry/polygon';
import type { LevelHeights, ResolvedLevel } from '../levels/resolve-levels';
import { recordOf, recordsOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import type { PlanFacts } from '../passes/plan-facts';
import type { WallPiece } from '../walls/solved-wall';
import type { Wall } from '../walls/wall';
import { clearBetween } from '../walls/clear-between';
import type { WallPath } from '../walls/wall-path';
import { formatLength } from '../units/format-length';
import { quantiseMm } from '../units/length-units';
import { finding, type Finding, type Fix, fixBy } from './finding';

/** A gap this small between a slab and an exterior wall is hardly meant, mm. */
const SLAB_GAP_MM = 150;

/** A storey whose walls are looked at, heights from its FFL. */
export interface StoreyOfWalls {
  framework: Framework;
  building: Id;
  level: { id: Id; name: string };
  above: LevelHeights | null;
  plates: PlateSet;
  facts: PlanFacts;
}

/** A wall or parapet of which nothing stands in a storey: all of it lies in others. */
export function checkWithin(
  { framework, building, level: { id: level, name: at } }: StoreyOfWalls,
  wall: Id,
): Finding[] {
  const roof = recordOf(framework, 'roof', wall);
  const record = recordOf(framework, 'wall', wall);
  if (!roof && record?.building !== building) return [];
  const [what, way, fix] = roof
    ? [
        `The parapet of roof ${roof.name}`,
        'Move the roof, or take its parapet away',
        fixBy(`Take the parapet of roof ${roof.name} away`, 'roofs.change', { roof: wall, parapet: null }),
      ]
    : [
        `Wall ${record!.name}`,
        'Move it, or delete it',
        fixBy(`Delete wall ${record!.name}`, 'elements.remove', { ids: [wall] }),
      ];
  const message = `${what} at level ${at} lies all within other walls: nothing of it stands. ${way}`;
  return [finding('wall.within', building, level, [wall], message, [fix])];
}

/** Whether the top of a wall is looked at in a storey: it stands there, and stops within it or at the level over it. */
export const stopsIn = ({ passesClearMm, stopsAt }: Wall, level: Id, above: Id): boolean =>
  passesClearMm === null && !['ceiling', 'roof'].includes(stopsAt.face) && [level, above].includes(stopsAt.level);

const known = new WeakMap<WallPiece, { plates: PlateSet; sslMm: number; over: Id; offMm: number }>();
/** How far under the slab over it a wall ends, mm; 0 where none is over it. One that is the same object is asked once. */
function shortOf(piece: WallPiece, above: LevelHeights, plates: PlateSet, facts: PlanFacts): number {
  const before = known.get(piece);
  if (before?.plates === plates && before.sslMm === above.sslMm && before.over === above.id) return before.offMm;
  const over = plates.at(above.id).filter(({ ring }) => ring && piece.strips.some((strip) => facts.meet(strip, ring)));
  const lowestMm = soffitMm(above, plates, (plate) => over.includes(plate), { rings: piece.strips, facts });
  const offMm = over.length === 0 ? 0 : quantiseMm(lowestMm - piece.topMm);
  known.set(piece, { plates, sslMm: above.sslMm, over: above.id, offMm });
  return offMm;
}

/** The top of a wall that stops in a storey, against the slab over it. */
export function checkTop(
  { framework, plates, facts, level, above }: StoreyOfWalls & { above: LevelHeights },
  record: Wall,
  piece: WallPiece,
  ceilings: readonly CeilingPiece[],
): Finding[] {
  const off = shortOf(piece, above, plates, facts);
  if (off < 1) return [];
  const overName = recordOf(framework, 'level', above.id)?.name ?? '';
  const toSoffit: Fix = fixBy('Bring it up to the soffit', 'walls.change', {
    wall: record.id,
    stopsAt: { level: above.id, face: 'soffit', offsetMm: 0 },
  });
  const through = ceilings.find(
    ({ ring, bottomMm }) => piece.topMm > bottomMm + 0.5 && piece.strips.some((strip) => touches(strip, ring, facts)),
  );
  if (through)
    return [
      finding(
        'wall.throughCeiling',
        record.building,
        level.id,
        [record.id, through.ceiling],
        `Wall ${record.name} goes ${formatLength(Math.round((piece.topMm - through.bottomMm) * 10) / 10)} mm past ceiling ${through.name} and ends under the slab of level ${overName}. Stop it at the ceiling, or bring it up to the soffit`,
        [
          fixBy('Stop it at the ceiling', 'walls.change', {
            wall: record.id,
            stopsAt: { level: above.id, face: 'ceiling', offsetMm: 0 },
          }),
          toSoffit,
        ],
      ),
    ];
  // One of a height of its own ends where it was meant to.
  if (record.stopsAt.level === level.id) return [];
  return [
    finding(
      'wall.topShort',
      record.building,
      level.id,
      [record.id],
      `Wall ${record.name} ends ${formatLength(off)} mm under the slab of level ${overName}. Bring it up to the soffit`,
      [toSoffit],
    ),
  ];
}

/** A core wall, which is meant to run through, parted by the slabs it stands on; `stands`: the levels it stands on. */
export function checkBarred(record: Wall, stands: ReadonlySet<Id>, storeys: readonly ResolvedLevel[]): Finding[] {
  const between = storeys.filter(({ id }, i) => stands.has(id) && i > 0 && stands.has(storeys[i - 1]!.id));
  if (between.length === 0) return [];
  const names = between.map((level) => level.record.name);
  const where = names.length === 1 ? `level ${names[0]}` : `${names.length} levels, ${names[0]} to ${names.at(-1)}`;
  return [
    finding(
      'floor.barsWall',
      record.building,
      between[0]!.id,
      [record.id],
      `The slabs at ${where} bar core wall ${record.name}. Let it run past them`,
      [fixBy('Let it run past the slabs', 'walls.change', { wall: record.id, passesClearMm: 0 })],
    ),
  ];
}

/** A slab that stops a little short of an exterior wall. */
export interface SlabGap {
  wall: Id;
  /** Its plate, or the roof it is of. */
  plate: Id;
  name: string;
  byMm: number;
}

/** Slabs of a level that stop a little short of the exterior walls on it: of each wall and slab one. */
export function slabGaps(pieces: readonly WallPiece[], here: readonly Plate[], facts: PlanFacts): readonly SlabGap[] {
  const meets = (piece: WallPiece) =>
    here.some(({ ring }) => ring && piece.strips.some((strip) => facts.meet(strip, ring)));
  return pieces
    .filter((piece) => piece.use === 'exterior' && !meets(piece))
    .flatMap((piece) =>
      here.flatMap(({ ring, record }): SlabGap[] => {
        if (!ring) return [];
        const byMm = Math.min(...piece.strips.map((strip) => facts.gap(strip, ring, () => ringGap(strip, ring))));
        return byMm <= 0 || byMm > SLAB_GAP_MM ? [] : [{ wall: piece.wall, plate: record.id, name: record.name, byMm }];
      }),
    );
}

export function checkSlabGap(
  { framework, building, level }: StoreyOfWalls,
  { wall, plate, name, byMm }: SlabGap,
): Finding[] {
  const record = recordOf(framework, 'wall', wall);
  if (record?.building !== building || record.passesClearMm !== null) return [];
  const isPlate = recordOf(framework, 'floorPlate', plate) !== undefined;
  return [
    finding(
      'floor.gapToWall',
      building,
      level.id,
      [wall, plate],
      `Slab ${name} stops ${formatLength(Math.round(byMm * 10) / 10)} mm short of wall ${record.name} at level ${level.name}. Let its edge follow the wall`,
      record.closed && isPlate
        ? [
            fixBy(`Let ${name} follow the inside of the wall`, 'floors.change', {
              floor: plate,
              outline: { type: 'walls', walls: [wall], face: 'coreInside' },
            }),
          ]
        : [],
    ),
  ];
}

/** Clear widths between two straight parallel walls that are to be held. */
export function checkClearWidths(
  framework: Framework,
  building: Id,
  pathOf: (wall: Wall) => WallPath | null,
): Finding[] {
  return recordsOf(framework, 'clearWidth').flatMap((held): Finding[] => {
    const [a, b] = held.walls.map((id) => recordOf(framework, 'wall', id));
    if (a?.building !== building || b?.building !== building) return [];
    const wantedMm = mmOf(framework, held.widthMm);
    const between = clearBetween(pathOf(a), pathOf(b));
    const about = [a.id, b.id];
    const level = a.startsAt.level;
    if (!between) {
      const message = `Walls ${a.name} and ${b.name} are not parallel any more, so ${formatLength(wantedMm)} mm clear cannot be held. Draw them parallel`;
      return [finding('wall.clearWidth', a.building, level, about, message)];
    }
    const off = wantedMm - between.mm;
    if (Math.abs(off) < 0.5) return [];
    const by = times(between.towardsB, off);
    return [
      finding(
        'wall.clearWidth',
        a.building,
        level,
        about,
        `${formatLength(Math.round(between.mm * 10) / 10)} mm clear between walls ${a.name} and ${b.name}; ${formatLength(wantedMm)} mm are to be held. Move one of them`,
        [
          {
            words: `Move ${b.name} by ${formatLength(Math.round(Math.abs(off) * 10) / 10)} mm`,
            command: 'elements.move',
            input: { ids: [b.id], xMm: by.x, yMm: by.y },
          },
        ],
      ),
    ];
  });
}
