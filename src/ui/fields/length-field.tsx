'use client';

import { useId, useState } from 'react';
import { parseLengthIn } from '@/core/dimensions/resolve-length';
import { formatForEntry, formatForField, formatLength, METRIC } from '@/core/units/format-length';
import { fieldUnit, useProject } from '../session/store';

/** What a length field says about what is typed. */
type Understood = { ok: true; words: string; input: number | string } | { ok: false; words: string };

/** Reads a typed length in the person's unit; the input for a command keeps named dimensions. */
export function useLengthReader(): (text: string) => Understood {
  const framework = useProject(({ framework: shown }) => shown);
  const display = useProject(({ display: shown }) => shown);
  return (text) => {
    const parsed = parseLengthIn(framework, text, { unit: fieldUnit(display) });
    if (!parsed.ok) return { ok: false, words: parsed.refusal.message };
    const { mm, stored } = parsed.value;
    const words = `= ${formatLength(mm, METRIC)} mm${display.system === 'imperial' ? ` = ${formatLength(mm, display)}` : ''}`;
    return { ok: true, words, input: typeof stored === 'number' ? stored : stored.expr };
  };
}

interface LengthFieldProps {
  label: string;
  valueMm: number;
  /** Takes what was typed; answers why not, or null. */
  onCommit: (input: number | string) => string | null;
  disabled?: boolean;
  autoFocus?: boolean;
  hideLabel?: boolean;
  /** In a row of several: narrow, and its unit is said above them. */
  compact?: boolean;
  onCancel?: () => void;
}

/** A field for a length. It says what it understood before it is taken; what it cannot read leaves the old value. */
export function LengthField({
  label,
  valueMm,
  onCommit,
  disabled,
  autoFocus,
  hideLabel,
  compact,
  onCancel,
}: LengthFieldProps) {
  const id = useId();
  const display = useProject(({ display: shown }) => shown);
  const read = useLengthReader();
  const [typed, setTyped] = useState<string | null>(null);
  const [refused, setRefused] = useState<string | null>(null);
  const value = formatForField(valueMm, display);
  // What nobody typed is the value itself, however it is shown.
  const understood = typed === null || typed === value.text ? null : read(typed);
  const commit = () => {
    if (!understood) return setTyped(null);
    if (!understood.ok) return setRefused(understood.words);
    const refusal = onCommit(understood.input);
    setRefused(refusal);
    if (refusal === null) setTyped(null);
  };
  const message = refused ?? understood?.words ?? null;
  const isWrong = refused !== null || understood?.ok === false;
  return (
    <div className="flex flex-col gap-0.5">
      <div className="flex items-baseline justify-between gap-2">
        <label htmlFor={id} className={hideLabel ? 'sr-only' : 'text-ink2'}>
          {label}
        </label>
        <span className="flex items-baseline gap-1">
          <input
            id={id}
            className={`figures ${compact ? 'w-24' : display.system === 'imperial' ? 'w-38' : 'w-28'} rounded-sm border bg-sheet px-1.5 py-0.5 text-right ${isWrong ? 'border-wrong' : 'border-hair'} disabled:border-transparent disabled:bg-transparent`}
            data-taken={typed === null ? '' : undefined}
            value={typed ?? value.text}
            title={value.isRounded ? `${formatForEntry(valueMm, METRIC)} mm exactly` : undefined}
            disabled={disabled}
            autoFocus={autoFocus}
            aria-invalid={isWrong}
            aria-describedby={message ? `${id}-says` : undefined}
            onFocus={(event) => event.target.select()}
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
                onCancel?.();
              }
            }}
            onBlur={() => typed !== null && commit()}
          />
          {display.system === 'metric' && !compact && <span className="w-5 text-ink3">mm</span>}
        </span>
      </div>
      {message && (
        <p
          id={`${id}-says`}
          role={isWrong ? 'alert' : 'status'}
          className={`text-right text-[11px] ${isWrong ? 'text-wrong' : 'text-ink3'}`}
        >
          {message}
        </p>
      )}
    </div>
  );
}
