'use client';

import { useCallback } from 'react';
import { ownShape } from '@/core/elements/own-shape';
import type { Snap } from '@/core/drafting/snaps';
import { distance, dot, minus, plus, times, type Point } from '@/core/geometry/point';
import type { Sent } from '@/core/commands/command-inputs';
import type { Id } from '@/core/model/ids';
import { formatLength } from '@/core/units/format-length';
import { quantiseMm } from '@/core/units/length-units';
import { useSlice } from '../session/store';
import { useTried } from '../session/use-tried';
import { swallowPress, useHandle } from '../surface/use-handle';
import { dragStep } from './drag-step';

/** Shapes with more sides are changed by typing; shorter sides than this on the screen have no handle, px. */
const MOST_SIDES = 40;
const LEAST_PX = 16;

/** What is told while a handle is dragged, and where. */
export interface Told {
  at: Point;
  words: string;
}

interface ShapeHandlesProps {
  id: Id;
  pxPerMm: number;
  toModel: (event: { clientX: number; clientY: number }) => Point;
  /** Where a point is taken to. */
  snapAt: (point: Point) => Snap;
  /** Hears what is to be said while a handle is dragged, and where. */
  onTold: (told: Told | null) => void;
}

type Held =
  | { hold: 'side'; side: number; from: Point; out: Point }
  | { hold: 'corner'; corner: number; was: Point }
  | { hold: 'new'; side: number };

/**
 * Corners and sides of what is chosen, as handles: dragged, everything on them follows in every view. A side pulled with Shift gets a
 * corner there; a corner pressed twice is taken out.
 */
export function ShapeHandles({ id, pxPerMm, toModel, snapAt, onTold }: ShapeHandlesProps) {
  const { framework, level, display, send, say } = useSlice('framework', 'level', 'display', 'send', 'say');
  const left = useCallback(() => onTold(null), [onTold]);
  const tried = useTried(id, left);
  const record = framework.records.get(id);
  const shape = record ? ownShape(framework, record, level) : null;
  const common = { id, ...(level ? { level } : {}) };
  const moved = (held: Held, pointer: Point): { sent: Sent | null; told: Told } => {
    if (held.hold === 'side') {
      const step = dragStep(display);
      const byMm = quantiseMm(Math.round(dot(minus(pointer, held.from), held.out) / step) * step);
      const sent: Sent | null =
        byMm === 0 ? null : { command: 'elements.moveEdge', input: { ...common, edge: held.side, byMm } };
      return { sent, told: { at: pointer, words: formatLength(byMm, display) } };
    }
    const { at, words } = snapAt(pointer);
    if (held.hold === 'new')
      return {
        sent: { command: 'elements.addCorner', input: { ...common, side: held.side, xMm: at.x, yMm: at.y } },
        told: { at, words: `a corner, ${words}` },
      };
    const { was } = held;
    const [xMm, yMm] = [quantiseMm(at.x - was.x), quantiseMm(at.y - was.y)];
    const isStill = xMm === 0 && yMm === 0;
    return {
      sent: isStill ? null : { command: 'elements.moveCorner', input: { ...common, corner: held.corner, xMm, yMm } },
      told: { at, words: `${words}: ${formatLength(xMm, display)}, ${formatLength(yMm, display)}` },
    };
  };
  const bind = useHandle<{ hold: 'side' | 'corner'; nth: number }, Held>({
    begin: ({ hold, nth }, at, event) =>
      hold === 'corner'
        ? { hold, corner: nth, was: shape!.points[nth]! }
        : event.shiftKey && shape!.hasCorners
          ? { hold: 'new', side: nth }
          : { hold, side: nth, from: toModel(at), out: shape!.outwards(nth) },
    move: (held, at) => {
      const next = moved(held, toModel(at));
      onTold(next.told);
      tried.show(next.sent);
    },
    end: (_, __, isTaken) => {
      swallowPress();
      onTold(null);
      tried.done(isTaken);
    },
  });
  const takeOut = (corner: number) => {
    const refusal = send({ command: 'elements.removeCorner', input: { ...common, corner } });
    if (refusal) say(refusal);
  };
  if (!shape || shape.points.length > MOST_SIDES) return null;
  const { points, sides, hasCorners } = shape;
  const [half, thick, round] = [7 / pxPerMm, 2.5 / pxPerMm, 4.5 / pxPerMm];
  const look = {
    fill: 'var(--color-sheet)',
    stroke: 'var(--color-now)',
    strokeWidth: 1.6,
    vectorEffect: 'non-scaling-stroke' as const,
  };
  return (
    <g>
      {sides.map((side) => {
        const [a, b] = [points[side]!, points[(side + 1) % points.length]!];
        if (distance(a, b) * pxPerMm < LEAST_PX) return null;
        const middle = times(plus(a, b), 0.5);
        const along = times(minus(b, a), 1 / (distance(a, b) || 1));
        const normal = shape.outwards(side);
        const corner = (s: number, t: number) => plus(middle, plus(times(along, s * half), times(normal, t * thick)));
        const box = [corner(-1, -1), corner(1, -1), corner(1, 1), corner(-1, 1)];
        return (
          <g key={side} {...bind({ hold: 'side', nth: side })} onClick={(event) => event.stopPropagation()}>
            <title>{`Drag side ${side + 1}${hasCorners ? '; with Shift it gets a corner' : ''}`}</title>
            <path
              d={`M${box.map(({ x, y }) => `${x} ${-y}`).join('L')}Z`}
              {...look}
              className="cursor-move"
              data-edge={side}
            />
          </g>
        );
      })}
      {hasCorners &&
        points.map(({ x, y }, corner) => (
          <g
            key={`corner ${corner}`}
            {...bind({ hold: 'corner', nth: corner })}
            onClick={(event) => event.stopPropagation()}
            onDoubleClick={(event) => {
              event.stopPropagation();
              takeOut(corner);
            }}
          >
            <title>{`Drag corner ${corner + 1}; press it twice to take it out`}</title>
            <circle cx={x} cy={-y} r={round} {...look} className="cursor-move" data-corner={corner} />
          </g>
        ))}
    </g>
  );
}
