'use client';

import { useEffect, useRef } from 'react';

/** What is typed at the pointer: a length or a place, and beside it the direction or the second size. */
export interface Entry {
  text: string;
  second: string;
}

interface PointerTagProps {
  /** Where the pointer is in the view, px, and how large the view is. */
  at: { x: number; y: number };
  room: { width: number; height: number };
  /** Why the point is where it is. */
  words: string;
  /** How long and which way, or how large. */
  measure: string | null;
  entry: Entry | null;
  /** How the second field is called: it is not there where a place is typed. */
  secondLabel: string | null;
  /** How the first is called, where it is neither a length nor a place. */
  label: string | null;
  refused: string | null;
  onEntry: (entry: Entry) => void;
  onTake: () => void;
  onLeave: () => void;
}

const WIDE_PX = 240;

/** Where a tag stands: below and to the right of a point, or on its other side where there is no room. */
export function beside(at: { x: number; y: number }, room: { width: number; height: number }) {
  return {
    ...(at.x + WIDE_PX + 24 > room.width ? { right: room.width - at.x + 14 } : { left: at.x + 14 }),
    ...(at.y + 90 > room.height ? { bottom: room.height - at.y + 10 } : { top: at.y + 12 }),
    maxWidth: WIDE_PX,
  };
}

export const FILM =
  'absolute z-10 rounded-sm border border-hair bg-sheet/95 px-2 py-1 text-[12px] leading-tight shadow-sm';

/** Words beside what is dragged. */
export function PointerWords({ at, room, words }: Pick<PointerTagProps, 'at' | 'room' | 'words'>) {
  return (
    <p className={`pointer-events-none text-now ${FILM}`} style={beside(at, room)}>
      {words}
    </p>
  );
}

/** The tag beside the pointer: on a film of its own, so that it can be read over everything. */
export function PointerTag(props: PointerTagProps) {
  const { at, room, words, measure, entry, secondLabel, label, refused, onEntry, onTake, onLeave } = props;
  const first = useRef<HTMLInputElement>(null);
  const isOpen = entry !== null;
  useEffect(() => {
    if (!isOpen) return;
    const input = first.current;
    input?.focus();
    // What opened it is typed already.
    input?.setSelectionRange(input.value.length, input.value.length);
  }, [isOpen]);
  const style = beside(at, room);
  const keys = (event: React.KeyboardEvent) => {
    if (event.key === 'Enter') {
      event.preventDefault();
      event.stopPropagation();
      onTake();
    } else if (event.key === 'Escape') {
      event.stopPropagation();
      onLeave();
    }
  };
  const field =
    'figures h-6 min-w-0 rounded-sm border border-now bg-sheet px-1.5 text-[12px] text-ink outline-none focus:border-2';
  return (
    <div
      className={`flex flex-col gap-1 text-ink ${FILM} ${isOpen ? '' : 'pointer-events-none'}`}
      style={style}
      role={isOpen ? 'group' : undefined}
      aria-label={isOpen ? 'At the pointer' : undefined}
    >
      {entry ? (
        <span className="flex gap-1">
          <input
            ref={first}
            aria-label={label ?? (secondLabel === null ? 'Place' : secondLabel === 'Depth' ? 'Width' : 'Length')}
            className={`${field} w-32`}
            value={entry.text}
            onChange={({ target }) => onEntry({ ...entry, text: target.value })}
            onKeyDown={keys}
          />
          {secondLabel !== null && (
            <input
              aria-label={secondLabel}
              placeholder={secondLabel.toLowerCase()}
              className={`${field} w-20`}
              value={entry.second}
              onChange={({ target }) => onEntry({ ...entry, second: target.value })}
              onKeyDown={keys}
            />
          )}
        </span>
      ) : (
        measure && <span className="figures font-semibold">{measure}</span>
      )}
      <span className="text-now" data-testid="pointer-words">
        {words}
      </span>
      {refused && <span className="text-wrong">{refused}</span>}
    </div>
  );
}
