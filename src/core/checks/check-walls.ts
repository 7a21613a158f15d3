import { mmOf } from '../dimensions/resolve-length';
import { touches } from '../ceilings/ceiling-over';
import type { CeilingPiece } from '../ceilings/solved-ceiling';
import { soffitMm, type PlateSet } from '../floors/plates';
import { times } from '../geometry/point';
import { ringGap } from '../geometry/polygon';
import type { ResolvedLevel } from '../levels/resolve-levels';
import { recordOf, recordsOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import type { PlanFacts } from '../passes/plan-facts';
import type { WallPiece } from '../walls/solved-wall';
import type { Wall } from '../walls/wall';
import { clearBetween } from '../walls/clear-between';
import type { WallPath } from '../walls/wall-path';
import { formatLength } from '../units/format-length';
import { finding, type Finding, type Fix, fixBy } from './finding';

/** A gap this small between a slab and an exterior wall is hardly meant, mm. */
const SLAB_GAP_MM = 150;

interface Given {
  framework: Framework;
  building: Id;
  storeys: readonly ResolvedLevel[];
  plates: PlateSet;
  walls: readonly WallPiece[];
  ceilings: readonly CeilingPiece[];
  facts: PlanFacts;
  /** The path of a wall as drawn; null where it has no length. */
  pathOf: (wall: Wall) => WallPath | null;
}

/** Tops of walls that miss or pierce the slab over them, gaps beside slabs, clear widths not held. */
export function checkWalls(given: Given): Finding[] {
  const records = recordsOf(given.framework, 'wall').filter(({ building }) => building === given.building);
  return [
    ...tops(given, records),
    ...within(given, records),
    ...barred(given, records),
    ...slabGaps(given, records),
    ...clearWidths(given, records),
  ];
}

/** Walls and parapets of which nothing stands in a storey: all of them lies in others. */
function within({ framework, building, storeys, walls }: Given, records: readonly Wall[]): Finding[] {
  const names = new Map(storeys.map(({ id, record }) => [id, record.name]));
  const byId = new Map(records.map((record) => [record.id, record]));
  return walls.flatMap(({ wall, level, isWithin }): Finding[] => {
    if (!isWithin) return [];
    const at = names.get(level) ?? '';
    const roof = recordOf(framework, 'roof', wall);
    if (roof)
      return [
        finding(
          'wall.within',
          building,
          level,
          [wall],
          `The parapet of roof ${roof.name} at level ${at} lies all within other walls: nothing of it stands. Move the roof, or take its parapet away`,
          [fixBy(`Take the parapet of roof ${roof.name} away`, 'roofs.change', { roof: wall, parapet: null })],
        ),
      ];
    const record = byId.get(wall);
    if (!record) return [];
    return [
      finding(
        'wall.within',
        record.building,
        level,
        [wall],
        `Wall ${record.name} at level ${at} lies all within other walls: nothing of it stands. Move it, or delete it`,
        [fixBy(`Delete wall ${record.name}`, 'elements.remove', { ids: [wall] })],
      ),
    ];
  });
}

/** The last storey of each wall that stands on slabs, against the slab over it. */
function tops({ storeys, plates, walls, ceilings, facts }: Given, records: readonly Wall[]): Finding[] {
  const last = new Map<Id, WallPiece>();
  for (const piece of walls) last.set(piece.wall, piece);
  const aboveOf = new Map(storeys.map(({ id }, i) => [id, storeys[i + 1]]));
  return records.flatMap((record): Finding[] => {
    const piece = last.get(record.id);
    if (!piece || record.passesClearMm !== null || ['ceiling', 'roof'].includes(record.stopsAt.face)) return [];
    const above = aboveOf.get(piece.level);
    const isTyped = record.stopsAt.level === piece.level;
    if (!above || (!isTyped && record.stopsAt.level !== above.id)) return [];
    const over = plates
      .at(above.id)
      .filter(({ ring }) => ring && piece.strips.some((strip) => facts.meet(strip, ring)));
    if (over.length === 0) return [];
    const soffit = soffitMm(above, plates, (plate) => over.includes(plate), { rings: piece.strips, facts });
    const off = soffit - piece.topMm;
    if (off < 1) return [];
    const toSoffit: Fix = {
      words: 'Bring it up to the soffit',
      command: 'walls.change',
      input: { wall: record.id, stopsAt: { level: above.id, face: 'soffit', offsetMm: 0 } },
    };
    const through = ceilings.find(
      ({ level, ring, bottomMm }) =>
        level === piece.level &&
        piece.topMm > bottomMm + 0.5 &&
        piece.strips.some((strip) => touches(strip, ring, facts)),
    );
    if (through)
      return [
        finding(
          'wall.throughCeiling',
          record.building,
          piece.level,
          [record.id, through.ceiling],
          `Wall ${record.name} goes ${formatLength(Math.round((piece.topMm - through.bottomMm) * 10) / 10)} mm past ceiling ${through.name} and ends under the slab of level ${above.record.name}. Stop it at the ceiling, or bring it up to the soffit`,
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
    if (isTyped) return [];
    return [
      finding(
        'wall.topShort',
        record.building,
        piece.level,
        [record.id],
        `Wall ${record.name} ends ${formatLength(off)} mm under the slab of level ${above.record.name}. Bring it up to the soffit`,
        [toSoffit],
      ),
    ];
  });
}

/** Core walls, which are meant to run through, parted by the slabs they stand on: one finding for each wall. */
function barred({ walls, storeys }: Given, records: readonly Wall[]): Finding[] {
  const levels = new Map<Id, Set<Id>>();
  for (const { wall, level, use } of walls)
    if (use === 'core') levels.set(wall, (levels.get(wall) ?? new Set()).add(level));
  return records.flatMap((record): Finding[] => {
    if (record.use !== 'core' || record.passesClearMm !== null) return [];
    const stands = levels.get(record.id) ?? new Set();
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
        [
          {
            words: 'Let it run past the slabs',
            command: 'walls.change',
            input: { wall: record.id, passesClearMm: 0 },
          },
        ],
      ),
    ];
  });
}

/** Slabs that stop a little short of an exterior wall: one finding for each wall and level. */
function slabGaps({ storeys, plates, walls, facts }: Given, records: readonly Wall[]): Finding[] {
  const exterior = new Map(records.filter(({ use }) => use === 'exterior').map((record) => [record.id, record]));
  const names = new Map(storeys.map(({ id, record }) => [id, record.name]));
  return walls.flatMap((piece): Finding[] => {
    const record = exterior.get(piece.wall);
    if (!record || record.passesClearMm !== null) return [];
    const here = plates.at(piece.level);
    const meets = here.some(({ ring }) => ring && piece.strips.some((strip) => facts.meet(strip, ring)));
    if (meets) return [];
    return here.flatMap(({ ring, record: plate }): Finding[] => {
      if (!ring) return [];
      const gap = Math.min(...piece.strips.map((strip) => facts.gap(strip, ring, () => ringGap(strip, ring))));
      if (gap <= 0 || gap > SLAB_GAP_MM) return [];
      return [
        finding(
          'floor.gapToWall',
          record.building,
          piece.level,
          [record.id, plate.id],
          `Slab ${plate.name} stops ${formatLength(Math.round(gap * 10) / 10)} mm short of wall ${record.name} at level ${names.get(piece.level) ?? ''}. Let its edge follow the wall`,
          record.closed
            ? [
                {
                  words: `Let ${plate.name} follow the inside of the wall`,
                  command: 'floors.change',
                  input: { floor: plate.id, outline: { type: 'walls', walls: [record.id], face: 'coreInside' } },
                },
              ]
            : [],
        ),
      ];
    });
  });
}

/** Clear widths between two straight parallel walls that are to be held. */
function clearWidths({ framework, pathOf }: Given, records: readonly Wall[]): Finding[] {
  const byId = new Map(records.map((record) => [record.id, record]));
  return recordsOf(framework, 'clearWidth').flatMap((held): Finding[] => {
    const [a, b] = held.walls.map((id) => byId.get(id));
    if (!a || !b) return [];
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
