'use client';

import { Ellipsis } from 'lucide-react';
import { useEffect, useState } from 'react';
import type { Act } from '../kinds/kind-ui';
import { useProject } from '../session/store';
import { actsFor } from './acts';

interface ActBarProps {
  /** Where what is chosen lies in the view, px, and how large the view is. */
  at: { minX: number; minY: number; maxX: number; maxY: number };
  room: { width: number; height: number };
  /** Opens all that can be done at a place of the window. */
  onMore: (at: { x: number; y: number }) => void;
}

/** Kept free around what is chosen, for its handles and distances, px. */
const CLEAR_PX = 44;
const HIGH_PX = 28;

/** Whether Shift is held. */
function useShift(): boolean {
  const [isHeld, setHeld] = useState(false);
  useEffect(() => {
    const heard = (event: KeyboardEvent) => setHeld(event.shiftKey);
    const leave = () => setHeld(false);
    window.addEventListener('keydown', heard);
    window.addEventListener('keyup', heard);
    window.addEventListener('blur', leave);
    return () => {
      window.removeEventListener('keydown', heard);
      window.removeEventListener('keyup', heard);
      window.removeEventListener('blur', leave);
    };
  }, []);
  return isHeld;
}

/** The few acts used most with what is chosen, over it, or under it where there is no room. */
export function ActBar({ at, room, onMore }: ActBarProps) {
  const project = useProject((shown) => shown);
  const isChoosing = useShift();
  const acts = actsFor(project);
  // While more is chosen it is not in the way.
  if (isChoosing || !acts || acts.few.length === 0) return null;
  const above = at.minY - CLEAR_PX - HIGH_PX;
  const below = at.maxY + CLEAR_PX;
  const top = above >= 8 ? above : below + HIGH_PX <= room.height - 40 ? below : 8;
  const middle = Math.min(Math.max((at.minX + at.maxX) / 2, 150), Math.max(room.width - 170, 150));
  const press = (act: Act) => {
    const refusal = act.act(project);
    if (refusal) project.say(refusal);
  };
  return (
    <div
      role="toolbar"
      aria-label="Acts with what is chosen"
      className="absolute z-10 flex -translate-x-1/2 items-stretch overflow-hidden rounded-sm border border-ink3 bg-sheet shadow-sm"
      style={{ left: middle, top: Math.min(Math.max(top, 8), Math.max(room.height - 70, 8)) }}
    >
      {acts.few.map((act) => (
        <button
          key={act.words}
          type="button"
          title={act.title}
          aria-label={act.title}
          className="border-r border-faint px-2 py-0.5 whitespace-nowrap hover:bg-faint"
          onClick={() => press(act)}
        >
          {act.words}
        </button>
      ))}
      <button
        type="button"
        aria-label="All that can be done with it"
        title="All that can be done with it"
        className="px-1.5 hover:bg-faint"
        onClick={({ currentTarget }) => {
          const { left, bottom } = currentTarget.getBoundingClientRect();
          onMore({ x: left, y: bottom });
        }}
      >
        <Ellipsis size={14} aria-hidden="true" />
      </button>
    </div>
  );
}
