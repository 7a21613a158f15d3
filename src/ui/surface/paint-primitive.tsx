import { memo } from 'react';
import type { Primitive } from '@/core/drawing/drawing';
import { STYLES, TEXT_STYLES } from '@/core/drawing/styles';
import type { Ring } from '@/core/geometry/polygon';
import { samePrimitive } from '@/core/drawing/same-primitive';
import { curvePath } from './curve-path';

/** A colour of the theme. */
const inTheme = (name: string | null): string => (name === null ? 'none' : `var(--color-${name})`);

const ringPath = (ring: Ring): string => `M${ring.map(({ x, y }) => `${x} ${-y}`).join('L')}Z`;

/** One primitive of a display list as SVG. Model millimetres; y points up in the model and down on the screen. */
export const PaintPrimitive = memo(
  Paint,
  (was, is) => was.chosen === is.chosen && samePrimitive(was.primitive, is.primitive),
);

function Paint({ primitive, chosen }: { primitive: Primitive; chosen: boolean }) {
  if (primitive.type === 'text') {
    const { at, text, heightMm, turnDeg, style } = primitive;
    const { colour, figures, halo } = TEXT_STYLES[style];
    return (
      <text
        x={at.x}
        y={-at.y}
        fontSize={heightMm}
        fill={inTheme(chosen ? 'now' : colour)}
        textAnchor={style === 'levelText' ? 'start' : style === 'levelTextLeft' ? 'end' : 'middle'}
        dominantBaseline="central"
        stroke={halo ? inTheme('film') : undefined}
        strokeWidth={halo ? heightMm * 0.3 : undefined}
        paintOrder="stroke"
        className={figures ? 'font-figures' : 'font-words font-semibold'}
        transform={turnDeg === 0 ? undefined : `rotate(${-turnDeg} ${at.x} ${-at.y})`}
      >
        {text}
      </text>
    );
  }
  const look = STYLES[primitive.style].screen;
  const isSolid = primitive.style === 'columnCut';
  const common = {
    fill: inTheme(chosen && isSolid ? 'now' : chosen && look.fill !== null ? 'now-tint' : look.fill),
    stroke: inTheme(chosen ? 'now' : look.stroke),
    strokeWidth: chosen ? look.weightPx + 0.8 : look.weightPx,
    strokeDasharray: look.dash ?? undefined,
    vectorEffect: 'non-scaling-stroke' as const,
    // Sharp corners do not stick out.
    strokeMiterlimit: 2,
  };
  if (primitive.type === 'circle')
    return <circle cx={primitive.at.x} cy={-primitive.at.y} r={primitive.radiusMm} {...common} />;
  if (primitive.type === 'area')
    return <path d={primitive.rings.map(ringPath).join('')} fillRule="evenodd" {...common} />;
  if (primitive.type === 'arc') return <path d={curvePath(primitive.arc)} {...common} fill="none" />;
  const d = `M${primitive.points.map(({ x, y }) => `${x} ${-y}`).join('L')}${primitive.closed ? 'Z' : ''}`;
  return <path d={d} {...common} fill={primitive.closed ? common.fill : 'none'} />;
}
