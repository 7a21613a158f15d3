import { useEffect, useMemo, useRef } from 'react';
import type { Point } from '@/core/geometry/point';
import type { Id } from '@/core/model/ids';
import { chosenLines, type Busy, type Pen, type TellPoint } from '../session/busy';
import type { Ghost } from '../session/project';
import { useProjectStore, useSlice } from '../session/store';

/** Keeps the plan busy with one thing while it is wanted, and lets go of it after, unless it turned to something else. */
function useBusy(begin: (() => Busy) | null, asks = ''): void {
  const store = useProjectStore();
  const latest = useRef(begin);
  useEffect(() => {
    latest.current = begin;
  });
  const isWanted = begin !== null;
  useEffect(() => {
    if (!isWanted) return;
    const own = latest.current!();
    store.setState({ busy: own });
    return () => {
      const { busy } = store.getState();
      // Choosing lines goes on with another list of them.
      if (busy === own || (busy?.with === 'lines' && own.with === 'lines')) store.setState({ busy: null });
    };
  }, [store, isWanted, asks]);
}

/** A tool that takes points in the plan; null: not now. It is always the latest that is told. */
export function usePlanPoints(tell: TellPoint | null): void {
  const latest = useRef(tell);
  useEffect(() => {
    latest.current = tell;
  });
  useBusy(tell && (() => ({ with: 'points', tell: (at, phase) => latest.current?.(at, phase) })));
}

/** Makes the thing from the plan, always as it stands by then, and says why where it cannot; undefined where the plan cannot make it. */
export function useEnd(end: (() => string | null) | undefined): (() => void) | undefined {
  const { say } = useSlice('say');
  const latest = useRef(end);
  useEffect(() => {
    latest.current = end;
  });
  const canEnd = end !== undefined;
  return useMemo(() => {
    if (!canEnd) return undefined;
    return () => {
      const refusal = latest.current?.() ?? null;
      if (refusal) say(refusal);
    };
  }, [canEnd, say]);
}

/** What a tool is drawing corner by corner, for the plan to show and to take keys for; null: nothing. */
export function usePen(pen: Pen | null): void {
  const store = useProjectStore();
  useEffect(() => {
    if (!pen) return;
    store.setState({ pen });
    return () => {
      // Another tool may draw by now.
      if (store.getState().pen === pen) store.setState({ pen: null });
    };
  }, [store, pen]);
}

/** A tool that takes a window in the plan: its two corners; null: not now. */
export function usePlanWindow(take: ((from: Point, to: Point) => void) | null): void {
  const latest = useRef(take);
  useEffect(() => {
    latest.current = take;
  });
  useBusy(take && (() => ({ with: 'window', take: (from, to) => latest.current?.(from, to) })));
}

/** A tool that lets lines be chosen in the plan: those chosen so far, and how they are chosen from here. Another that `asks` begins anew; null: not now. */
export function usePlanLines(asks: string | null): [readonly Id[], (chosen: readonly Id[]) => void] {
  const { busy, set } = useSlice('busy', 'set');
  useBusy(asks === null ? null : () => ({ with: 'lines', chosen: [] }), asks ?? '');
  return [(asks !== null && chosenLines(busy)) || NONE, (chosen) => set({ busy: { with: 'lines', chosen } })];
}

const NONE: readonly Id[] = [];

/** What a tool would make, shown in the plan as long as the tool is open. */
export function useGhost(ghost: Ghost | null): void {
  const { set } = useSlice('set');
  const text = JSON.stringify(ghost);
  useEffect(() => set({ ghost: JSON.parse(text) as Ghost | null }), [text, set]);
  useEffect(() => () => set({ ghost: null }), [set]);
}
