import { memo, useMemo } from 'react';
import type { Drawing, Primitive } from '@/core/drawing/drawing';
import type { Affine } from '@/core/geometry/affine';
import type { Point } from '@/core/geometry/point';
import type { Id } from '@/core/model/ids';
import type { Ghost } from '../session/project';
import { PaintPrimitive } from '../surface/paint-primitive';

/** Primitives painted, those of what is chosen as chosen. It is painted anew only when they or what is chosen change, not with the pointer. */
export const Painted = memo(function Painted({
  primitives,
  lit,
}: {
  primitives: readonly Primitive[];
  lit: ReadonlySet<Id> | null;
}) {
  return primitives.map((primitive, i) => (
    <PaintPrimitive
      key={i}
      primitive={primitive}
      chosen={lit !== null && primitive.id !== null && lit.has(primitive.id)}
    />
  ));
});

/** The ground an empty plan shows, and its lines, mm. */
export const GROUND = { minX: -10_000, minY: -10_000, maxX: 50_000, maxY: 40_000 };
const GROUND_STEP = 10_000;

/** Quiet lines every 10 m, so that an empty plan has a size. */
export function Ground() {
  const lines: string[] = [];
  for (let at = -10 * GROUND_STEP; at <= 20 * GROUND_STEP; at += GROUND_STEP)
    lines.push(`M${at} ${10 * GROUND_STEP}V${-20 * GROUND_STEP}`, `M${-10 * GROUND_STEP} ${-at}H${20 * GROUND_STEP}`);
  return (
    <g pointerEvents="none" stroke="var(--color-hair)" fill="none">
      <path d={lines.join('')} vectorEffect="non-scaling-stroke" />
      <path d="M-600 0H600M0 -600V600" stroke="var(--color-ink3)" vectorEffect="non-scaling-stroke" />
    </g>
  );
}

/** A ring that is drawn out or would be there. */
export function Outline({ points }: { points: readonly Point[] }) {
  return (
    <path
      d={`M${points.map(({ x, y }) => `${x} ${-y}`).join('L')}Z`}
      fill="var(--color-now)"
      fillOpacity="0.12"
      stroke="var(--color-now)"
      strokeWidth="1.4"
      strokeDasharray="5 3"
      vectorEffect="non-scaling-stroke"
    />
  );
}

/** Chosen things where they would be: once for each place. Words are not carried over, where they would stand mirrored. */
export function Carried({
  drawing,
  ids,
  to,
}: {
  drawing: Drawing;
  ids: readonly Id[] | ReadonlySet<Id>;
  to: readonly Affine[];
}) {
  const all = useMemo(() => {
    const wanted = new Set(ids);
    return drawing.primitives.filter(({ id, type }) => id !== null && type !== 'text' && wanted.has(id));
  }, [drawing, ids]);
  const lit = useMemo(() => new Set(ids), [ids]);
  return to.map(({ a, b, c, d, x0, y0 }, i) => (
    // Upwards in the model is downwards on the screen.
    <g key={i} transform={`matrix(${a} ${-b} ${-c} ${d} ${x0} ${-y0})`} opacity="0.5" pointerEvents="none">
      <Painted primitives={all} lit={lit} />
    </g>
  ));
}

/** What lines would be called that are not there yet, at their ends. */
export function GhostLabels({ labels, pxPerMm }: { labels: NonNullable<Ghost['labels']>; pxPerMm: number }) {
  return labels.map(({ at, text }) => (
    <text
      key={`${text} ${at.x} ${at.y}`}
      x={at.x}
      y={-at.y}
      fontSize={12 / pxPerMm}
      textAnchor="middle"
      dominantBaseline="central"
      fill="var(--color-now)"
      stroke="var(--color-film)"
      strokeWidth={4 / pxPerMm}
      paintOrder="stroke"
      pointerEvents="none"
      className="font-words font-semibold"
    >
      {text}
    </text>
  ));
}
