'use client';

import { useMemo, useState } from 'react';
import { besideOf, type Beside } from '@/core/drafting/beside';
import { heldBeside } from '@/core/drafting/held-beside';
import type { PlanMarks } from '@/core/drafting/plan-marks';
import { solidRing } from '@/core/drafting/solid-ring';
import { plus, times, type Point } from '@/core/geometry/point';
import type { Id } from '@/core/model/ids';
import { formatForEntry, formatLength } from '@/core/units/format-length';
import { quantiseMm } from '@/core/units/length-units';
import { parseLengthIn } from '@/core/dimensions/resolve-length';
import { fieldUnit, useSlice } from '../session/store';

interface NeighbourDistancesProps {
  id: Id;
  marks: PlanMarks;
  onScreen: (point: Point) => Point;
  /** How far it is being dragged: then they are only told. */
  movedBy: Point | null;
}

/** A ray shorter than this on the screen has no room for its figure, px. */
const LEAST_PX = 26;
/** Half of a figure across and up, and what is kept free for a handle, px. */
const FIGURE_PX = { x: 26, y: 10 };
const HANDLE_PX = 14;

const FIGURE = 'figures rounded-sm border border-hair bg-sheet/95 px-1 text-[11px] leading-4';

/** How far the one thing chosen is from what stands next to it each way: press a figure and type, and it moves so that it holds. */
export function NeighbourDistances({ id, marks, onScreen, movedBy }: NeighbourDistancesProps) {
  const { framework, solved, level, display, run, send } = useSlice(
    'framework',
    'solved',
    'level',
    'display',
    'run',
    'send',
  );
  const [open, setOpen] = useState<{ way: Point; text: string; refused: string | null } | null>(null);
  const found = useMemo(() => {
    const solid = solved && solidRing(solved, id, level);
    if (!solid) return [];
    const ring = movedBy ? solid.ring.map((point) => plus(point, movedBy)) : solid.ring;
    return besideOf(marks, id, ring, solid.ways);
  }, [solved, id, level, marks, movedBy]);
  const take = ({ mm, way }: Beside, text: string) => {
    const read = parseLengthIn(framework, text, { unit: fieldUnit(display) });
    if (!read.ok) return setOpen({ way, text, refused: read.refusal.message });
    const by = times(way, mm - read.value.mm);
    const refusal = run('elements.move', { ids: [id], xMm: quantiseMm(by.x), yMm: quantiseMm(by.y) });
    setOpen(refusal ? { way, text, refused: refusal } : null);
  };
  /** Holds it at what is typed: as good as pressed once more. */
  const hold = (beside: Beside, text: string) => {
    const read = parseLengthIn(framework, text, { unit: fieldUnit(display) });
    if (!read.ok) return setOpen({ way: beside.way, text, refused: read.refusal.message });
    const sent = heldBeside(framework, id, beside, quantiseMm(read.value.mm));
    const refusal = sent && send(sent);
    setOpen(refusal ? { way: beside.way, text, refused: refusal } : null);
  };
  const isOpen = ({ way }: Beside) => open !== null && open.way.x === way.x && open.way.y === way.y;
  return found.map((each) => {
    const { from, to, mm, words, way } = each;
    const [a, b] = [onScreen(from), onScreen(to)];
    const px = Math.hypot(b.x - a.x, b.y - a.y);
    if (px < LEAST_PX) return null;
    const ray = { x: (b.x - a.x) / px, y: (b.y - a.y) / px };
    // In the middle where there is room, and never on the handle of the side it starts from.
    const half = Math.abs(ray.x) * FIGURE_PX.x + Math.abs(ray.y) * FIGURE_PX.y;
    const off = Math.max(px / 2, HANDLE_PX + half);
    const at = { x: a.x + ray.x * off, y: a.y + ray.y * off };
    const figure = formatLength(Math.round(mm * 10) / 10, display);
    return (
      <span
        key={`${way.x} ${way.y}`}
        className={`absolute -translate-x-1/2 -translate-y-1/2 ${isOpen(each) ? 'z-20' : 'z-[5]'}`}
        style={{ left: at.x, top: at.y }}
      >
        {movedBy ? (
          <span className={`${FIGURE} text-ink2`}>{figure}</span>
        ) : isOpen(each) ? (
          <form
            className="flex flex-col rounded-sm border border-now bg-sheet p-0.5 shadow-sm"
            onSubmit={(event) => {
              event.preventDefault();
              take(each, open!.text);
            }}
          >
            <input
              autoFocus
              aria-label={`Distance to ${words}`}
              className="figures h-5 w-24 rounded-sm bg-sheet px-1 text-[12px] text-ink"
              value={open!.text}
              onChange={({ target }) => setOpen({ way, text: target.value, refused: null })}
              onKeyDown={(event) => {
                if (event.key !== 'Escape') return;
                event.stopPropagation();
                setOpen(null);
              }}
              // Holding it is pressed with what is typed still there.
              onBlur={({ relatedTarget }) => relatedTarget?.closest('form') || setOpen(null)}
            />
            {heldBeside(framework, id, each, 1) && (
              <button
                type="button"
                className="rounded-sm px-1 text-left text-[11px] leading-4 text-now hover:bg-faint"
                onClick={() => hold(each, open!.text)}
              >
                {each.met.line === null ? 'Hold this clear width' : 'Hold this distance'}
              </button>
            )}
            {open!.refused && <span className="max-w-48 text-[11px] text-wrong">{open!.refused}</span>}
          </form>
        ) : (
          <button
            type="button"
            title={`To ${words}. Press to type another`}
            aria-label={`${figure} to ${words}. Press to type another`}
            className={`${FIGURE} text-now hover:border-now`}
            onClick={() => setOpen({ way, text: formatForEntry(mm, display), refused: null })}
          >
            {figure}
          </button>
        )}
      </span>
    );
  });
}
