'use client';

import { useState } from 'react';
import { mmOf } from '@/core/dimensions/resolve-length';
import { marksOfView } from '@/core/drawing/view-marks';
import { distance, dot, minus, plus, times, type Point } from '@/core/geometry/point';
import type { GridLine } from '@/core/grids/grid';
import { recordOf, type Framework } from '@/core/model/framework';
import type { Id } from '@/core/model/ids';
import type { Solved, SolvedLine } from '@/core/solving/solved';
import { formatLength } from '@/core/units/format-length';
import { dragStep } from './drag-step';
import { useSlice } from '../session/store';
import { useHandle } from '../surface/use-handle';

type Handle = 'first' | 'last' | 'gapFrom' | 'gapTo';

const WORDS: Record<Handle, string> = {
  first: 'Drag the first end of the line',
  last: 'Drag the last end of the line',
  gapFrom: 'Drag the near end of the gap',
  gapTo: 'Drag the far end of the gap',
};
/** A gap keeps at least this length, and this much of the line on both sides of it. */
const LEAST_MM = 100;

interface LineHandlesProps {
  line: SolvedLine;
  pxPerMm: number;
  toModel: (event: { clientX: number; clientY: number }) => Point;
}

/** The ends of a chosen straight grid line, and of the gap in it, as handles to drag along the line. */
export function LineHandles(props: LineHandlesProps) {
  const { framework, solved, building } = useSlice('framework', 'solved', 'building');
  const record = recordOf(framework, 'gridLine', props.line.id);
  if (!solved || !building || !record || props.line.curve.kind === 'arc') return null;
  return <StraightHandles {...props} record={record} solved={solved} building={building} />;
}

function StraightHandles({
  line,
  pxPerMm,
  toModel,
  record,
  solved,
  building,
}: LineHandlesProps & { record: GridLine; solved: Solved; building: Id }) {
  const { framework, level, display, run, say } = useSlice('framework', 'level', 'display', 'run', 'say');
  const [dragged, setDragged] = useState<{ handle: Handle; alongMm: number } | null>(null);
  const own = `plan ${level ?? ''}`;
  const gapIn = (view: string) => marksOfView(solved.marks, building, [view])(line.id, 0)?.gap ?? null;
  const view = gapIn(own) ? own : 'plan';
  const gap = gapIn(view);
  const [from, to] = line.ends;
  const lengthMm = distance(from, to);
  const way = times(minus(to, from), 1 / (lengthMm || 1));
  const alongMm: Partial<Record<Handle, number>> = {
    ...(line.shape === 'free' ? {} : { first: 0, last: lengthMm }),
    ...(gap ? { gapFrom: gap.fromMm, gapTo: gap.toMm } : {}),
  };
  const take = (handle: Handle, at: number) => {
    const refusal =
      handle === 'first' || handle === 'last'
        ? run('grids.changeLines', { lines: [line.id], ...endDragged(framework, record, line, handle, at) })
        : run('views.setMark', {
            building,
            view,
            of: line.id,
            end: 0,
            gap: handle === 'gapFrom' ? { ...gap!, fromMm: at } : { ...gap!, toMm: at },
          });
    if (refusal) say(refusal);
  };
  const within = (handle: Handle, at: number): number => {
    const step = dragStep(display);
    const round = Math.round(at / step) * step;
    if (handle === 'gapFrom') return Math.min(Math.max(round, 0), gap!.toMm - LEAST_MM);
    if (handle === 'gapTo') return Math.max(Math.min(round, lengthMm), gap!.fromMm + LEAST_MM);
    return round;
  };
  const bind = useHandle<Handle, { handle: Handle; latest: number | null }>({
    begin: (handle) => ({ handle, latest: null }),
    move: (held, at) => {
      held.latest = within(held.handle, dot(minus(toModel(at), from), way));
      setDragged({ handle: held.handle, alongMm: held.latest });
    },
    end: ({ handle, latest }, _, isTaken) => {
      setDragged(null);
      if (isTaken && latest !== null && latest !== alongMm[handle]) take(handle, latest);
    },
  });
  const half = 5 / pxPerMm;
  return (
    <g>
      {(Object.entries(alongMm) as [Handle, number][]).map(([handle, still]) => {
        const along = dragged?.handle === handle ? dragged.alongMm : still;
        const { x, y } = plus(from, times(way, along));
        return (
          <g key={handle} {...bind(handle)} onClick={(event) => event.stopPropagation()}>
            <title>{WORDS[handle]}</title>
            <rect
              x={x - half}
              y={-y - half}
              width={half * 2}
              height={half * 2}
              fill="var(--color-sheet)"
              stroke="var(--color-now)"
              strokeWidth="1.6"
              vectorEffect="non-scaling-stroke"
              className="cursor-move"
              data-handle={handle}
            />
            {dragged?.handle === handle && (
              <text
                x={x + half * 2}
                y={-y - half * 2}
                fontSize={12 / pxPerMm}
                fill="var(--color-now)"
                className="figures"
              >
                {formatLength(along - still, display)}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}

/** What a dragged end changes: how far the line runs on past the grid, or, at the free end of one that stops part way, its reach. */
function endDragged(
  framework: Framework,
  record: GridLine,
  line: SolvedLine,
  handle: 'first' | 'last',
  at: number,
): Record<string, number> {
  const system = recordOf(framework, 'gridSystem', record.system);
  const extended = (own: GridLine['extendFirstMm']) =>
    own !== null ? mmOf(framework, own) : system ? mmOf(framework, system.extensionMm) : 0;
  const [before, after] = [extended(record.extendFirstMm), extended(record.extendLastMm)];
  const length = distance(...line.ends);
  const across = record.direction === 'a' ? 'b' : 'a';
  const freeEnd = (record.side === 'near') === (system?.waysOf[across] === 1) ? 'last' : 'first';
  if (record.side !== 'both' && handle === freeEnd)
    return { reachMm: Math.max(LEAST_MM, handle === 'last' ? at - before : length - after - at) };
  return handle === 'first'
    ? { extendFirstMm: Math.max(0, before - at) }
    : { extendLastMm: Math.max(0, after + at - length) };
}
