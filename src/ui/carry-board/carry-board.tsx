'use client';

import { useEffect, useMemo, useRef, useState } from 'react';
import { boardKinds, carryBoard } from '@/core/carrying/board';
import type { Kind } from '@/core/model/kinds';
import { recordsOf } from '@/core/model/framework';
import { useHandle } from '../surface/use-handle';
import { useProject } from '../session/store';
import { BrushMark, Cell } from './board-cells';
import {
  COLUMN_PX,
  columnsSeen,
  endAt,
  HEADER_PX,
  layBoard,
  LEVEL_PX,
  ROW_PX,
  rowsSeen,
  shownColumns,
  steppedTo,
  type Brush,
  type Filter,
  type Placed,
} from './board-layout';
import { CellActions } from './cell-actions';
import { kindWords } from './kind-words';
import { CarryStorey } from './carry-storey';

const FILTERS: readonly (readonly [Filter, string])[] = [
  ['all', 'all'],
  ['here', 'on this level'],
  ['differs', 'with exceptions'],
  ['finding', 'with findings'],
];

/** The carry board: levels against everything carried, to see what stands where, and to carry it. */
export function CarryBoard() {
  const { framework, solved, building, level, selection, mayEdit, run, say, set, select } = useProject(
    (project) => project,
  );
  const [hidden, setHidden] = useState<ReadonlySet<Kind>>(new Set());
  const [wanted, setWanted] = useState('');
  const [filter, setFilter] = useState<Filter>('all');
  const [isByCore, setByCore] = useState(false);
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
    const shown = shownColumns(board.columns, {
      hidden,
      text: wanted,
      filter,
      level: filter === 'here' ? level : null,
    });
    const cores = isByCore ? recordsOf(framework, 'core').filter((core) => core.building === building) : [];
    return layBoard(shown, cores);
  }, [board, hidden, wanted, filter, level, isByCore, framework, building]);
  const heightPx = board.levels.length * ROW_PX;
  const rows = rowsSeen(view, board.levels.length);
  const seen = columnsSeen(placed, view);
  const rowOf = new Map(board.levels.map(({ id }, i) => [id, i]));
  const chosen = placed.find(({ id }) => selection.length === 1 && id === selection[0]);

  const rowAt = (clientY: number): number => {
    const box = frame.current!.getBoundingClientRect();
    const y = clientY - box.top + frame.current!.scrollTop - HEADER_PX;
    return Math.max(0, Math.min(board.levels.length - 1, Math.floor(y / ROW_PX)));
  };
  const bind = useHandle<Placed, { column: Placed; end: Brush['end']; from: number; row: number }>({
    begin: (column, { clientY }) => {
      const row = rowAt(clientY);
      select([column.id]);
      set({ level: board.levels[row]!.id });
      const end = endAt(column, board.levels, row);
      return mayEdit && end ? { column, end, from: row, row } : null;
    },
    move: (held, { clientY }) => {
      held.row = rowAt(clientY);
      setBrush({ id: held.column.id, end: held.end, row: held.row });
    },
    end: ({ column, end, from, row }, _, isTaken) => {
      setBrush(null);
      if (!isTaken || row === from) return;
      const refusal = run('carry.to', { ids: [column.id], [end]: board.levels[row]!.id });
      if (refusal) say(refusal);
    },
  });
  if (!solved || !building) return null;
  const nowRow = level === null ? undefined : rowOf.get(level);
  return (
    <div className="flex min-h-0 min-w-0 flex-1 flex-col">
      <div className="flex flex-wrap items-center gap-1.5 px-5 pt-2.5 pb-1">
        {boardKinds().map((kind) => {
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
              {kindWords(kind)} {count}
            </button>
          );
        })}
        <input
          aria-label="Show only names with"
          placeholder="names with …"
          className="figures ml-1 w-24 rounded-sm border border-hair bg-sheet px-1.5 py-0.5"
          value={wanted}
          onChange={({ target }) => setWanted(target.value)}
        />
        <select
          aria-label="Which are shown"
          className="w-20 rounded-sm border border-hair bg-sheet px-1 py-0.5"
          value={filter}
          onChange={({ target }) => setFilter(target.value as Filter)}
        >
          {FILTERS.map(([key, words]) => (
            <option key={key} value={key}>
              {words}
            </option>
          ))}
        </select>
        <button
          type="button"
          aria-pressed={isByCore}
          className={`rounded-sm border px-2 py-0.5 ${isByCore ? 'border-ink2 font-semibold' : 'border-hair text-ink3'}`}
          onClick={() => setByCore(!isByCore)}
        >
          by core
        </button>
        <CarryStorey />
      </div>
      <div
        ref={frame}
        className="relative min-h-0 flex-1 overflow-auto"
        onScroll={({ currentTarget }) =>
          setView((now) => steppedTo(now, currentTarget.scrollLeft, currentTarget.scrollTop))
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
            {groups.map(({ key, words, colour, x, width }) => (
              <g key={key}>
                <text
                  x={Math.min(Math.max(x, view.left + 2), Math.max(x, x + width - 52))}
                  y={16}
                  className="font-bold"
                  fill={colour}
                  fontSize={11.5}
                >
                  {words}
                </text>
                <line x1={x} x2={x + width} y1={22} y2={22} stroke={colour} strokeWidth={2} />
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
              <g key={column.id} data-carried={column.name} className="cursor-pointer" {...bind(column)}>
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
