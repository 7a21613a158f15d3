import { soffitMm, type PlateSet } from '../floors/plates';
import { mmOf } from '../dimensions/resolve-length';
import { sharedArea } from '../geometry/convex-clip';
import { lengthOf, turned } from '../geometry/point';
import { bounds, type Ring } from '../geometry/polygon';
import type { ResolvedLevel } from '../levels/resolve-levels';
import { recordOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { resolvePlace } from '../outlines/resolve-place';
import type { PlanFacts } from '../passes/plan-facts';
import type { ColumnPiece } from '../solving/solved';
import { formatLength } from '../units/format-length';
import type { Run } from './check-columns';
import { finding, type Finding } from './finding';
import { leastMove, moveFix } from './least-move';

const TOUCH_MM2 = 10;
/** A column this little off its crossing is hardly meant to be, mm. */
const HARDLY_MM = 50;

interface Given {
  framework: Framework;
  storeys: readonly ResolvedLevel[];
  plates: PlateSet;
  facts: PlanFacts;
}

/** A column of a storey in plan. */
export interface ColumnInPlan {
  stack: Id;
  mark: string;
  ring: Ring;
}

/** What stands in a column's way in a storey, with its ring. */
export interface Obstacle {
  rule: 'column.insideStair' | 'column.inOpening';
  id: Id;
  ring: Ring;
  words: string;
}

/** A storey with its columns. */
interface StoreyGiven {
  framework: Framework;
  building: Id;
  level: { id: Id; name: string };
  plates: PlateSet;
  facts: PlanFacts;
}

/** Which of some columns stand in which of some obstacles, by their numbers. */
export function columnsInTheWayOf(
  columns: readonly ColumnInPlan[],
  obstacles: readonly Obstacle[],
  facts: PlanFacts,
): [column: number, obstacle: number][] {
  const boxes = obstacles.map(({ ring }) => bounds(ring));
  return columns.flatMap(({ ring }, i) => {
    const own = bounds(ring);
    return boxes.flatMap((box, j): [number, number][] => {
      const isApart = own.minX >= box.maxX || box.minX >= own.maxX || own.minY >= box.maxY || box.minY >= own.maxY;
      if (isApart) return [];
      const other = obstacles[j]!.ring;
      return facts.shared(ring, facts.one(other), () => sharedArea(ring, other)) > TOUCH_MM2 ? [[i, j]] : [];
    });
  });
}

/** Columns of a storey in stairs, doors and windows. */
export const checkColumnsInTheWay = (
  pairs: readonly { column: ColumnInPlan; obstacle: Obstacle }[],
  { framework, building, level }: StoreyGiven,
): Finding[] =>
  pairs.map(({ column: { stack, mark, ring }, obstacle }) =>
    finding(
      obstacle.rule,
      building,
      level.id,
      [stack, obstacle.id],
      `Column ${mark} stands in ${obstacle.words} at level ${level.name}. Move one of them`,
      recordOf(framework, 'columnStack', stack)?.holds.length === 0
        ? moveFix(stack, `column ${mark}`, leastMove(ring, obstacle.ring))
        : [],
    ),
  );

/** Columns of a storey that stand where a slab has a void. */
export const checkColumnsOverVoids = (columns: readonly ColumnInPlan[], given: StoreyGiven): Finding[] =>
  columns.flatMap((column) => overVoids(column, given));

/** Columns on nothing, short of the slab, and hardly off their crossings. */
export function checkColumnEnds(stacks: readonly (readonly Run[])[], given: Given): Finding[] {
  const ends = stacks.map((stretches): Ends => {
    const [first, last] = [stretches[0]!, stretches.at(-1)!];
    return {
      foot: { piece: first.pieces[0]!, ring: first.ring },
      top: { piece: last.pieces.at(-1)!, ring: last.ring },
    };
  });
  return ends.flatMap((own) => [...feet(own, stacks, given), ...tops(own, given), ...offCrossing(own, given)]);
}

/** The lowest and the topmost piece of a stack. */
interface Ends {
  foot: { piece: ColumnPiece; ring: Ring };
  top: { piece: ColumnPiece; ring: Ring };
}

/** A column that stands where its slab has a void. */
function overVoids({ ring, stack, mark }: ColumnInPlan, { building, level, plates, facts }: StoreyGiven): Finding[] {
  return plates.at(level.id).flatMap(({ record, voids }) =>
    voids
      .filter((hole) => facts.shared(ring, hole, () => sharedArea(ring, hole)) > TOUCH_MM2)
      .slice(0, 1)
      .map(() =>
        finding(
          'column.overVoid',
          building,
          level.id,
          [stack, record.id],
          `Column ${mark} stands in a void of ${record.name} at level ${level.name}. Leave it out there, or close the void`,
          [
            {
              words: `Leave column ${mark} out at level ${level.name}`,
              command: 'columns.except',
              input: { columns: [stack], level: level.id, leftOut: true },
            },
          ],
        ),
      ),
  );
}

/** A stack that begins above the lowest level with neither a slab nor a column under its foot. */
function feet(
  { foot: { piece: foot, ring } }: Ends,
  stacks: readonly (readonly Run[])[],
  { storeys, plates, facts }: Given,
): Finding[] {
  const rank = storeys.findIndex(({ id }) => id === foot.level);
  const level = storeys[rank];
  if (!level || rank === 0 || foot.bottomMm > level.sslMm + 1) return [];
  const onSlab = plates.at(level.id).some((plate) => plate.ring && facts.meet(ring, plate.ring));
  if (onSlab) return [];
  const onColumn = stacks.some((stretches) =>
    stretches.some(
      ({ pieces, ring: under }) =>
        pieces[0]!.stack !== foot.stack &&
        pieces.some((piece) => Math.abs(piece.topMm - foot.bottomMm) < 1000) &&
        facts.meet(ring, under),
    ),
  );
  if (onColumn) return [];
  const under = storeys
    .slice(0, rank)
    .reverse()
    .find(
      (each, i, list) =>
        i === list.length - 1 || plates.at(each.id).some((plate) => plate.ring && facts.meet(ring, plate.ring)),
    );
  return [
    finding(
      'column.standsOnNothing',
      foot.building,
      level.id,
      [foot.stack],
      `Column ${foot.mark} stands on nothing at level ${level.record.name}: no slab and no column is under it. Carry it down, or bring a slab under it`,
      under
        ? [
            {
              words: `Carry column ${foot.mark} down to level ${under.record.name}`,
              command: 'carry.to',
              input: { ids: [foot.stack], lowest: under.id },
            },
          ]
        : [],
    ),
  ];
}

/** A stack held to a level whose slab it does not reach. */
function tops({ top: { piece: top, ring } }: Ends, { storeys, plates, facts, framework }: Given): Finding[] {
  const above = storeys[storeys.findIndex(({ id }) => id === top.level) + 1];
  const stack = recordOf(framework, 'columnStack', top.stack);
  if (!above || stack?.stopsAt.level !== above.id) return [];
  const over = plates.at(above.id).filter((plate) => plate.ring && facts.standing(ring, top.at, plate.ring).isOn);
  if (over.length === 0) return [];
  const off = soffitMm(above, plates, (plate) => over.includes(plate), { rings: [ring], facts }) - top.topMm;
  if (off < 1) return [];
  return [
    finding(
      'column.stopsShort',
      top.building,
      top.level,
      [top.stack],
      `Column ${top.mark} stops ${formatLength(off)} mm short of the slab of level ${above.record.name}. Bring it up to the soffit`,
      [
        {
          words: 'Bring it up to the soffit',
          command: 'columns.change',
          input: { column: top.stack, stopsAt: { level: above.id, face: 'soffit', offsetMm: 0 } },
        },
      ],
    ),
  ];
}

/** A stack placed a hair beside its crossing. */
function offCrossing({ foot }: Ends, { framework }: Given): Finding[] {
  const { stack: id, building, mark } = foot.piece;
  const stack = recordOf(framework, 'columnStack', id);
  if (!stack?.place.lines || stack.holds.length > 0) return [];
  const shift = { x: mmOf(framework, stack.place.xMm), y: mmOf(framework, stack.place.yMm) };
  const off = lengthOf(shift);
  if (off < 0.01 || off >= HARDLY_MM) return [];
  const by = turned({ x: -shift.x, y: -shift.y }, resolvePlace(framework, stack.place).turnDeg);
  return [
    finding(
      'column.offCrossing',
      building,
      null,
      [id],
      `Column ${mark} stands ${formatLength(Math.round(off * 10) / 10)} mm off its crossing. Put it on it, or hold it to a line`,
      [{ words: 'Put it on its crossing', command: 'elements.move', input: { ids: [id], xMm: by.x, yMm: by.y } }],
    ),
  ];
}
