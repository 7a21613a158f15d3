'use client';

import { useState } from 'react';

export interface CellProps {
  name: string;
  at: string;
  value: string;
  /** What the cell above shows, null in the first row. */
  above: () => string | null;
  className: string;
  disabled: boolean;
  choices: readonly string[] | null;
  onFocus: () => void;
  onCommit: (text: string) => string | null;
  onPaste: (text: string) => void;
  onMove: (by: 1 | -1) => void;
}

/** One cell: taken with Enter, the arrows up and down, or on leaving it. */
export function Cell({
  name,
  at,
  value,
  above,
  className,
  disabled,
  choices,
  onFocus,
  onCommit,
  onPaste,
  onMove,
}: CellProps) {
  const [typed, setTyped] = useState(value);
  const [refused, setRefused] = useState<string | null>(null);
  const commit = (text = typed): boolean => {
    const refusal = text === value ? null : onCommit(text);
    setRefused(refusal);
    return refusal === null;
  };
  const common = {
    'aria-label': name,
    'data-cell': at,
    disabled,
    onFocus,
    className: `${className} bg-transparent px-1.5 py-1 disabled:text-ink3`,
  };
  if (choices) {
    return (
      <select {...common} value={value} onChange={(event) => commit(event.target.value)}>
        {choices.map((choice) => (
          <option key={choice} value={choice}>
            {choice === 'datum' ? 'datum only' : choice}
          </option>
        ))}
      </select>
    );
  }
  return (
    <span className="relative block">
      <input
        {...common}
        onFocus={(event) => {
          // What is typed then takes the place of what stands there.
          event.target.select();
          onFocus();
        }}
        className={`${common.className} ${refused ? 'outline outline-wrong' : ''}`}
        value={typed}
        aria-invalid={refused !== null}
        onChange={(event) => {
          setTyped(event.target.value);
          setRefused(null);
        }}
        onBlur={() => commit()}
        onPaste={(event) => {
          const text = event.clipboardData.getData('text/plain');
          if (!/[\t\n]/.test(text.trim())) return;
          event.preventDefault();
          onPaste(text);
        }}
        onKeyDown={(event) => {
          const by = event.key === 'ArrowUp' ? -1 : event.key === 'ArrowDown' || event.key === 'Enter' ? 1 : null;
          if (by !== null) {
            event.preventDefault();
            if (commit()) onMove(by);
          } else if (event.key === 'Escape') {
            event.stopPropagation();
            setTyped(value);
            setRefused(null);
          } else if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'd') {
            event.preventDefault();
            const taken = above();
            if (taken === null) return;
            setTyped(taken);
            commit(taken);
          }
        }}
      />
      {refused && (
        <span
          role="alert"
          className="absolute top-full left-0 z-10 w-64 border border-wrong bg-sheet p-1.5 text-[11px] text-wrong"
        >
          {refused}
        </span>
      )}
    </span>
  );
}
