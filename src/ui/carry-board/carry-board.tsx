'use client';

import { useEffect, useMemo, useRef, useState } from 'react';
import { BOARD_KINDS, carryBoard, type BoardCell, type BoardColumn, type BoardKind } from '@/core/carrying/board';
import type { Id } from '@/core/model/ids';
import type { SolvedLevel } from '@/core/solving/solved';
import { useProject } from '../session/store';
import { CellActions } from './cell-actions';
import { CarryStorey } from './carry-storey';

const KIND_WORDS: Record<BoardKind, string> = {
  stair: 'Stairs',
  shaft: 'Shafts',
  wall: 'Walls',
  columnStack: 'Columns',
  floorPlate: 'Floors',
};
const KIND_COLOUR: Record<BoardKind, string> = {
  stair: 'var(--color-stairs)',
  shaft: 'var(--color-shafts)',
  wall: 'var(--color-walls)',
  columnStack: 'var(--color-columns)',
  floorPlate: 'var(--color-floors)',
};

const ROW_PX = 30;
const COLUMN_PX = 25;
const GROUP_PX = 18;
const HEADER_PX = 104;
const LEVEL_PX = 128;
/** Rows and columns drawn beyond what is seen. */
const SPARE = 4;

interface Placed extends BoardColumn {
  x: number;
}

/** A stretch of rows being brushed: an end of a thing carried to another level. */
interface Brush {
  id: Id;
  end: 'lowest' | 'topmost';
  row: number;
}

/** The carry board: levels against everything carried, to see what stands where, and to carry it. */
export function CarryBoard() {
  const { framework, solved, building, level, selection, mayEdit, run, say, set, select } = useProject(
    (project) => project,
  );
  const [hidden, setHidden] = useState<ReadonlySet<BoardKind>>(new Set());
  const [wanted, setWanted] = useState('');
  const [view, setView] = useState({ left: 0, top: 0, width: 900, height: 600 });
  const [brush, setBrush] = useState<Brush | null>(null);
  const frame = useRef<HTMLDivElement>(null);
  const board = useMemo(
    () => (solved && building ? carryBoard(framework, solved, building) : { levels: [], columns: [] }),
    [framework, solved, building],
  );
  useEffect(() => {
    const element = frame.current;
    if (!element) return;
    const observer = new ResizeObserver(() =>
      setView((now) => ({ ...now, width: element.clientWidth, height: element.clientHeight })),
    );
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  const { placed, groups, widthPx } = useMemo(() => {
    const text = wanted.trim().toLowerCase();
    const shown = board.columns.filter(
      ({ kind, name }) => !hidden.has(kind) && (text === '' || name.toLowerCase().includes(text)),
    );
    return lay(shown);
  }, [board, hidden, wanted]);
  const heightPx = board.levels.length * ROW_PX;
  const rows = windowOf(view.top - HEADER_PX, view.height, ROW_PX, board.levels.length);
  const seen = placed.filter(
    ({ x }) => x > view.left - LEVEL_PX - SPARE * COLUMN_PX && x < view.left + view.width + SPARE * COLUMN_PX,
  );
  const rowOf = new Map(board.levels.map(({ id }, i) => [id, i]));
  const chosen = placed.find(({ id }) => selection.length === 1 && id === selection[0]);

  const rowAt = (clientY: number): number => {
    const box = frame.current!.getBoundingClientRect();
    const y = clientY - box.top + frame.current!.scrollTop - HEADER_PX;
    return Math.max(0, Math.min(board.levels.length - 1, Math.floor(y / ROW_PX)));
  };
  const pressed = (column: Placed, event: React.PointerEvent<SVGElement>) => {
    const row = rowAt(event.clientY);
    select([column.id]);
    set({ level: board.levels[row]!.id });
    const end = endAt(column, board.levels, row);
    if (!mayEdit || !end) return;
    event.preventDefault();
    const target = event.currentTarget;
    target.setPointerCapture(event.pointerId);
    let latest = row;
    const move = ({ clientY }: PointerEvent) => {
      latest = rowAt(clientY);
      setBrush({ id: column.id, end, row: latest });
    };
    const done = ({ type }: PointerEvent) => {
      target.removeEventListener('pointermove', move);
      target.removeEventListener('pointerup', done);
      target.removeEventListener('pointercancel', done);
      setBrush(null);
      if (type !== 'pointerup' || latest === row) return;
      const refusal = run('carry.to', { ids: [column.id], [end]: board.levels[latest]!.id });
      if (refusal) say(refusal);
    };
    target.addEventListener('pointermove', move);
    target.addEventListener('pointerup', done);
    target.addEventListener('pointercancel', done);
  };
  if (!solved || !building) return null;
  const nowRow = level === null ? undefined : rowOf.get(level);
  return (
    <div className="flex min-h-0 min-w-0 flex-1 flex-col">
      <div className="flex flex-wrap items-center gap-1.5 px-5 pt-2.5 pb-1">
        {BOARD_KINDS.map((kind) => {
          const count = board.columns.filter((each) => each.kind === kind).length;
          return (
            <button
              key={kind}
              type="button"
              aria-pressed={!hidden.has(kind)}
              className={`rounded-sm border px-2 py-0.5 ${hidden.has(kind) ? 'border-hair text-ink3' : 'border-ink2 font-semibold'}`}
              onClick={() =>
                setHidden((now) => {
                  const next = new Set(now);
                  if (!next.delete(kind)) next.add(kind);
                  return next;
                })
              }
            >
              {KIND_WORDS[kind]} {count}
            </button>
          );
        })}
        <input
          aria-label="Show only names with"
          placeholder="names with …"
          className="figures ml-1 w-28 rounded-sm border border-hair bg-sheet px-1.5 py-0.5"
          value={wanted}
          onChange={({ target }) => setWanted(target.value)}
        />
        <CarryStorey />
      </div>
      <div
        ref={frame}
        className="relative min-h-0 flex-1 overflow-auto"
        onScroll={({ currentTarget }) =>
          setView((now) => ({ ...now, left: currentTarget.scrollLeft, top: currentTarget.scrollTop }))
        }
      >
        <div
          className="grid"
          style={{
            width: LEVEL_PX + widthPx,
            gridTemplateColumns: `${LEVEL_PX}px ${widthPx}px`,
            gridTemplateRows: `${HEADER_PX}px ${heightPx}px`,
          }}
        >
          <div className="sticky top-0 left-0 z-20 bg-film" />
          <svg
            className="sticky top-0 z-10 bg-film"
            width={widthPx}
            height={HEADER_PX}
            role="group"
            aria-label="What is carried"
          >
            {groups.map(({ kind, x, width }) => (
              <g key={kind}>
                <text
                  x={Math.min(Math.max(x, view.left + 2), Math.max(x, x + width - 52))}
                  y={16}
                  className="font-bold"
                  fill={KIND_COLOUR[kind]}
                  fontSize={11.5}
                >
                  {KIND_WORDS[kind]}
                </text>
                <line x1={x} x2={x + width} y1={22} y2={22} stroke={KIND_COLOUR[kind]} strokeWidth={2} />
              </g>
            ))}
            {seen.map(({ id, name, x }) => (
              <text
                key={id}
                transform={`translate(${x + COLUMN_PX / 2 + 3} ${HEADER_PX - 8}) rotate(-58)`}
                fontSize={11}
                className="cursor-pointer font-semibold"
                fill={selection.includes(id) ? 'var(--color-now)' : 'var(--color-ink)'}
                role="button"
                tabIndex={0}
                aria-label={`Choose ${name}`}
                aria-pressed={selection.includes(id)}
                onClick={() => select([id])}
                onKeyDown={({ key }) => (key === 'Enter' || key === ' ') && select([id])}
              >
                {name.length > 11 ? `${name.slice(0, 10)}…` : name}
              </text>
            ))}
          </svg>
          <div className="sticky left-0 z-10 bg-film" style={{ height: heightPx }}>
            {board.levels.slice(rows.from, rows.to).map(({ id, name, title }, i) => (
              <button
                key={id}
                type="button"
                aria-pressed={id === level}
                aria-label={`Level ${name} on the board`}
                className={`absolute left-0 flex w-full items-center gap-2 border-t border-faint pl-5 text-left ${id === level ? 'bg-now-tint font-bold text-now' : ''}`}
                style={{ top: (rows.from + i) * ROW_PX, height: ROW_PX }}
                onClick={() => set({ level: id })}
              >
                <span className="figures w-8 font-bold">{name}</span>
                <span className="truncate text-[11px] font-normal text-ink2">{title}</span>
              </button>
            ))}
          </div>
          <svg
            width={widthPx}
            height={heightPx}
            role="img"
            aria-label={`${placed.length} things on ${board.levels.length} levels`}
          >
            {nowRow !== undefined && (
              <rect x={0} y={nowRow * ROW_PX} width={widthPx} height={ROW_PX} fill="var(--color-now-tint)" />
            )}
            {board.levels.slice(rows.from, rows.to).map(({ id }, i) => (
              <line
                key={id}
                x1={0}
                x2={widthPx}
                y1={(rows.from + i) * ROW_PX}
                y2={(rows.from + i) * ROW_PX}
                stroke="var(--color-faint)"
              />
            ))}
            {seen.map((column) => (
              <g
                key={column.id}
                data-carried={column.name}
                className="cursor-pointer"
                onPointerDown={(event) => pressed(column, event)}
              >
                <rect x={column.x} y={0} width={COLUMN_PX} height={heightPx} fill="transparent" />
                {board.levels.slice(rows.from, rows.to).map(({ id }, i) => {
                  const cell = column.cells.get(id);
                  return cell ? (
                    <Cell key={id} kind={column.kind} cell={cell} x={column.x} y={(rows.from + i) * ROW_PX} />
                  ) : null;
                })}
                {brush?.id === column.id && <BrushMark column={column} brush={brush} levels={board.levels} />}
              </g>
            ))}
            {chosen && (
              <rect
                x={chosen.x + 1}
                y={1}
                width={COLUMN_PX - 2}
                height={heightPx - 2}
                rx={3}
                fill="none"
                stroke="var(--color-now)"
                strokeWidth={1.6}
                pointerEvents="none"
              />
            )}
          </svg>
        </div>
      </div>
      <CellActions column={chosen ?? null} />
    </div>
  );
}

/** Columns side by side, a gap between kinds. */
function lay(columns: readonly BoardColumn[]) {
  const placed: Placed[] = [];
  const groups: { kind: BoardKind; x: number; width: number }[] = [];
  let x = 0;
  for (const column of columns) {
    const group = groups.at(-1);
    if (group?.kind !== column.kind) {
      x += groups.length > 0 ? GROUP_PX : 0;
      groups.push({ kind: column.kind, x, width: 0 });
    }
    placed.push({ ...column, x });
    x += COLUMN_PX;
    groups.at(-1)!.width = x - groups.at(-1)!.x - 4;
  }
  // Room for the last names, which lean over.
  return { placed, groups, widthPx: Math.max(200, x + 60) };
}

/** Rows that are seen, and some to spare. */
function windowOf(topPx: number, heightPx: number, rowPx: number, count: number): { from: number; to: number } {
  const from = Math.max(0, Math.floor(topPx / rowPx) - SPARE);
  return { from, to: Math.min(count, Math.ceil((topPx + heightPx + HEADER_PX) / rowPx) + SPARE) };
}

/** The end of a thing at a row of the board: where it is brushed from. */
function endAt(column: BoardColumn, levels: readonly SolvedLevel[], row: number): 'lowest' | 'topmost' | null {
  const rows = levels.flatMap(({ id }, i) => (column.cells.has(id) ? [i] : []));
  if (rows.length === 0) return null;
  // Levels run from the top down.
  if (row === rows[0]) return 'topmost';
  return row === rows.at(-1) ? 'lowest' : null;
}

function Cell({ kind, cell, x, y }: { kind: BoardKind; cell: BoardCell; x: number; y: number }) {
  const colour = KIND_COLOUR[kind];
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
  const width = (kind === 'wall' ? 6 : 12) * cell.weight;
  return (
    <>
      {kind === 'floorPlate' ? (
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
function BrushMark({ column, brush, levels }: { column: Placed; brush: Brush; levels: readonly SolvedLevel[] }) {
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
