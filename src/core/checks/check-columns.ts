import { isSameSection, sectionArea, sectionHull } from '../columns/section-shape';
import type { PlateSet } from '../floors/plates';
import { sharedArea } from '../geometry/convex-clip';
import { distance, type Point } from '../geometry/point';
import { bounds, contains, distanceToSegment, ringArea, type Ring } from '../geometry/polygon';
import type { Id } from '../model/ids';
import type { PlanFacts } from '../passes/plan-facts';
import type { ColumnPiece, SolvedShaft } from '../solving/solved';
import { leastMove, moveFix, moveIn } from './least-move';
import { finding, type Finding, type Fix } from './finding';

/** Shares under this, mm², are touching and not overlapping. */
const TOUCH_MM2 = 10;

/** A stretch of a stack that is the same in plan, with its ring. */
export interface Run {
  pieces: ColumnPiece[];
  ring: Ring;
}

/** The stacks of columns, each in stretches that are the same in plan. */
export function columnRuns(columns: readonly ColumnPiece[], facts: PlanFacts): Run[][] {
  const stacks = new Map<Id, ColumnPiece[]>();
  for (const piece of columns) {
    const list = stacks.get(piece.stack);
    if (list) list.push(piece);
    else stacks.set(piece.stack, [piece]);
  }
  return [...stacks.values()].map((pieces) => runs(pieces, facts));
}

/** Columns that stand in a shaft. */
export function checkColumnsInShafts(
  stacks: readonly (readonly Run[])[],
  shafts: readonly SolvedShaft[],
  names: ReadonlyMap<Id, string>,
  mayMove: (stack: Id) => boolean,
): Finding[] {
  const boxes = shafts.map((shaft) => ({ shaft, box: bounds(shaft.ring) }));
  return stacks.flat().flatMap(({ pieces, ring }) => {
    const { at, building, stack } = pieces[0]!;
    const reach = distance(ring[0]!, at);
    const near = boxes.filter(
      ({ shaft, box }) =>
        shaft.building === building &&
        at.x + reach > box.minX &&
        at.x - reach < box.maxX &&
        at.y + reach > box.minY &&
        at.y - reach < box.maxY &&
        sharedArea(ring, shaft.ring) > TOUCH_MM2,
    );
    const inWay = near.map(({ shaft }) => shaft);
    return near.length === 0 ? [] : insideShafts(pieces, ring, inWay, names, mayMove(stack));
  });
}

/** Columns whose foot is off the slab they stand on, and columns out of plumb. */
export function checkColumns(
  stacks: readonly (readonly Run[])[],
  plates: PlateSet,
  names: ReadonlyMap<Id, string>,
  facts: PlanFacts,
  mayMove: (stack: Id) => boolean,
): Finding[] {
  return stacks.flatMap((stretches) => [
    ...stretches.flatMap(({ pieces, ring }) =>
      outsideSlabs(pieces, ring, plates, names, facts, mayMove(pieces[0]!.stack)),
    ),
    // Within a stretch every piece stands on one like it.
    ...(stretches.length < 2
      ? []
      : outOfPlumb(
          stretches.flatMap(({ pieces }) => pieces),
          names,
          facts,
        )),
  ]);
}

/** True for pieces that are the same in plan. */
const isAlike = (a: ColumnPiece, b: ColumnPiece): boolean =>
  a.at.x === b.at.x && a.at.y === b.at.y && a.turnDeg === b.turnDeg && isSameSection(a.section, b.section);

/** Pieces of a stack in stretches that are the same in plan, each with its ring. */
function runs(pieces: readonly ColumnPiece[], facts: PlanFacts): Run[] {
  const found: Run[] = [];
  for (const piece of pieces) {
    const last = found.at(-1);
    const before = last?.pieces[0];
    if (last && before && isAlike(before, piece)) last.pieces.push(piece);
    else found.push({ pieces: [piece], ring: facts.one(sectionHull(piece.section, piece.at, piece.turnDeg)) });
  }
  return found;
}

/** Where a column does not stand within the one below it, or is larger than it. */
function outOfPlumb(pieces: readonly ColumnPiece[], names: ReadonlyMap<Id, string>, facts: PlanFacts): Finding[] {
  return pieces.slice(1).flatMap((piece, i) => {
    const below = pieces[i]!;
    if (isAlike(below, piece)) return [];
    const level = names.get(piece.level) ?? '';
    const report = (rule: 'column.largerAbove' | 'column.outOfPlumb', message: string) =>
      finding(rule, piece.building, piece.level, [piece.stack], message, [
        {
          words: `As below at level ${level}`,
          command: 'columns.asBelow',
          input: { columns: [piece.stack], level: piece.level },
        },
      ]);
    if (sectionArea(piece.section) > sectionArea(below.section) + TOUCH_MM2)
      return [
        report(
          'column.largerAbove',
          `Column ${piece.mark} is larger at level ${level} than below it. Make it smaller there, or larger below`,
        ),
      ];
    const [upper, lower] = [piece, below].map((each) => facts.one(sectionHull(each.section, each.at, each.turnDeg)));
    const isWithin = upper!.every((point) => contains(lower!, point) || onEdge(lower!, point));
    return isWithin
      ? []
      : [
          report(
            'column.outOfPlumb',
            `Column ${piece.mark} at level ${level} stands off the one below. Move one of them`,
          ),
        ];
  });
}

const onEdge = (ring: Ring, point: Point): boolean =>
  ring.some((a, i) => distanceToSegment(point, a, ring[(i + 1) % ring.length]!) < 0.01);

/** A column this far in a shaft is meant to stop there, as in a hall: it is left out, not moved; mm. */
const FAR_IN_MM = 1000;

function outOfShaft(piece: ColumnPiece, ring: Ring, shaft: SolvedShaft, level: string, mayMove: boolean): Fix[] {
  const by = leastMove(ring, shaft.ring);
  if (mayMove && by && Math.abs(by.x) + Math.abs(by.y) <= FAR_IN_MM)
    return moveFix(piece.stack, `column ${piece.mark}`, by);
  return [
    {
      words: `Leave column ${piece.mark} out at level ${level}`,
      command: 'columns.except',
      input: { columns: [piece.stack], level: piece.level, leftOut: true },
    },
  ];
}

function insideShafts(
  pieces: readonly ColumnPiece[],
  ring: Ring,
  shafts: readonly SolvedShaft[],
  names: ReadonlyMap<Id, string>,
  mayMove: boolean,
): Finding[] {
  return shafts.flatMap((shaft) =>
    pieces
      .filter((piece) => piece.topMm > shaft.bottomMm && piece.bottomMm < shaft.topMm)
      .map((piece) =>
        finding(
          'column.insideShaft',
          piece.building,
          piece.level,
          [piece.stack, shaft.shaft],
          `Column ${piece.mark} stands in shaft ${shaft.name} at level ${names.get(piece.level) ?? ''}. Move one of them`,
          outOfShaft(piece, ring, shaft, names.get(piece.level) ?? '', mayMove),
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
  mayMove: boolean,
): Finding[] {
  const area = ringArea(ring);
  const missingAt = (piece: ColumnPiece): number => {
    let [missing, slabs] = [area, 0];
    for (const { ring: slab } of plates.at(piece.level)) {
      if (!slab) continue;
      slabs += 1;
      missing -= facts.standing(ring, piece.at, slab).shareMm2;
    }
    return slabs === 0 ? 0 : missing;
  };
  const off = pieces.filter((piece) => missingAt(piece) > TOUCH_MM2);
  return off.map((piece) => {
    const here = plates.at(piece.level).filter((plate) => plate.ring);
    const missing = missingAt(piece);
    const level = names.get(piece.level) ?? '';
    const whole = missing >= area - TOUCH_MM2;
    const percent = Math.max(1, Math.round((100 * missing) / area));
    return finding(
      'column.outsideSlab',
      piece.building,
      piece.level,
      [piece.stack, ...here.map(({ record }) => record.id)],
      whole
        ? `Column ${piece.mark} stands outside the slab at level ${level}. Widen the slab or move the column`
        : `Column ${piece.mark} stands ${percent} % over the slab edge at level ${level}. Widen the slab or move the column`,
      mayMove && here.length === 1 ? moveFix(piece.stack, `column ${piece.mark}`, moveIn(ring, here[0]!.ring!)) : [],
      whole ? 'error' : 'warning',
    );
  });
}
