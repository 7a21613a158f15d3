import { useMemo, useState } from 'react';
import type { Point } from '@/core/geometry/point';
import { parsePath } from '@/core/outlines/typed-path';
import { EXAMPLES } from '@/core/units/examples';
import { formatForEntry, formatLength } from '@/core/units/format-length';
import { writePlace } from '../fields/place-text';
import { fieldUnit, useSlice } from '../session/store';
import { usePlanPoints } from './plan-busy';

/** One list, so that nothing drawn stays nothing new. */
const NONE: readonly Point[] = [];

/** A path typed step by step, or pressed corner by corner in the plan: one text holds both. */
export function usePath(isDrawn: boolean) {
  const { framework, building, mayEdit, display } = useSlice('framework', 'building', 'mayEdit', 'display');
  const [text, setText] = useState('');
  const path = useMemo(
    () => (building && text.trim() !== '' ? parsePath(framework, building, text, { unit: fieldUnit(display) }) : null),
    [framework, building, text, display],
  );
  usePlanPoints(
    mayEdit && building && isDrawn
      ? (at, phase) => {
          if (phase !== 'press') return;
          const last = path?.ok ? path.value.corners.at(-1) : null;
          if (!last) return setText(writePlace(framework, building, at.x, at.y, display));
          const [dx, dy] = [at.x - last.x, at.y - last.y];
          if (Math.abs(dx) < 1 && Math.abs(dy) < 1) return;
          const write = (mm: number) => formatForEntry(mm, display).replace(/\s+/g, ' ');
          // Straight along an axis it reads as one would say it.
          const step =
            Math.abs(dy) < 1e-6
              ? `${write(Math.abs(dx))} ${dx > 0 ? 'e' : 'w'}`
              : Math.abs(dx) < 1e-6
                ? `${write(Math.abs(dy))} ${dy > 0 ? 'n' : 's'}`
                : `${write(dx)},${write(dy)}`;
          setText(`${text.trim().replace(/;$/, '')}; ${step}`);
        }
      : null,
  );
  const corners = path?.ok ? path.value.corners : NONE;
  const closed = path?.ok ? path.value.closed : false;
  const run = closed && corners.length > 2 ? [...corners, corners[0]!] : corners;
  const lengthMm = run.slice(1).reduce((sum, p, i) => sum + Math.hypot(p.x - run[i]!.x, p.y - run[i]!.y), 0);
  const words =
    path === null
      ? `like ${EXAMPLES.path[display.system]}`
      : path.ok
        ? `${corners.length} corners, ${formatLength(Math.round(lengthMm), display)} long${closed ? ', closed' : ''}`
        : path.refusal.message;
  return {
    text,
    setText,
    path: path?.ok ? path.value : null,
    corners,
    closed,
    words,
    wrong: path !== null && !path.ok,
    close: () => setText((was) => `${was.trim().replace(/;$/, '')}; close`),
    takeBack: () => setText((was) => was.split(';').slice(0, -1).join(';')),
  };
}
