'use client';

import { useCallback, useMemo, useState } from 'react';
import { parseLengthIn } from '@/core/dimensions/resolve-length';
import { ringAround } from '@/core/elements/offset-command';
import type { Point } from '@/core/geometry/point';
import { contains, distanceToSegment, type Ring } from '@/core/geometry/polygon';
import type { Id } from '@/core/model/ids';
import { formatLength } from '@/core/units/format-length';
import { quantiseMm } from '@/core/units/length-units';
import { dragStep } from '../plan/drag-step';
import type { Pen } from '../session/busy';
import { fieldUnit, useProjectStore, useSlice } from '../session/store';
import { useTried } from '../session/use-tried';
import { usePen, usePlanPoints } from '../tools/plan-busy';
import { ActStrip } from './act-strip';

const ASKS = 'Point how far the edges go, outside or inside of one of them, or type it';
const nothing = () => undefined;

/** How far outside of the nearest of some rings a point is, mm; below zero inside of it. */
function outsideBy(rings: readonly Ring[], point: Point): number {
  let [least, sign] = [Infinity, 1];
  for (const ring of rings)
    ring.forEach((corner, i) => {
      const gap = distanceToSegment(point, corner, ring[(i + 1) % ring.length]!);
      if (gap < least) [least, sign] = [gap, contains(ring, point) ? -1 : 1];
    });
  return least * sign;
}

/** Edges of what is chosen moved outwards or inwards all at once, shown in every view as they will be. */
export function OffsetByHand({ ids }: { ids: Id[] }) {
  const store = useProjectStore();
  const { framework, level, display, send, set } = useSlice('framework', 'level', 'display', 'send', 'set');
  // As they stood before anything was tried.
  const [rings] = useState(() => {
    const { framework: before, level: at } = store.getState();
    return ids.flatMap((id) => {
      const record = before.records.get(id);
      const ring = record && ringAround(before, record, at);
      return ring ? [ring] : [];
    });
  });
  const [standing] = useState(() => store.getState().solved);
  const tried = useTried(ids.join(), nothing);
  const sentFor = useCallback(
    (byMm: number | string) =>
      ({ command: 'elements.offset', input: { ids, byMm, ...(level ? { level } : {}) } }) as const,
    [ids, level],
  );
  const leave = () => set({ act: null });
  const steps = dragStep(display);
  const byFor = useCallback(
    (at: Point) => quantiseMm(Math.round(outsideBy(rings, at) / steps) * steps),
    [rings, steps],
  );
  usePlanPoints((at, phase) => {
    const byMm = byFor(at);
    if (byMm === 0) return tried.show(null);
    tried.show(sentFor(byMm));
    if (phase !== 'press') return;
    tried.done(true);
    leave();
  });
  const pen = useMemo(
    (): Pen => ({
      kind: 'path',
      corners: [],
      turnDeg: 0,
      mayClose: false,
      back: nothing,
      begins: ASKS,
      ...(standing ? { standing } : {}),
      measure: (at) => {
        const byMm = byFor(at);
        return `${byMm < 0 ? 'inwards' : 'outwards'} ${formatLength(Math.abs(byMm), display)}`;
      },
      typed: {
        label: 'Outwards (− inwards)',
        take: (text) => {
          const read = parseLengthIn(framework, text, { unit: fieldUnit(display) });
          if (!read.ok) return read.refusal.message;
          const refusal = send(sentFor(read.value.mm));
          if (!refusal) set({ act: null });
          return refusal;
        },
      },
    }),
    [framework, display, standing, byFor, send, sentFor, set],
  );
  usePen(pen);
  return <ActStrip name="Offset" asks={ASKS} leave={leave} />;
}
