'use client';

import { quantiseMm } from '@/core/units/length-units';
import { useEffect, useState } from 'react';
import { outlineAt } from '@/core/elements/edge-command';
import { distance, dot, minus, plus, times, type Point } from '@/core/geometry/point';
import type { Id } from '@/core/model/ids';
import { outwards } from '@/core/outlines/edge-moved';
import { resolveOutline } from '@/core/setting-out/resolve-outline';
import { formatLength } from '@/core/units/format-length';
import { dragStep } from './drag-step';
import { useSlice } from '../session/store';
import { swallowPress, useHandle } from '../surface/use-handle';

/** Outlines with more edges are changed by typing; shorter edges than this on the screen have no handle, px. */
const MOST_EDGES = 40;
const LEAST_PX = 16;

interface EdgeHandlesProps {
  id: Id;
  pxPerMm: number;
  toModel: (event: { clientX: number; clientY: number }) => Point;
}

/** The edges of what is chosen and has an outline of its own, as handles: while one is dragged every slab is cut anew in every view. */
export function EdgeHandles({ id, pxPerMm, toModel }: EdgeHandlesProps) {
  const { framework, level, display, session, run, say } = useSlice(
    'framework',
    'level',
    'display',
    'session',
    'run',
    'say',
  );
  const [dragged, setDragged] = useState<{ edge: number; byMm: number } | null>(null);
  // Let go of in any other way, by Esc or because it is gone, nothing of it stays.
  useEffect(() => () => session?.try(null), [session, id]);
  const record = framework.records.get(id);
  const own = record && outlineAt(framework, record, level);
  const outline = own?.outline;
  const ring = outline ? resolveOutline(framework, outline) : null;
  const inputFor = (edge: number, byMm: number) => ({ id, edge, byMm, ...(level ? { level } : {}) });
  const bind = useHandle<number, { edge: number; from: Point; normal: Point; byMm: number }>({
    begin: (edge, at) => ({ edge, from: toModel(at), normal: outwards(ring!, edge), byMm: 0 }),
    move: (held, at) => {
      const step = dragStep(display);
      const byMm = quantiseMm(Math.round(dot(minus(toModel(at), held.from), held.normal) / step) * step);
      setDragged({ edge: held.edge, byMm });
      if (byMm === held.byMm) return;
      held.byMm = byMm;
      session?.try(byMm === 0 ? null : { command: 'elements.moveEdge', input: inputFor(held.edge, byMm) });
    },
    end: ({ edge, byMm }, _, isTaken) => {
      swallowPress();
      setDragged(null);
      const refusal = isTaken && byMm !== 0 ? run('elements.moveEdge', inputFor(edge, byMm)) : null;
      session?.try(null);
      if (refusal) say(refusal);
    },
  });
  if (!outline || !ring || ring.length > MOST_EDGES || outline.type === 'gridOffset' || outline.type === 'walls')
    return null;
  // A circle has one handle: it grows all round.
  const edges = outline.type === 'circle' ? [0] : [...ring.keys()];
  return (
    <g>
      {edges.map((edge) => {
        const [a, b] = [ring[edge]!, ring[(edge + 1) % ring.length]!];
        if (distance(a, b) * pxPerMm < LEAST_PX && dragged?.edge !== edge) return null;
        const middle = times(plus(a, b), 0.5);
        const along = times(minus(b, a), 1 / (distance(a, b) || 1));
        const [half, thick] = [7 / pxPerMm, 2.5 / pxPerMm];
        const normal = outwards(ring, edge);
        const corner = (s: number, t: number) => plus(middle, plus(times(along, s * half), times(normal, t * thick)));
        const box = [corner(-1, -1), corner(1, -1), corner(1, 1), corner(-1, 1)];
        return (
          <g key={edge} {...bind(edge)} onClick={(event) => event.stopPropagation()}>
            <title>{`Drag edge ${edge + 1}`}</title>
            <path
              d={`M${box.map(({ x, y }) => `${x} ${-y}`).join('L')}Z`}
              fill="var(--color-sheet)"
              stroke="var(--color-now)"
              strokeWidth="1.6"
              vectorEffect="non-scaling-stroke"
              className="cursor-move"
              data-edge={edge}
            />
            {dragged?.edge === edge && (
              <text
                x={middle.x + 10 / pxPerMm}
                y={-middle.y - 10 / pxPerMm}
                fontSize={12 / pxPerMm}
                fill="var(--color-now)"
                className="figures"
              >
                {formatLength(dragged.byMm, display)}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}
