'use client';

import { spreadApart } from '@/core/drawing/spread';
import type { SolvedLevel } from '@/core/solving/solved';
import { formatLength, type LengthDisplay } from '@/core/units/format-length';
import type { StripLayout } from './layout-strip';

export const BESIDE_WIDTH = 132;
const TEXT_PX = 12;

interface BesideStripProps {
  layout: StripLayout;
  display: LengthDisplay;
  onLevel: (level: SolvedLevel) => void;
}

/** The levels of the building beside, to the same scale above the site datum, with the step where levels meet. */
export function BesideStrip({ layout, display, onLevel }: BesideStripProps) {
  const names = spreadApart(
    layout.beside.map(({ y }) => y),
    TEXT_PX,
  );
  return (
    <svg
      width={BESIDE_WIDTH}
      height={layout.heightPx}
      role="group"
      aria-label="Levels of the building beside"
      className="shrink-0 border-l border-faint"
    >
      {layout.beside.map(({ level, y, meets }, i) => {
        const isLevel = meets?.stepMm === 0;
        return (
          <g key={level.id}>
            {meets && (
              <>
                <path
                  d={`M0 ${meets.y}L58 ${y}`}
                  fill="none"
                  stroke={isLevel ? 'var(--color-now)' : 'var(--color-look)'}
                  strokeDasharray={isLevel ? undefined : '4 3'}
                />
                <text
                  x={3}
                  y={Math.max(10, Math.min(meets.y, y) - 4)}
                  fontSize={10}
                  className="figures"
                  fill={isLevel ? 'var(--color-now)' : 'var(--color-look)'}
                >
                  {isLevel
                    ? 'level'
                    : `${meets.stepMm > 0 ? '↑' : '↓'} ${formatLength(Math.abs(meets.stepMm), display)}`}
                </text>
              </>
            )}
            <path
              d={`M58 ${y}H92L100 ${names[i]}`}
              fill="none"
              stroke="var(--color-ink)"
              strokeDasharray={level.bounding ? undefined : '3 3'}
            />
            <text
              x={103}
              y={names[i]}
              dominantBaseline="central"
              fontSize={11}
              className="cursor-pointer font-bold"
              fill="var(--color-ink)"
              role="button"
              tabIndex={0}
              aria-label={`Level ${level.name} of the building beside`}
              onClick={() => onLevel(level)}
              onKeyDown={({ key }) => (key === 'Enter' || key === ' ') && onLevel(level)}
            >
              {level.name}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
