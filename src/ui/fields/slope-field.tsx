'use client';

import { readSlope, slopeInFull } from '@/core/ramps/slope-words';
import { TextField } from './fields';

/** A slope, typed as ratio, percent or degrees; nothing: as steep as it may be. */
export function SlopeField({
  label,
  value,
  onCommit,
  disabled,
}: {
  label: string;
  value: number | null;
  onCommit: (runPerRise: number | null) => string | null;
  disabled?: boolean;
}) {
  const none = 'as steep as it may be';
  return (
    <TextField
      label={label}
      wide
      value={value === null ? none : slopeInFull(value)}
      {...(disabled === undefined ? {} : { disabled })}
      onCommit={(typed) => {
        const text = typed.trim();
        if (text === '' || text === none) return onCommit(null);
        const runPerRise = readSlope(text.replace(/\(.*\)$/, ''));
        return runPerRise === null ? 'Type a slope like 1:12, 8 % or 4.8°' : onCommit(runPerRise);
      }}
    />
  );
}
