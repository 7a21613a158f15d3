'use client';

import { onBoard } from '@/core/carrying/board';
import type { BoardCell } from '@/core/kinds/on-board';
import type { Kind } from '@/core/model/kinds';
import type { SolvedLevel } from '@/core/solving/solved';
import { COLUMN_PX, ROW_PX, type Brush, type Placed } from './board-layout';
import { kindColour } from './kind-words';

/** A thing at one level. */
export function Cell({ kind, cell, x, y }: { kind: Kind; cell: BoardCell; x: number; y: number }) {
  const colour = kindColour(kind);
  const { shape } = onBoard(kind)!;
  const middle = x + COLUMN_PX / 2;
  if (cell.state === 'leftOut')
    return (
      <rect
        x={middle - 5}
        y={y + 7}
        width={10}
        height={ROW_PX - 14}
        fill="none"
        stroke="var(--color-look)"
        strokeDasharray="3 2"
        strokeWidth={1.4}
      />
    );
  const width = (shape === 'narrow' ? 6 : 12) * cell.weight;
  return (
    <>
      {shape === 'slab' ? (
        <rect x={x + 3} y={y + ROW_PX - 6} width={COLUMN_PX - 6} height={5} fill={colour} />
      ) : (
        <rect x={middle - width / 2} y={y} width={width} height={ROW_PX} fill={colour} />
      )}
      {cell.differs && (
        <circle cx={middle} cy={y + ROW_PX / 2} r={3.2} fill="var(--color-sheet)" stroke={colour} strokeWidth={1.4} />
      )}
      {cell.finding && (
        <path
          d={`M${middle - 6} ${y + ROW_PX - 8} l6 -11 l6 11 z`}
          fill={cell.finding === 'error' ? 'var(--color-wrong)' : 'var(--color-look)'}
          stroke="var(--color-sheet)"
        />
      )}
    </>
  );
}

/** Where the brushed end would come to be. */
export function BrushMark({ column, brush, levels }: { column: Placed; brush: Brush; levels: readonly SolvedLevel[] }) {
  const rows = levels.flatMap(({ id }, i) => (column.cells.has(id) ? [i] : []));
  const [top, bottom] = [Math.min(...rows), Math.max(...rows)];
  const [from, to] = brush.end === 'topmost' ? [brush.row, bottom] : [top, brush.row];
  const [low, high] = [Math.min(from, to), Math.max(from, to)];
  return (
    <rect
      x={column.x + 3}
      y={low * ROW_PX}
      width={COLUMN_PX - 6}
      height={(high - low + 1) * ROW_PX}
      fill="var(--color-now)"
      fillOpacity={0.28}
      stroke="var(--color-now)"
      strokeDasharray="4 3"
    />
  );
}
