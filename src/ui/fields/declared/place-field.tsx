'use client';

import type { Place } from '@/core/model/fields';
import type { Id } from '@/core/model/ids';
import { useSlice } from '../../session/store';
import { TextField } from '../fields';
import { placeAsHeld, readPlaceText } from '../place-text';

interface PlaceFieldProps {
  label: string;
  place: Place;
  building: Id;
  disabled: boolean;
  put: (place: string) => string | null;
}

/** Where something stands: from the nearest crossing, typed like `A-1 + 600,0`. */
export function PlaceField({ label, place, building, disabled, put }: PlaceFieldProps) {
  const { framework, display } = useSlice('framework', 'display');
  return (
    <TextField
      wide
      label={label}
      value={placeAsHeld(framework, building, place, display)}
      disabled={disabled}
      onCommit={(text) => {
        const read = readPlaceText(text, display);
        return read.ok ? put(read.value.input) : read.refusal.message;
      }}
    />
  );
}
