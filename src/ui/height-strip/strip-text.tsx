'use client';

import { figureAttributes, type StripFigure } from './strip-focus';

interface StripTextProps {
  x: number;
  y: number;
  anchor: 'start' | 'middle' | 'end';
  fill: string;
  text: string;
  name: string;
  turned?: boolean;
  /** Which figure of which level it is, and whether Tab stops at it. */
  stop: { figure: StripFigure; level: string; isStop: boolean };
  onPress?: (anchor: { x: number; y: number }) => void;
}

/** A figure on the strip that can be pressed to be typed anew. */
export function StripText({ x, y, anchor, fill, text, name, turned, stop, onPress }: StripTextProps) {
  const press = (element: Element) => {
    const box = element.getBoundingClientRect();
    onPress?.({ x: box.right, y: box.top + box.height / 2 });
  };
  return (
    <text
      x={x}
      y={y}
      textAnchor={anchor}
      fill={fill}
      transform={turned ? `rotate(-90 ${x} ${y})` : undefined}
      stroke="var(--color-sheet)"
      strokeWidth={turned ? 0 : 3}
      paintOrder="stroke"
      className={`figures text-[11px] ${onPress ? 'cursor-text' : ''}`}
      {...(onPress && {
        role: 'button',
        tabIndex: stop.isStop ? 0 : -1,
        ...figureAttributes(stop.figure, stop.level),
        'aria-label': `${name}, ${text}. Press to type another`,
        onClick: (event: React.MouseEvent) => press(event.currentTarget),
        onKeyDown: (event: React.KeyboardEvent) => {
          if (event.key !== 'Enter' && event.key !== ' ') return;
          event.preventDefault();
          press(event.currentTarget);
        },
      })}
    >
      {text}
    </text>
  );
}
