'use client';

import { mmOf } from '@/core/dimensions/resolve-length';
import { asGiven } from '@/core/dimensions/uses';
import type { LengthInput } from '@/core/commands/length-input';
import type { Length } from '@/core/units/parse-length';
import { useSlice } from '../../session/store';
import { LengthField } from '../length-field';

const MOST_SHOWN = 60;
const BUTTON = 'h-5 w-5 rounded-sm border border-hair bg-sheet leading-none hover:bg-faint disabled:opacity-45';

interface CornerFieldsProps {
  label: string;
  corners: readonly { xMm: Length; yMm: Length }[];
  /** As few as there may be. */
  least: number;
  disabled: boolean;
  put: (corners: readonly { xMm: LengthInput; yMm: LengthInput }[]) => string | null;
}

/** Corners one under the other, along the axes of the place they are counted from; another between two, or one less. */
export function CornerFields({ label, corners, least, disabled, put }: CornerFieldsProps) {
  const { framework, say } = useSlice('framework', 'say');
  const given = asGiven(framework, corners);
  const attempt = (next: readonly { xMm: LengthInput; yMm: LengthInput }[]) => {
    const refusal = put(next);
    if (refusal) say(refusal);
  };
  const between = (i: number) => {
    const [a, b] = [corners[i]!, corners[(i + 1) % corners.length]!];
    const half = (axis: 'xMm' | 'yMm') => (mmOf(framework, a[axis]) + mmOf(framework, b[axis])) / 2;
    return [...given.slice(0, i + 1), { xMm: half('xMm'), yMm: half('yMm') }, ...given.slice(i + 1)];
  };
  return (
    <details className="border-t border-faint pt-1.5">
      <summary className="text-ink2">
        {label}: {corners.length}
      </summary>
      <p className="pt-1.5 pl-6 text-[11px] text-ink3">x and y from that place, along its axes</p>
      <ol aria-label={label} className="flex flex-col gap-0.5 pt-0.5">
        {corners.slice(0, MOST_SHOWN).map((corner, i) => (
          <li key={i} className="flex items-baseline gap-1">
            <span className="figures w-5 text-right text-ink3">{i + 1}</span>
            {(['xMm', 'yMm'] as const).map((axis) => (
              <LengthField
                key={axis}
                compact
                hideLabel
                label={`Corner ${i + 1}, ${axis === 'xMm' ? 'x' : 'y'}`}
                valueMm={mmOf(framework, corner[axis])}
                disabled={disabled}
                onCommit={(length) => put(given.map((each, k) => (k === i ? { ...each, [axis]: length } : each)))}
              />
            ))}
            {!disabled && (
              <>
                <button
                  type="button"
                  className={BUTTON}
                  aria-label={`Another corner after ${i + 1}`}
                  title="Another corner, halfway to the next"
                  onClick={() => attempt(between(i))}
                >
                  +
                </button>
                <button
                  type="button"
                  className={BUTTON}
                  aria-label={`Take corner ${i + 1} out`}
                  title="Take this corner out"
                  disabled={corners.length <= least}
                  onClick={() => attempt(given.filter((_, k) => k !== i))}
                >
                  −
                </button>
              </>
            )}
          </li>
        ))}
      </ol>
      {corners.length > MOST_SHOWN && (
        <p className="text-ink2">
          The other {corners.length - MOST_SHOWN} are not listed. Drag their edges in the plan.
        </p>
      )}
    </details>
  );
}
