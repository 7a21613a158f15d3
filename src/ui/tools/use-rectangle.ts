import { useMemo, useRef, useState } from 'react';
import { firstLength } from '@/core/units/first-length';
import { formatForEntry } from '@/core/units/format-length';
import { useLengthReader } from '../fields/length-field';
import { readPlaceText, writePlace } from '../fields/place-text';
import { useSlice } from '../session/store';
import { usePlanPoints } from './plan-busy';
import type { OutlineInput } from '@/core/outlines/outline-input';

/** A rectangle typed by its lower left corner and sizes, or drawn between two points in the plan while `isDrawn`. */
export function useRectangle(sizeMm: [number, number], isDrawn: boolean) {
  const { framework, building, mayEdit, display } = useSlice('framework', 'building', 'mayEdit', 'display');
  const read = useLengthReader();
  const [place, setPlace] = useState('0,0');
  const [width, setWidth] = useState(() => firstLength(sizeMm[0], display));
  const [depth, setDepth] = useState(() => firstLength(sizeMm[1], display));
  const start = useRef<{ x: number; y: number } | null>(null);
  const [w, d, at] = [read(width), read(depth), readPlaceText(place, display)];
  const placeInput = at.ok ? at.value.input : '';
  const [widthMm, depthMm] = [w.ok ? w.input : 0, d.ok ? d.input : 0];
  const outline = useMemo(
    (): OutlineInput => ({ type: 'rectangle', place: placeInput, widthMm, depthMm }),
    [placeInput, widthMm, depthMm],
  );
  usePlanPoints(
    mayEdit && building && isDrawn
      ? (point, phase) => {
          if (phase === 'press') start.current = point;
          if (!start.current || phase === 'press') return;
          const from = start.current;
          const [wide, deep] = [Math.abs(point.x - from.x), Math.abs(point.y - from.y)];
          if (phase === 'release') start.current = null;
          if (wide < 50 || deep < 50) {
            if (phase === 'release') setPlace(writePlace(framework, building, point.x, point.y, display));
            return;
          }
          setPlace(writePlace(framework, building, Math.min(from.x, point.x), Math.min(from.y, point.y), display));
          setWidth(formatForEntry(wide, display));
          setDepth(formatForEntry(deep, display));
        }
      : null,
  );
  const wrong = !at.ok ? at.refusal.message : !w.ok ? w.words : !d.ok ? d.words : null;
  return {
    outline,
    /** What cannot be read, in words. */
    wrong,
    fields: [
      {
        label: 'Corner at',
        value: place,
        onChange: setPlace,
        note: at.ok ? at.value.words : at.refusal.message,
        wrong: !at.ok,
      },
      { label: 'Width', value: width, onChange: setWidth, note: w.words, wrong: !w.ok },
      { label: 'Depth', value: depth, onChange: setDepth, note: d.words, wrong: !d.ok },
    ],
  };
}
