import type { Snap } from '@/core/drafting/snaps';
import type { Point } from '@/core/geometry/point';
import type { Over, Pen } from '../session/busy';
import { GhostCurve } from '../surface/curve-path';
import { PaintPrimitive } from '../surface/paint-primitive';

interface PenLayerProps {
  pen: Pen | null;
  now: Snap | null;
  over: Over | null;
  pxPerMm: number;
}

const path = (points: readonly Point[]) => `M${points.map(({ x, y }) => `${x} ${-y}`).join('L')}`;

/** What is being drawn as it will be, the line to the pointer, what leads there, and the place taken. */
export function PenLayer({ pen, now, over, pxPerMm }: PenLayerProps) {
  if (!now) return null;
  if (over)
    return (
      <g pointerEvents="none" opacity={over.refused ? 0.35 : 1}>
        {over.primitives.map((primitive, i) => (
          <PaintPrimitive key={i} primitive={primitive} chosen />
        ))}
      </g>
    );
  const corners = pen?.corners ?? [];
  const closes = now.closes === true;
  const run = closes ? corners : [...corners, now.at];
  const shape = corners.length > 0 ? pen?.shape?.(run, closes) : pen?.at?.(now.at);
  const box = pen?.kind === 'box' && corners.length > 0;
  const size = 6 / pxPerMm;
  const { x, y } = now.at;
  return (
    <g pointerEvents="none">
      {now.guides.map(([from, to], i) => (
        <path
          key={i}
          d={path([from, to])}
          fill="none"
          stroke="var(--color-now)"
          strokeOpacity="0.6"
          strokeDasharray="2 4"
          vectorEffect="non-scaling-stroke"
        />
      ))}
      {shape?.rings.map((ring, i) => (
        <path
          key={i}
          d={`${path(ring)}Z`}
          fill="var(--color-now)"
          fillOpacity="0.14"
          stroke="var(--color-now)"
          strokeWidth="1.3"
          vectorEffect="non-scaling-stroke"
        />
      ))}
      {(shape && 'curves' in shape ? shape.curves : undefined)?.map((curve, i) => (
        <GhostCurve key={i} curve={curve} />
      ))}
      {corners.length > 0 && !box && (
        <path
          data-rubber
          d={path(closes ? [...corners, corners[0]!] : run)}
          fill="none"
          stroke="var(--color-now)"
          strokeWidth="1.3"
          vectorEffect="non-scaling-stroke"
        />
      )}
      <path
        d={`M${x} ${-y - size}L${x + size} ${-y}L${x} ${-y + size}L${x - size} ${-y}Z`}
        fill={now.isFree ? 'none' : 'var(--color-sheet)'}
        stroke="var(--color-now)"
        strokeWidth={now.isFree ? 1 : 2}
        vectorEffect="non-scaling-stroke"
      />
    </g>
  );
}
