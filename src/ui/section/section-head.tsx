'use client';

import type { Side } from '@/core/drawing/section-plane';
import type { Id } from '@/core/model/ids';
import { EXAMPLES } from '@/core/units/examples';
import { useSlice } from '../session/store';

export const SIDES: readonly (readonly [Side, string])[] = [
  ['south', 'South elevation'],
  ['east', 'East elevation'],
  ['north', 'North elevation'],
  ['west', 'West elevation'],
];
const box = 'rounded-sm border border-hair bg-sheet px-1.5 py-0.5';

interface SectionHeadProps {
  /** A side, a line by its id, or between typed points. */
  choice: string;
  onChoose: (choice: string) => void;
  ends: readonly [string, string];
  onEnds: (ends: [string, string]) => void;
  /** Why the points are no line yet. */
  wrong: string | null;
  onDraw: () => void;
  /** Buildings whose levels stand at the two sides. */
  marks: { left: Id | null; right: Id | null };
  onMarks: (marks: { left: Id | null; right: Id | null }) => void;
  /** Null: none was moved by hand. */
  onClearMarks: (() => void) | null;
}

/** Over a section: what it is drawn along, and whose levels it marks. */
export function SectionHead({
  choice,
  onChoose,
  ends: [from, to],
  onEnds,
  wrong,
  onDraw,
  marks,
  onMarks,
  onClearMarks,
}: SectionHeadProps) {
  const { solved, building, display } = useSlice('solved', 'building', 'display');
  const lines = solved?.lines.filter((line) => line.building === building && line.label !== null) ?? [];
  const settingOut = solved?.settingOut.filter((line) => line.building === building) ?? [];
  return (
    <div className="flex flex-wrap items-baseline gap-2 px-4 pt-2.5">
      <select
        aria-label="What is drawn"
        className={box}
        value={choice}
        onChange={(event) => onChoose(event.target.value)}
      >
        {SIDES.map(([side, words]) => (
          <option key={side} value={side}>
            {words}
          </option>
        ))}
        {lines.map(({ id, label }) => (
          <option key={id} value={id}>
            Section along {label}
          </option>
        ))}
        {settingOut.map(({ id, name }) => (
          <option key={id} value={id}>
            Section along {name}
          </option>
        ))}
        <option value="points">Section along a drawn line</option>
      </select>
      {choice === 'points' &&
        (['from', 'to'] as const).map((end, i) => (
          <label key={end} className="flex items-baseline gap-1 text-ink2">
            {end}
            <input
              className={`${box} figures w-32`}
              placeholder={
                i === 0 ? EXAMPLES.crossing[display.system] : EXAMPLES.crossing[display.system].replace('A-1', 'A-7')
              }
              value={i === 0 ? from : to}
              onChange={({ target }) => onEnds(i === 0 ? [target.value, to] : [from, target.value])}
            />
          </label>
        ))}
      {choice === 'points' && building && (
        <button type="button" className={`${box} font-semibold hover:bg-faint`} onClick={onDraw}>
          Draw it in the plan
        </button>
      )}
      {(solved?.buildings.length ?? 0) > 1 &&
        (['left', 'right'] as const).map((at) => (
          <label key={at} className="flex items-baseline gap-1 text-ink2">
            levels {at}
            <select
              className={box}
              value={marks[at] ?? ''}
              onChange={({ target }) => onMarks({ ...marks, [at]: target.value || null })}
            >
              <option value="">none</option>
              {solved?.buildings.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </select>
          </label>
        ))}
      {onClearMarks && (
        <button type="button" className={`${box} hover:bg-faint`} onClick={onClearMarks}>
          Marks by themselves again
        </button>
      )}
      {wrong && (
        <span role="status" className="text-ink2">
          {wrong}
        </span>
      )}
    </div>
  );
}
