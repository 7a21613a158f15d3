'use client';

import type { Id } from '@/core/model/ids';
import type { StripLayout } from './layout-strip';

const WIDTH = 12;

interface StripOverviewProps {
  layout: StripLayout;
  roomPx: number;
  scrolledPx: number;
  current: Id | null;
  onScroll: (topPx: number) => void;
}

/** The whole building beside its strip where that is taller than its room: drag the window to see another part. */
export function StripOverview({ layout, roomPx, scrolledPx, current, onScroll }: StripOverviewProps) {
  const ratio = roomPx / layout.heightPx;
  const to = (event: React.PointerEvent<SVGSVGElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    onScroll((event.clientY - box.top) / ratio - roomPx / 2);
  };
  return (
    <svg
      width={WIDTH}
      height={roomPx}
      role="img"
      aria-label="The whole building: drag to see another part"
      className="sticky top-0 shrink-0 cursor-ns-resize touch-none border-l border-faint bg-sheet"
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        to(event);
      }}
      onPointerMove={(event) => event.buttons === 1 && to(event)}
    >
      {layout.levels.map(({ level, y }) => (
        <line
          key={level.id}
          x1={level.id === current ? 0 : 2}
          x2={level.id === current ? WIDTH : WIDTH - 2}
          y1={y * ratio}
          y2={y * ratio}
          stroke={level.id === current ? 'var(--color-now)' : 'var(--color-ink3)'}
          strokeWidth={level.id === current ? 2 : 0.7}
        />
      ))}
      <rect
        x="0.75"
        y={scrolledPx * ratio}
        width={WIDTH - 1.5}
        height={roomPx * ratio}
        fill="var(--color-now)"
        fillOpacity="0.14"
        stroke="var(--color-now)"
      />
    </svg>
  );
}
