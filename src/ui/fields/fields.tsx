'use client';

import { useId, useState, type ReactNode } from 'react';
import { parseAngle } from '@/core/units/parse-angle';

const BOX =
  'rounded-sm border border-hair bg-sheet px-1.5 py-0.5 disabled:appearance-none disabled:border-transparent disabled:bg-transparent';

interface TextFieldProps {
  label: string;
  value: string;
  onCommit: (text: string) => string | null;
  disabled?: boolean;
  wide?: boolean;
}

/** A field for text that is taken with Enter or on leaving it; a refusal is said under it and the old value stays. */
export function TextField({ label, value, onCommit, disabled, wide }: TextFieldProps) {
  const id = useId();
  const [typed, setTyped] = useState<string | null>(null);
  const [refused, setRefused] = useState<string | null>(null);
  const commit = () => {
    if (typed === null || typed === value) return setTyped(null);
    const refusal = onCommit(typed);
    setRefused(refusal);
    if (refusal === null) setTyped(null);
  };
  return (
    <div>
      <div className="flex items-baseline justify-between gap-2">
        <label htmlFor={id} className="text-ink2">
          {label}
        </label>
        <input
          id={id}
          className={`${BOX} mr-6 ${wide ? 'w-44' : 'w-28'} ${refused ? 'border-wrong' : ''}`}
          data-taken={typed === null ? '' : undefined}
          value={typed ?? value}
          disabled={disabled}
          aria-invalid={refused !== null}
          onChange={(event) => {
            setTyped(event.target.value);
            setRefused(null);
          }}
          onKeyDown={(event) => {
            if (event.key === 'Enter') commit();
            if (event.key === 'Escape') {
              event.stopPropagation();
              setTyped(null);
              setRefused(null);
            }
          }}
          onBlur={commit}
        />
      </div>
      {refused && (
        <p role="alert" className="text-right text-[11px] text-wrong">
          {refused}
        </p>
      )}
    </div>
  );
}

/** A field whose text is read by the tool around it. */
export function PlainField({
  label,
  value,
  onChange,
  note,
  wrong,
  wide,
}: {
  label: string;
  value: string;
  onChange: (text: string) => void;
  note?: string | null;
  wrong?: boolean;
  wide?: boolean;
}) {
  const id = useId();
  return (
    <div>
      <div className={wide ? 'flex flex-col' : 'flex items-baseline justify-between gap-2'}>
        <label htmlFor={id} className="text-ink2">
          {label}
        </label>
        <input
          id={id}
          className={`${BOX} figures ${wide ? 'w-full' : 'w-36'} ${wrong ? 'border-wrong' : ''}`}
          value={value}
          aria-invalid={wrong}
          aria-describedby={note ? `${id}-says` : undefined}
          onChange={(event) => onChange(event.target.value)}
        />
      </div>
      {note && (
        <p id={`${id}-says`} role="status" className={`text-right text-[11px] ${wrong ? 'text-wrong' : 'text-ink3'}`}>
          {note}
        </p>
      )}
    </div>
  );
}

/** A choice of a few. */
export function ChoiceField<T extends string>({
  label,
  value,
  choices,
  onChoose,
  disabled,
}: {
  label: string;
  value: T;
  choices: readonly (readonly [T, string])[];
  onChoose: (value: T) => void;
  disabled?: boolean;
}) {
  const id = useId();
  return (
    <div className="flex items-baseline justify-between gap-2">
      <label htmlFor={id} className="text-ink2">
        {label}
      </label>
      <select
        id={id}
        className={`${BOX} mr-6 max-w-44 min-w-0`}
        value={value}
        disabled={disabled}
        onChange={(event) => onChoose(event.target.value as T)}
      >
        {choices.map(([choice, words]) => (
          <option key={choice} value={choice}>
            {words}
          </option>
        ))}
      </select>
    </div>
  );
}

export function CheckField({
  label,
  value,
  onChange,
  disabled,
}: {
  label: string;
  value: boolean;
  onChange: (on: boolean) => void;
  disabled?: boolean;
}) {
  return (
    <label className="flex items-center gap-2 text-ink2">
      <input
        type="checkbox"
        className="accent-(--color-now)"
        checked={value}
        disabled={disabled}
        onChange={(event) => onChange(event.target.checked)}
      />
      {label}
    </label>
  );
}

type Weight = 'main' | 'plain' | 'danger';
const WEIGHTS: Record<Weight, string> = {
  main: 'border-ink bg-ink text-sheet',
  plain: 'border-hair bg-sheet text-ink hover:bg-faint',
  danger: 'border-wrong bg-sheet text-wrong hover:bg-faint',
};

export function ActionButton({
  children,
  onClick,
  weight = 'plain',
  disabled,
  title,
  label,
  type = 'button',
}: {
  children: ReactNode;
  /** Its name where the words on it are not enough by themselves. */
  label?: string;
  onClick?: () => void;
  weight?: Weight;
  disabled?: boolean;
  title?: string;
  type?: 'button' | 'submit';
}) {
  return (
    <button
      type={type}
      title={title}
      aria-label={label}
      disabled={disabled}
      onClick={onClick}
      className={`rounded-sm border px-2.5 py-1 font-semibold disabled:opacity-45 ${WEIGHTS[weight]}`}
    >
      {children}
    </button>
  );
}

/** A switch between a few ways of working, all in sight. */
export function SwitchButtons<T extends string>({
  label,
  value,
  choices,
  onChoose,
}: {
  label: string;
  value: T;
  choices: readonly (readonly [T, string])[];
  onChoose: (value: T) => void;
}) {
  return (
    <div className="flex flex-wrap gap-1" role="group" aria-label={label}>
      {choices.map(([choice, words]) => (
        <button
          key={choice}
          type="button"
          aria-pressed={value === choice}
          className={`rounded-sm border px-2 py-0.5 ${value === choice ? 'border-now bg-now-tint font-semibold text-now' : 'border-hair bg-sheet hover:bg-faint'}`}
          onClick={() => onChoose(choice)}
        >
          {words}
        </button>
      ))}
    </div>
  );
}

/** A field for an angle in degrees, taken with Enter or on leaving it. */
export function AngleField({
  label,
  valueDeg,
  onCommit,
  disabled,
}: {
  label: string;
  valueDeg: number;
  onCommit: (degrees: number) => string | null;
  disabled?: boolean;
}) {
  return (
    <TextField
      label={label}
      value={`${valueDeg}°`}
      disabled={disabled ?? false}
      onCommit={(text) => {
        const angle = parseAngle(text);
        return angle.ok ? onCommit(angle.value) : angle.refusal.message;
      }}
    />
  );
}
