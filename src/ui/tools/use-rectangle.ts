import { useMemo, useState } from 'react';
import type { Point } from '@/core/geometry/point';
import { firstLength } from '@/core/units/first-length';
import { formatForEntry } from '@/core/units/format-length';
import { useLengthReader } from '../fields/length-field';
import { readPlaceText, writePlace } from '../fields/place-text';
import { useSlice } from '../session/store';
import type { OutlineInput } from '@/core/outlines/outline-input';
import type { Pen } from '../session/busy';
import { useEnd, usePen, usePlanPoints } from './plan-busy';

const NONE: readonly Point[] = [];

/** A rectangle drawn by less than this in one drag is a press, mm. */
const LEAST_MM = 50;

/**
 * A rectangle typed by its lower left corner and sizes, or drawn between two corners in the plan while `isDrawn`: pressed one after
 * the other, or dragged from one to the other. `end` makes the thing; it answers why not, or null.
 */
export function useRectangle(sizeMm: [number, number], isDrawn: boolean, end?: () => string | null) {
  const { framework, building, mayEdit, display } = useSlice('framework', 'building', 'mayEdit', 'display');
  const read = useLengthReader();
  const [place, setPlace] = useState('0,0');
  const [width, setWidth] = useState(() => firstLength(sizeMm[0], display));
  const [depth, setDepth] = useState(() => firstLength(sizeMm[1], display));
  const [start, setStart] = useState<Point | null>(null);
  const [isWhole, setWhole] = useState(false);
  const [w, d, at] = [read(width), read(depth), readPlaceText(place, display)];
  const placeInput = at.ok ? at.value.input : '';
  const [widthMm, depthMm] = [w.ok ? w.input : 0, d.ok ? d.input : 0];
  const outline = useMemo(
    (): OutlineInput => ({ type: 'rectangle', place: placeInput, widthMm, depthMm }),
    [placeInput, widthMm, depthMm],
  );
  const isOn = mayEdit && building !== null && isDrawn;
  const draw = (from: Point, to: Point) => {
    const [wide, deep] = [Math.abs(to.x - from.x), Math.abs(to.y - from.y)];
    if (wide < LEAST_MM || deep < LEAST_MM) return false;
    setPlace(writePlace(framework, building!, Math.min(from.x, to.x), Math.min(from.y, to.y), display));
    setWidth(formatForEntry(wide, display));
    setDepth(formatForEntry(deep, display));
    return true;
  };
  usePlanPoints(
    isOn
      ? (point, phase) => {
          if (!start) {
            if (phase !== 'press') return;
            setStart(point);
            setWhole(false);
            return setPlace(writePlace(framework, building!, point.x, point.y, display));
          }
          // A second press, or letting go after a drag, is its other corner.
          if (draw(start, point) && phase !== 'move') {
            setStart(null);
            setWhole(true);
          }
        }
      : null,
  );
  const make = useEnd(end);
  const pen = useMemo(
    (): Pen | null =>
      isOn
        ? {
            kind: 'box',
            corners: start ? [start] : NONE,
            turnDeg: 0,
            mayClose: false,
            isWhole: isWhole && start === null,
            back: () => setStart(null),
            ...(make ? { end: make } : {}),
          }
        : null,
    [isOn, start, isWhole, make],
  );
  usePen(pen);
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
