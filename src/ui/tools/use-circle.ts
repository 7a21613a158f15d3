import { useMemo, useRef, useState } from 'react';
import { distance, type Point } from '@/core/geometry/point';
import { firstLength } from '@/core/units/first-length';
import { formatForEntry } from '@/core/units/format-length';
import { useLengthReader } from '../fields/length-field';
import { readPlaceText, writePlace } from '../fields/place-text';
import { useSlice } from '../session/store';
import { usePlanPoints } from './plan-busy';
import type { OutlineInput } from '@/core/outlines/outline-input';

/** A circle typed by its centre and diameter, or drawn from its centre in the plan while `isDrawn`. */
export function useCircle(sizeMm: number, isDrawn: boolean) {
  const { framework, building, mayEdit, display } = useSlice('framework', 'building', 'mayEdit', 'display');
  const read = useLengthReader();
  const [place, setPlace] = useState('0,0');
  const [diameter, setDiameter] = useState(() => firstLength(sizeMm, display));
  const centre = useRef<Point | null>(null);
  const [d, at] = [read(diameter), readPlaceText(place, display)];
  const [placeInput, diameterMm] = [at.ok ? at.value.input : '', d.ok ? d.input : 0];
  const outline = useMemo(
    (): OutlineInput => ({ type: 'circle', place: placeInput, diameterMm }),
    [placeInput, diameterMm],
  );
  usePlanPoints(
    mayEdit && building && isDrawn
      ? (point, phase) => {
          if (phase === 'press') {
            centre.current = point;
            setPlace(writePlace(framework, building, point.x, point.y, display));
          }
          if (!centre.current || phase === 'press') return;
          const reach = distance(centre.current, point);
          if (reach >= 50) setDiameter(formatForEntry(reach * 2, display));
          if (phase === 'release') centre.current = null;
        }
      : null,
  );
  return {
    outline,
    /** What cannot be read, in words. */
    wrong: !at.ok ? at.refusal.message : !d.ok ? d.words : null,
    fields: [
      {
        label: 'Centre at',
        value: place,
        onChange: setPlace,
        note: at.ok ? at.value.words : at.refusal.message,
        wrong: !at.ok,
      },
      { label: 'Diameter', value: diameter, onChange: setDiameter, note: d.words, wrong: !d.ok },
    ],
  };
}
