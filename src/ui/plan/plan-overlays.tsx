import { useMemo } from 'react';
import { boxOf, type Drawing } from '@/core/drawing/drawing';
import type { Point } from '@/core/geometry/point';
import type { Id } from '@/core/model/ids';
import { ActBar } from '../acts/act-bar';
import { HandActs } from '../acts/hand-act';
import { useSlice } from '../session/store';
import { NeighbourDistances } from './neighbour-distances';
import { PointerTag, PointerWords } from './pointer-tag';
import type { Told } from './shape-handles';
import { ThingsBeneath } from './things-beneath';
import type { usePointer } from './use-pointer';

interface PlanOverlaysProps {
  drawing: Drawing;
  pointer: ReturnType<typeof usePointer>;
  /** A tool takes points. */
  isTold: boolean;
  said: Told | null;
  /** Nothing is being dragged. */
  isStill: boolean;
  /** How far what is chosen is being dragged. */
  movedBy: Point | null;
  beneath: { at: Point; ids: Id[] } | null;
  room: { width: number; height: number };
  onScreen: (point: Point) => Point;
  onLeaveBeneath: () => void;
}

/** What stands over the plan at places of it: words at the pointer, distances, acts, what lies beneath. */
export function PlanOverlays(props: PlanOverlaysProps) {
  const { drawing, pointer, isTold, said, isStill, movedBy, beneath, room, onScreen, onLeaveBeneath } = props;
  const { selection, busy, pen, ghost, mayEdit, set } = useSlice('selection', 'busy', 'pen', 'ghost', 'mayEdit', 'set');
  const only = mayEdit && !busy && selection.length === 1 ? selection[0]! : null;
  const box = useMemo(() => {
    const wanted = new Set(selection);
    const own = drawing.primitives.filter(({ id, type }) => id !== null && type !== 'text' && wanted.has(id));
    return own.length > 0 ? boxOf(own) : null;
  }, [drawing, selection]);
  const corners = box && [onScreen({ x: box.minX, y: box.maxY }), onScreen({ x: box.maxX, y: box.minY })];
  return (
    <>
      {isTold && pointer.now && (
        <PointerTag
          at={onScreen(pointer.now.at)}
          room={room}
          words={pointer.now.words}
          measure={pointer.measure ?? pen?.at?.(pointer.now.at).words ?? null}
          entry={pointer.entry}
          secondLabel={pointer.secondLabel}
          label={pointer.entryLabel}
          refused={pointer.refused ?? pointer.over?.refused ?? null}
          onEntry={pointer.setEntry}
          onTake={pointer.takeEntry}
          onLeave={pointer.leaveEntry}
        />
      )}
      {said && <PointerWords at={onScreen(said.at)} room={room} words={said.words} />}
      {only && (isStill || movedBy) && (
        <NeighbourDistances id={only} marks={pointer.marks} onScreen={onScreen} movedBy={movedBy} />
      )}
      {beneath && !busy && selection.length === 1 && (
        <ThingsBeneath at={onScreen(beneath.at)} room={room} ids={beneath.ids} onLeave={onLeaveBeneath} />
      )}
      {corners && !busy && isStill && (
        <ActBar
          at={{ minX: corners[0]!.x, minY: corners[0]!.y, maxX: corners[1]!.x, maxY: corners[1]!.y }}
          room={room}
          onMore={(menu) => set({ menu })}
        />
      )}
      <HandActs marks={pointer.marks} />
      {pointer.hint && (
        <p
          className="pointer-events-none absolute bottom-10 left-3 rounded-sm bg-sheet/90 px-2 py-0.5 text-[11px] text-ink2"
          role="note"
        >
          {pointer.hint}
        </p>
      )}
      {ghost?.note && (
        <p
          role="status"
          className="absolute top-3 right-4 ml-4 max-w-[420px] rounded-sm bg-now-tint px-2 py-1 text-now"
        >
          {ghost.note}
        </p>
      )}
    </>
  );
}
