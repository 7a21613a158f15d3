import { useMemo, useState } from 'react';
import { pathStep } from '@/core/drafting/path-step';
import type { Point } from '@/core/geometry/point';
import { parsePath } from '@/core/outlines/typed-path';
import { EXAMPLES } from '@/core/units/examples';
import { formatForEntry, formatLength } from '@/core/units/format-length';
import { writePlace } from '../fields/place-text';
import { fieldUnit, useSlice } from '../session/store';
import type { Pen } from '../session/busy';
import { useEnd, usePen, usePlanPoints } from './plan-busy';

/** One list, so that nothing drawn stays nothing new. */
const NONE: readonly Point[] = [];

/** What is drawn goes round an area. */
export const outlineShape: Pen['shape'] = (corners) => ({ rings: corners.length > 2 ? [corners] : [] });

interface Drawing {
  /** Ends it: the thing is made. Answers why not, or null. */
  end?: () => string | null;
  /** What is drawn as it will be, with the corner under the pointer. */
  shape?: Pen['shape'];
  /** Whether it may go back to its first corner. */
  mayClose?: boolean;
}

/** A path typed step by step, or pressed corner by corner in the plan: one text holds both. */
export function usePath(isDrawn: boolean, { end, shape, mayClose = true }: Drawing = {}) {
  const { framework, building, mayEdit, display } = useSlice('framework', 'building', 'mayEdit', 'display');
  const [text, setText] = useState('');
  const path = useMemo(
    () => (building && text.trim() !== '' ? parsePath(framework, building, text, { unit: fieldUnit(display) }) : null),
    [framework, building, text, display],
  );
  const isOn = mayEdit && building !== null && isDrawn;
  const write = (mm: number) => formatForEntry(mm, display).replace(/\s+/g, ' ');
  usePlanPoints(
    isOn
      ? (at, phase) => {
          if (phase !== 'press') return;
          const last = path?.ok ? path.value.corners.at(-1) : null;
          if (!last) return setText(writePlace(framework, building!, at.x, at.y, display));
          if (Math.abs(at.x - last.x) < 1 && Math.abs(at.y - last.y) < 1) return;
          setText(`${text.trim().replace(/;$/, '')}; ${pathStep(last, at, path!.ok ? path!.value.turnDeg : 0, write)}`);
        }
      : null,
  );
  const corners = path?.ok ? path.value.corners : NONE;
  const closed = path?.ok ? path.value.closed : false;
  const turnDeg = path?.ok ? path.value.turnDeg : 0;
  const close = () => setText((was) => `${was.trim().replace(/;$/, '')}; close`);
  const takeBack = () => setText((was) => was.split(';').slice(0, -1).join(';'));
  const make = useEnd(end);
  const pen = useMemo(
    (): Pen | null =>
      isOn
        ? {
            kind: 'path',
            // A path that is closed is drawn no further.
            corners: closed ? NONE : corners,
            isWhole: closed,
            turnDeg,
            mayClose,
            back: takeBack,
            close,
            ...(make ? { end: make } : {}),
            ...(shape ? { shape } : {}),
          }
        : null,
    [isOn, closed, corners, turnDeg, mayClose, shape, make],
  );
  usePen(pen);
  const run = closed && corners.length > 2 ? [...corners, corners[0]!] : corners;
  const lengthMm = run.slice(1).reduce((sum, p, i) => sum + Math.hypot(p.x - run[i]!.x, p.y - run[i]!.y), 0);
  const words =
    path === null
      ? `like ${EXAMPLES.path[display.system]}`
      : path.ok
        ? `${corners.length} ${corners.length === 1 ? 'corner' : 'corners'}, ${formatLength(Math.round(lengthMm), display)} long${closed ? ', closed' : ''}`
        : path.refusal.message;
  return {
    text,
    setText,
    path: path?.ok ? path.value : null,
    corners,
    closed,
    words,
    wrong: path !== null && !path.ok,
    close,
    takeBack,
  };
}
