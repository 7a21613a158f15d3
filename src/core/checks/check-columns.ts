import { sectionRing } from '../columns/section-shape';
import type { PlateSet } from '../floors/plates';
import { sharedArea } from '../geometry/convex-clip';
import { distance } from '../geometry/point';
import { bounds, ringArea, type Ring } from '../geometry/polygon';
import type { Id } from '../model/ids';
import type { PlanFacts } from '../solving/plan-facts';
import type { ColumnPiece, SolvedLevel, SolvedShaft } from '../solving/solved';
import { finding, type Finding } from './finding';

/** Shares under this, mm², are touching and not overlapping. */
const TOUCH_MM2 = 10;

/** Columns that stand in a shaft, and columns whose foot is off the slab they stand on. */
export function checkColumns(
  columns: readonly ColumnPiece[],
  shafts: readonly SolvedShaft[],
  plates: PlateSet,
  levels: readonly SolvedLevel[],
  facts: PlanFacts,
): Finding[] {
  const names = new Map(levels.map(({ id, name }) => [id, name]));
  const stacks = new Map<Id, ColumnPiece[]>();
  for (const piece of columns) {
    const list = stacks.get(piece.stack);
    if (list) list.push(piece);
    else stacks.set(piece.stack, [piece]);
  }
  const shaftBoxes = shafts.map((shaft) => ({ shaft, box: bounds(shaft.ring) }));
  return [...stacks.values()].flatMap((pieces) => {
    const ring = facts.one(sectionRing(pieces[0]!.section, pieces[0]!.at, pieces[0]!.turnDeg));
    const reach = distance(ring[0]!, pieces[0]!.at);
    const near = shaftBoxes.filter(({ shaft, box }) => {
      const { x, y } = pieces[0]!.at;
      return (
        shaft.building === pieces[0]!.building &&
        x + reach > box.minX &&
        x - reach < box.maxX &&
        y + reach > box.minY &&
        y - reach < box.maxY &&
        sharedArea(ring, shaft.ring) > TOUCH_MM2
      );
    });
    return [
      ...insideShafts(
        pieces,
        near.map(({ shaft }) => shaft),
        names,
      ),
      ...outsideSlabs(pieces, ring, plates, names, facts),
    ];
  });
}

function insideShafts(
  pieces: readonly ColumnPiece[],
  shafts: readonly SolvedShaft[],
  names: ReadonlyMap<Id, string>,
): Finding[] {
  return shafts.flatMap((shaft) =>
    pieces
      .filter((piece) => piece.topMm > shaft.bottomMm && piece.bottomMm < shaft.topMm)
      .map((piece) =>
        finding(
          'column.insideShaft',
          'error',
          piece.building,
          piece.level,
          [piece.stack, shaft.shaft],
          `Column ${piece.mark} stands in shaft ${shaft.name} at level ${names.get(piece.level) ?? ''}. Move one of them`,
        ),
      ),
  );
}

function outsideSlabs(
  pieces: readonly ColumnPiece[],
  ring: Ring,
  plates: PlateSet,
  names: ReadonlyMap<Id, string>,
  facts: PlanFacts,
): Finding[] {
  const area = ringArea(ring);
  return pieces.flatMap((piece) => {
    const here = plates.at(piece.level).filter((plate) => plate.ring);
    if (here.length === 0) return [];
    const missing = area - here.reduce((sum, plate) => sum + facts.standing(ring, piece.at, plate.ring!).shareMm2, 0);
    if (missing <= TOUCH_MM2) return [];
    const level = names.get(piece.level) ?? '';
    const whole = missing >= area - TOUCH_MM2;
    const percent = Math.max(1, Math.round((100 * missing) / area));
    return finding(
      'column.outsideSlab',
      whole ? 'error' : 'warning',
      piece.building,
      piece.level,
      [piece.stack, ...here.map(({ record }) => record.id)],
      whole
        ? `Column ${piece.mark} stands outside the slab at level ${level}. Widen the slab or move the column`
        : `Column ${piece.mark} stands ${percent} % over the slab edge at level ${level}. Widen the slab or move the column`,
    );
  });
}
