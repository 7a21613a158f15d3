import { memo } from 'react';
import type { Primitive, Style, TextStyle } from '@/core/drawing/drawing';
import type { Ring } from '@/core/geometry/polygon';
import { curvePath } from './curve-path';

interface Look {
  fill: string;
  stroke: string;
  /** Line weight in pixels. */
  weight: number;
  dash?: string;
}

/** Line weights follow drafting practice: cut thick, seen thin, hidden and axes dashed. */
const LOOKS: Record<Style, Look> = {
  floor: { fill: 'var(--color-floorfill)', stroke: 'var(--color-walls)', weight: 2.6 },
  floorZone: { fill: 'var(--color-faint)', stroke: 'var(--color-walls)', weight: 1.2 },
  columnCut: { fill: 'var(--color-columns)', stroke: 'var(--color-columns)', weight: 1 },
  columnSeen: { fill: 'var(--color-sheet)', stroke: 'var(--color-columns)', weight: 0.7 },
  slabCut: { fill: 'var(--color-ink)', stroke: 'var(--color-ink)', weight: 1 },
  slabSeen: { fill: 'var(--color-floorfill)', stroke: 'var(--color-walls)', weight: 0.8 },
  levelLine: { fill: 'none', stroke: 'var(--color-ink3)', weight: 0.7, dash: '10 3 2 3' },
  levelLineMinor: { fill: 'none', stroke: 'var(--color-ink3)', weight: 0.6, dash: '3 3' },
  levelMark: { fill: 'var(--color-ink)', stroke: 'var(--color-ink)', weight: 0.8 },
  shaftOpen: { fill: 'var(--color-film)', stroke: 'var(--color-shafts)', weight: 1.6 },
  shaftClosed: { fill: 'none', stroke: 'var(--color-shafts)', weight: 1.2, dash: '5 3' },
  shaftCross: { fill: 'none', stroke: 'var(--color-shafts)', weight: 0.8 },
  wallCut: { fill: 'var(--color-sheet)', stroke: 'var(--color-ink)', weight: 1.9 },
  wallCore: { fill: 'var(--color-walls)', stroke: 'var(--color-walls)', weight: 0.6 },
  wallSeen: { fill: 'var(--color-sheet)', stroke: 'var(--color-walls)', weight: 0.8 },
  opening: { fill: 'none', stroke: 'var(--color-ink)', weight: 0.9 },
  openingSwing: { fill: 'none', stroke: 'var(--color-ink2)', weight: 0.8 },
  openingAbove: { fill: 'none', stroke: 'var(--color-ink2)', weight: 0.8, dash: '4 3' },
  stairCut: { fill: 'var(--color-stairs)', stroke: 'var(--color-stairs)', weight: 1 },
  stairSeen: { fill: 'var(--color-sheet)', stroke: 'var(--color-stairs)', weight: 1.1 },
  stairTread: { fill: 'none', stroke: 'var(--color-stairs)', weight: 0.8 },
  stairBreak: { fill: 'none', stroke: 'var(--color-stairs)', weight: 1.4 },
  stairArrow: { fill: 'none', stroke: 'var(--color-stairs)', weight: 1.2 },
  stairAbove: { fill: 'none', stroke: 'var(--color-stairs)', weight: 0.8, dash: '5 3' },
  stairUnsolved: { fill: 'none', stroke: 'var(--color-wrong)', weight: 1.4, dash: '7 4' },
  gridLine: { fill: 'none', stroke: 'var(--color-gridline)', weight: 0.8, dash: '14 3 2 3' },
  gridLineMinor: { fill: 'none', stroke: 'var(--color-gridline)', weight: 0.6, dash: '7 3 2 3' },
  settingOut: { fill: 'none', stroke: 'var(--color-now)', weight: 0.8, dash: '6 2 1 2' },
  columnHead: { fill: 'none', stroke: 'var(--color-columns)', weight: 0.8, dash: '4 3' },
  ceilingOver: { fill: 'none', stroke: 'var(--color-roofs)', weight: 0.9, dash: '2 3' },
  ceilingCut: { fill: 'var(--color-roofs)', stroke: 'var(--color-roofs)', weight: 0.8 },
  bodyOver: { fill: 'none', stroke: 'var(--color-columns)', weight: 0.9, dash: '7 3' },
  bodyCut: { fill: 'var(--color-columns)', stroke: 'var(--color-columns)', weight: 0.8 },
  bodySeen: { fill: 'var(--color-sheet)', stroke: 'var(--color-columns)', weight: 0.8 },
  bubble: { fill: 'var(--color-sheet)', stroke: 'var(--color-ink)', weight: 1.1 },
  dimension: { fill: 'none', stroke: 'var(--color-ink3)', weight: 0.8 },
  dimensionTick: { fill: 'none', stroke: 'var(--color-ink)', weight: 1.3 },
};

const TEXT_FILL: Record<TextStyle, string> = {
  stairText: 'var(--color-stairs)',
  roomText: 'var(--color-ink)',
  roomArea: 'var(--color-ink2)',
  ceilingText: 'var(--color-roofs)',
  bodyText: 'var(--color-columns)',
  zoneText: 'var(--color-ink2)',
  bubbleText: 'var(--color-ink)',
  dimensionText: 'var(--color-ink2)',
  shaftText: 'var(--color-shafts)',
  levelText: 'var(--color-ink)',
  levelTextLeft: 'var(--color-ink)',
  settingOutText: 'var(--color-now)',
};

const ringPath = (ring: Ring): string => `M${ring.map(({ x, y }) => `${x} ${-y}`).join('L')}Z`;

/** One primitive of a display list as SVG. Model millimetres; y points up in the model and down on the screen. */
export const PaintPrimitive = memo(function PaintPrimitive({
  primitive,
  chosen,
}: {
  primitive: Primitive;
  chosen: boolean;
}) {
  if (primitive.type === 'text') {
    const { at, text, heightMm, turnDeg, style } = primitive;
    return (
      <text
        x={at.x}
        y={-at.y}
        fontSize={heightMm}
        fill={chosen ? 'var(--color-now)' : TEXT_FILL[style]}
        textAnchor={style === 'levelText' ? 'start' : style === 'levelTextLeft' ? 'end' : 'middle'}
        dominantBaseline="central"
        stroke={style === 'shaftText' || style === 'stairText' ? 'var(--color-film)' : undefined}
        strokeWidth={style === 'shaftText' || style === 'stairText' ? heightMm * 0.3 : undefined}
        paintOrder="stroke"
        className={
          style === 'dimensionText' ||
          style === 'levelText' ||
          style === 'roomArea' ||
          style === 'ceilingText' ||
          style === 'bodyText' ||
          style === 'zoneText'
            ? 'font-figures'
            : 'font-words font-semibold'
        }
        transform={turnDeg === 0 ? undefined : `rotate(${-turnDeg} ${at.x} ${-at.y})`}
      >
        {text}
      </text>
    );
  }
  const look = LOOKS[primitive.style];
  const stroke = chosen ? 'var(--color-now)' : look.stroke;
  const isSolid = primitive.style === 'columnCut';
  const common = {
    fill: chosen && isSolid ? 'var(--color-now)' : chosen && look.fill !== 'none' ? 'var(--color-now-tint)' : look.fill,
    stroke,
    strokeWidth: chosen ? look.weight + 0.8 : look.weight,
    strokeDasharray: look.dash,
    vectorEffect: 'non-scaling-stroke' as const,
  };
  if (primitive.type === 'circle')
    return <circle cx={primitive.at.x} cy={-primitive.at.y} r={primitive.radiusMm} {...common} />;
  if (primitive.type === 'area')
    return <path d={primitive.rings.map(ringPath).join('')} fillRule="evenodd" {...common} />;
  if (primitive.type === 'arc') return <path d={curvePath(primitive.arc)} {...common} fill="none" />;
  const d = `M${primitive.points.map(({ x, y }) => `${x} ${-y}`).join('L')}${primitive.closed ? 'Z' : ''}`;
  return <path d={d} {...common} fill={primitive.closed ? common.fill : 'none'} />;
});
