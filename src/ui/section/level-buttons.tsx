'use client';

import { Plus } from 'lucide-react';
import type { ZoomTransform } from 'd3';
import type { Drawing } from '@/core/drawing/drawing';
import type { Solved, SolvedLevel } from '@/core/solving/solved';
import type { StripEdit } from '../height-strip/strip-dimensions';

/** Storeys lower than this on the screen have no button, px. */
const LEAST_PX = 24;

interface LevelButtonsProps {
  solved: Solved;
  building: string;
  drawing: Drawing;
  transform: ZoomTransform;
  onEdit: (edit: StripEdit, anchor: { x: number; y: number }) => void;
}

/** Between the levels of a section, at its left, a button that inserts one there; one above the topmost and below the lowest. */
export function LevelButtons({ solved, building, drawing, transform, onEdit }: LevelButtonsProps) {
  const lines = new Map(
    drawing.primitives.flatMap((each) =>
      each.type === 'path' && each.style.startsWith('levelLine') && each.id ? [[each.id, each.points] as const] : [],
    ),
  );
  const levels = solved.levels.filter((level) => level.building === building && lines.has(level.id));
  if (levels.length === 0) return null;
  const x = transform.applyX(Math.min(...[...lines.values()].flat().map((point) => point.x))) + 14;
  const yOf = ({ id }: SolvedLevel) => transform.applyY(-lines.get(id)![0]!.y);
  const places = [
    { level: levels[0]!, side: 'below' as const, y: yOf(levels[0]!) + 20 },
    ...levels.flatMap((level, i) => {
      const next = levels[i + 1];
      const [low, high] = [yOf(level), next ? yOf(next) : yOf(level) - 40];
      return low - high < LEAST_PX ? [] : [{ level, side: 'above' as const, y: (low + high) / 2 }];
    }),
  ];
  return places.map(({ level, side, y }) => (
    <button
      key={`${level.id} ${side}`}
      type="button"
      aria-label={`Insert a level ${side === 'above' ? 'over' : 'under'} ${level.name}, in the section`}
      title={`Insert a level ${side === 'above' ? 'over' : 'under'} ${level.name}`}
      className="absolute grid size-4 -translate-x-1/2 -translate-y-1/2 place-items-center rounded-full border border-ink3 bg-film text-now hover:border-now focus-visible:border-now"
      style={{ left: x, top: y }}
      onClick={({ currentTarget }) => {
        const { right, top } = currentTarget.getBoundingClientRect();
        onEdit({ kind: 'insert', level, side }, { x: right, y: top });
      }}
    >
      <Plus size={11} aria-hidden="true" />
    </button>
  ));
}
