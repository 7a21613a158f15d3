import { defineSpacePart, type InSpace, type PlanShape, type Shapes } from '../kinds/in-space';
import type { Point } from '../geometry/point';
import type { ColumnBlock, ColumnPiece } from '../solving/solved';
import { sectionRing, type SectionMm } from './section-shape';
import { blocksPass, columnsElsewherePass, columnsOnFloorPass, columnsPass, placedColumn } from './column-passes';

/** Shapes of sections by the place they stand at, which is one object all the way up. */
const known = new WeakMap<Point, { section: SectionMm; turnDeg: number; shape: PlanShape }>();

function sectionShape(section: SectionMm, { at, turnDeg }: { at: Point; turnDeg: number }, shapes: Shapes): PlanShape {
  const before = known.get(at);
  if (before?.section === section && before.turnDeg === turnDeg) return before.shape;
  const text = `${Object.values(section).join(' ')} ${at.x} ${at.y} ${turnDeg}`;
  const shape = shapes.of(text, () => sectionRing(section, at, turnDeg));
  known.set(at, { section, turnDeg, shape });
  return shape;
}

/** Columns, and their heads and the thickenings over them. */
export const columnsInSpace: InSpace = {
  parts: [
    defineSpacePart<ColumnPiece>({
      pass: columnsPass,
      solids: (piece, shapes) => [
        {
          thing: piece.stack,
          name: piece.mark,
          level: piece.level,
          rank: 'column',
          shape: sectionShape(piece.section, piece, shapes),
          bottomMm: piece.bottomMm,
          topMm: piece.topMm,
        },
      ],
      fromFloors: {
        inStorey: (cx, key) => cx.get(columnsOnFloorPass, key),
        placed: placedColumn,
        others: (cx, building) => cx.get(columnsElsewherePass, building),
      },
    }),
    defineSpacePart<ColumnBlock>({
      pass: blocksPass,
      solids: (piece, shapes) => [
        {
          thing: piece.stack,
          name: piece.mark,
          level: piece.level,
          rank: piece.block,
          shape: sectionShape({ shape: 'rectangle', widthMm: piece.widthMm, depthMm: piece.depthMm }, piece, shapes),
          bottomMm: piece.bottomMm,
          topMm: piece.topMm,
        },
      ],
    }),
  ],
};
