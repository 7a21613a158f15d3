import { onCircle, type Curve } from '@/core/geometry/curve';

/** A line or arc as the path of an SVG; y points down there. */
export function curvePath(curve: Curve): string {
  if (curve.kind === 'segment') return `M${curve.from.x} ${-curve.from.y}L${curve.to.x} ${-curve.to.y}`;
  const { centre, radiusMm, fromDeg, sweepDeg } = curve;
  const at = (deg: number) => {
    const { x, y } = onCircle(centre, radiusMm, deg);
    return `${x} ${-y}`;
  };
  // Two halves, so that a whole circle is one as well.
  const arc = (deg: number) => `A${radiusMm} ${radiusMm} 0 0 0 ${at(deg)}`;
  return `M${at(fromDeg)}${arc(fromDeg + sweepDeg / 2)}${arc(fromDeg + sweepDeg)}`;
}

/** A line that would be there. */
export function GhostCurve({ curve }: { curve: Curve }) {
  return (
    <path
      d={curvePath(curve)}
      fill="none"
      stroke="var(--color-now)"
      strokeWidth="1.4"
      strokeDasharray="5 3"
      vectorEffect="non-scaling-stroke"
    />
  );
}
