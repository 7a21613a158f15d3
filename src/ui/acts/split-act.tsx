'use client';

import { useMemo } from 'react';
import { parseLengthIn } from '@/core/dimensions/resolve-length';
import { recordOf } from '@/core/model/framework';
import type { Id } from '@/core/model/ids';
import { formatLength } from '@/core/units/format-length';
import { splitPlace } from '@/core/walls/split-place';
import { stepOf } from '../plan/drag-step';
import type { Pen } from '../session/busy';
import { fieldUnit, useSlice } from '../session/store';
import { usePen, usePlanPoints } from '../tools/plan-busy';
import { ActStrip } from './act-strip';

const ASKS = 'Press the wall where it is to be split, or type how far from its nearer end';
const nothing = () => undefined;

/** A wall split where it is pressed: at corners and lines that cross it, or in round steps from its nearer end. */
export function SplitByHand({ id }: { id: Id }) {
  const { framework, solved, level, display, send, say, set } = useSlice(
    'framework',
    'solved',
    'level',
    'display',
    'send',
    'say',
    'set',
  );
  const wall = recordOf(framework, 'wall', id);
  usePlanPoints(nothing);
  const pen = useMemo((): Pen => {
    const leave = () => set({ act: null });
    const placeAt = (point: { x: number; y: number }, reachMm: number, fromEndMm?: number) =>
      wall && splitPlace(framework, wall, point, { stepMm: stepOf(display), reachMm, fromEndMm, solved, level });
    const splitAt = (alongMm: number): string | null => {
      const refusal = send({ command: 'walls.split', input: { wall: id, alongMm } });
      if (!refusal) leave();
      return refusal;
    };
    return {
      kind: 'path',
      corners: [],
      turnDeg: 0,
      mayClose: false,
      back: nothing,
      begins: ASKS,
      nowhere: 'not at the wall',
      over: (pointer, reachMm) => {
        const place = placeAt(pointer, reachMm);
        if (!place) return null;
        const { before, after, words, at, across } = place;
        return {
          at,
          words,
          measure: `${formatLength(before, display)} · ${formatLength(after, display)}`,
          refused: null,
          primitives: [{ type: 'path', style: 'stairBreak', id: null, points: across, closed: false }],
        };
      },
      press: (pointer, reachMm) => {
        const place = placeAt(pointer, reachMm);
        const refusal = place && splitAt(place.alongMm);
        if (refusal) say(refusal);
      },
      typed: {
        label: 'From the nearer end',
        take: (text, pointer, reachMm) => {
          const read = parseLengthIn(framework, text, { unit: fieldUnit(display) });
          if (!read.ok) return read.refusal.message;
          const place = placeAt(pointer, reachMm * 1e6, read.value.mm);
          return place ? splitAt(place.alongMm) : 'Point at the wall first';
        },
      },
    };
  }, [framework, solved, level, wall, id, display, send, say, set]);
  usePen(pen);
  return <ActStrip name="Split" asks={ASKS} leave={() => set({ act: null })} />;
}
