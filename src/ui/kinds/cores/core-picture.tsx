import type { Brief } from '@/core/cores/brief';
import type { CorePlan } from '@/core/cores/core-plan';

const FILLS = {
  lift: 'var(--color-shafts)',
  stair: 'var(--color-stairs)',
  service: 'var(--color-ink3)',
};

/** Kinds of a brief's things, in the order they are arranged in. */
const kindsOf = ({ lifts, stairs, services }: Brief): ('lift' | 'stair' | 'service')[] => [
  ...(lifts.count > 0 ? (['lift'] as const) : []),
  ...(stairs.count > 0 ? (['stair'] as const) : []),
  ...services.map(() => 'service' as const),
];

interface PictureProps {
  plan: CorePlan;
  brief: Brief;
  widthMm: number;
  depthMm: number;
}

/** An arrangement, small: lifts crossed, stairs with their steps, the lobby left white. */
export function CorePicture({ plan, brief, widthMm, depthMm }: PictureProps) {
  const kinds = kindsOf(brief);
  const up = (y: number) => depthMm - y;
  return (
    <svg viewBox={`0 0 ${widthMm} ${depthMm}`} className="h-20 w-full" aria-hidden="true">
      <rect
        x={brief.outerMm / 2}
        y={brief.outerMm / 2}
        width={widthMm - brief.outerMm}
        height={depthMm - brief.outerMm}
        fill="none"
        stroke="currentColor"
        strokeWidth={brief.outerMm}
      />
      {plan.walls.map(({ from, to }) => (
        <line
          key={`${from.x} ${from.y} ${to.x} ${to.y}`}
          x1={from.x}
          y1={up(from.y)}
          x2={to.x}
          y2={up(to.y)}
          stroke="currentColor"
          strokeWidth={brief.innerMm}
        />
      ))}
      {plan.things.map(({ wanted, box: { x, y, w, d }, entry }) => {
        const kind = kinds[wanted]!;
        const isLevel = entry === 1 || entry === 3;
        return (
          <g key={`${x} ${y}`} stroke={FILLS[kind]} strokeWidth={60} fill="none">
            <rect x={x} y={up(y + d)} width={w} height={d} fill={FILLS[kind]} fillOpacity={0.12} />
            {kind === 'lift' && <path d={`M${x} ${up(y)}L${x + w} ${up(y + d)}M${x} ${up(y + d)}L${x + w} ${up(y)}`} />}
            {kind === 'stair' &&
              Array.from({ length: 9 }, (_, i) => (i + 3) / 14).map((share) =>
                isLevel ? (
                  <path key={share} d={`M${x + share * w} ${up(y)}V${up(y + d)}`} />
                ) : (
                  <path key={share} d={`M${x} ${up(y + share * d)}H${x + w}`} />
                ),
              )}
          </g>
        );
      })}
    </svg>
  );
}
