'use client';

import { useState } from 'react';
import type { Id } from '@/core/model/ids';
import type { SolvedLevel } from '@/core/solving/solved';
import { formatLength, type LengthDisplay } from '@/core/units/format-length';
import type { StripLayout } from './layout-strip';
import { METRIC_X } from './strip-measures';
import { StripText } from './strip-text';

export type StripEdit =
  | { kind: 'elevation'; level: SolvedLevel }
  | { kind: 'height'; level: SolvedLevel }
  | { kind: 'insert'; level: SolvedLevel; side: 'above' | 'below' };

const FIGURE_PX = 6.7;

/** Floor-to-floor heights between the levels, with the + that inserts one between. */
export function StripDimensions({
  layout,
  display,
  current,
  stopAt,
  editable,
  onEdit,
  onLevel,
}: {
  layout: StripLayout;
  display: LengthDisplay;
  current: Id | null;
  /** The level Tab stops at. */
  stopAt: Id | null;
  editable: boolean;
  onEdit: (edit: StripEdit, anchor: { x: number; y: number }) => void;
  onLevel: (level: Id) => void;
}) {
  const [hovered, setHovered] = useState<Id | null>(null);
  const storeys = layout.levels.filter(({ level }) => level.bounding);
  const [lowest, topmost] = [storeys[0], storeys.at(-1)];
  return (
    <>
      {storeys.slice(0, -1).map(({ level, y }, i) => {
        const above = storeys[i + 1]!.y;
        const middle = (y + above) / 2;
        const isCurrent = level.id === current;
        const text = formatLength(level.storeyHeightMm ?? 0, display);
        const isUpright = y - above > text.length * FIGURE_PX + 2;
        // What does not fit along its dimension is written across it where there is room, else where it is chosen.
        const isShown = isUpright || (text.length < 6 && y - above > 24) || isCurrent || hovered === level.id;
        const across = {
          x: text.length < 6 ? METRIC_X.dimension + 22 : METRIC_X.lineFrom + 4,
          anchor: text.length < 6 ? 'middle' : 'start',
        } as const;
        const isPlus = editable && (hovered === level.id || isCurrent);
        return (
          <g key={level.id} onPointerEnter={() => setHovered(level.id)} onPointerLeave={() => setHovered(null)}>
            <rect
              x="24"
              y={above + 6}
              width="40"
              height={Math.max(0, y - above - 12)}
              fill="transparent"
              onClick={() => onLevel(level.id)}
            />
            <line
              x1={METRIC_X.dimension}
              x2={METRIC_X.dimension}
              y1={above}
              y2={y}
              stroke="var(--color-ink3)"
              strokeWidth="0.8"
            />
            {[above, y].map((tick) => (
              <line
                key={tick}
                x1={METRIC_X.dimension - 3}
                x2={METRIC_X.dimension + 3}
                y1={tick + 3}
                y2={tick - 3}
                stroke="var(--color-ink2)"
                strokeWidth="1"
              />
            ))}
            {isShown && (
              <StripText
                x={isUpright ? METRIC_X.dimension - 4 : across.x}
                y={isUpright ? middle : middle + 4}
                turned={isUpright}
                anchor={isUpright ? 'middle' : across.anchor}
                fill={isCurrent ? 'var(--color-now)' : 'var(--color-ink2)'}
                text={text}
                name={`Height of storey ${level.name}`}
                stop={{ figure: 'height', level: level.id, isStop: level.id === stopAt }}
                onPress={editable ? (anchor) => onEdit({ kind: 'height', level }, anchor) : undefined}
              />
            )}
            {isPlus && y - above > 16 && (
              <PlusButton
                x={METRIC_X.name}
                y={middle}
                name={`Insert a level above ${level.name}`}
                onPress={(anchor) => onEdit({ kind: 'insert', level, side: 'above' }, anchor)}
              />
            )}
          </g>
        );
      })}
      {editable && topmost && (
        <PlusButton
          x={METRIC_X.name}
          y={Math.max(9, layout.levels.at(-1)!.y - 16)}
          name={`Insert a level above ${topmost.level.name}`}
          onPress={(anchor) => onEdit({ kind: 'insert', level: topmost.level, side: 'above' }, anchor)}
          quiet
        />
      )}
      {editable && lowest && (
        <PlusButton
          x={METRIC_X.name}
          y={lowest.y + 15}
          name={`Insert a level below ${lowest.level.name}`}
          onPress={(anchor) => onEdit({ kind: 'insert', level: lowest.level, side: 'below' }, anchor)}
          quiet
        />
      )}
    </>
  );
}

function PlusButton({
  x,
  y,
  name,
  onPress,
  quiet,
}: {
  x: number;
  y: number;
  name: string;
  onPress: (anchor: { x: number; y: number }) => void;
  quiet?: boolean;
}) {
  const press = (element: Element) => {
    const box = element.getBoundingClientRect();
    onPress({ x: box.right, y: box.top + box.height / 2 });
  };
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={name}
      className={`cursor-pointer ${quiet ? 'opacity-50 hover:opacity-100 focus:opacity-100' : ''}`}
      onClick={(event) => press(event.currentTarget)}
      onKeyDown={(event) => {
        if (event.key !== 'Enter' && event.key !== ' ') return;
        event.preventDefault();
        press(event.currentTarget);
      }}
    >
      <title>{name}</title>
      <circle cx={x} cy={y} r="6.5" fill="var(--color-sheet)" stroke="var(--color-now)" />
      <path d={`M${x - 3.5} ${y} h7 M${x} ${y - 3.5} v7`} stroke="var(--color-now)" strokeWidth="1.4" />
    </g>
  );
}
