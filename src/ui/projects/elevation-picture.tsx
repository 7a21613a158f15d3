'use client';

import { useEffect, useRef, useState } from 'react';
import { ELEVATION_PARTS, type ElevationPart, type SmallElevation } from '@/core/drawing/small-elevation';
import { askServer } from '../page/ask-server';

const LOOKS: Record<ElevationPart, { fill: string; opacity?: number }> = {
  walls: { fill: 'var(--color-walls)', opacity: 0.28 },
  foundations: { fill: 'var(--color-walls)', opacity: 0.55 },
  shafts: { fill: 'var(--color-shafts)', opacity: 0.45 },
  floors: { fill: 'var(--color-ink)' },
  columns: { fill: 'var(--color-columns)', opacity: 0.75 },
};

/** A project's own small elevation. It is asked for when it comes into sight, and anew when the project has moved on. */
export function ElevationPicture({ projectId, seq }: { projectId: string; seq: number | null }) {
  const frame = useRef<HTMLSpanElement>(null);
  const [seen, setSeen] = useState(false);
  const [elevation, setElevation] = useState<SmallElevation | null>(null);
  useEffect(() => {
    const watch = new IntersectionObserver(([entry]) => entry?.isIntersecting && setSeen(true), {
      rootMargin: '200px',
    });
    if (frame.current) watch.observe(frame.current);
    return () => watch.disconnect();
  }, []);
  useEffect(() => {
    if (!seen || seq === null) return;
    let isCurrent = true;
    askServer<{ elevation: SmallElevation | null }>('GET', `/api/projects/${projectId}/elevation`).then(
      (answer) => isCurrent && setElevation(answer.elevation),
      // Without it the row says all there is to say.
      () => undefined,
    );
    return () => {
      isCurrent = false;
    };
  }, [seen, seq, projectId]);
  return (
    <span
      ref={frame}
      aria-hidden="true"
      className="grid h-[75px] w-[120px] place-items-center border border-hair bg-sheet"
    >
      {elevation && <ElevationDrawing elevation={elevation} />}
    </span>
  );
}

/** A small elevation as it is drawn, or that there is nothing yet. */
export function ElevationDrawing({ elevation }: { elevation: SmallElevation }) {
  if (elevation.ground === null) return <span className="text-[11px] text-ink2">nothing drawn yet</span>;
  return (
    <svg viewBox={`0 0 ${elevation.width} ${elevation.height}`} className="h-full w-full">
      {ELEVATION_PARTS.map((part) => {
        const d = elevation.paths[part];
        return d && <path key={part} d={d} fill={LOOKS[part].fill} opacity={LOOKS[part].opacity} />;
      })}
      <line
        x1="0"
        x2={elevation.width}
        y1={elevation.ground}
        y2={elevation.ground}
        stroke="var(--color-ink)"
        strokeWidth="1.6"
      />
    </svg>
  );
}
