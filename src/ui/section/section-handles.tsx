'use client';

import { useCallback, useMemo, useState } from 'react';
import type { Sent } from '@/core/commands/command-inputs';
import { endAt, hasEnds, sillAt } from '@/core/drafting/ends-by-hand';
import { cornerHeightAt, highCorners } from '@/core/drafting/corner-heights-by-hand';
import { boxOf, type Drawing } from '@/core/drawing/drawing';
import { alongOf, depthOf, frameOf, type SectionPlane } from '@/core/drawing/section-plane';
import { dot, plus, times, type Point } from '@/core/geometry/point';
import type { Id } from '@/core/model/ids';
import { formatElevation, formatLength } from '@/core/units/format-length';
import { quantiseMm } from '@/core/units/length-units';
import type { Told } from '../plan/shape-handles';
import { dragStep } from '../plan/drag-step';
import { useSlice } from '../session/store';
import { useTried } from '../session/use-tried';
import { swallowPress, useHandle } from '../surface/use-handle';

interface SectionHandlesProps {
  id: Id;
  drawing: Drawing;
  plane: SectionPlane;
  pxPerMm: number;
  toModel: (event: { clientX: number; clientY: number }) => Point;
  onTold: (told: Told | null) => void;
}

type What =
  | { of: 'start' | 'stop' }
  | { of: 'level' }
  /** One of the corners of a sloped floor. */
  | { of: 'corner'; corner: number }
  /** One of the wall's openings. */
  | { of: 'sill'; opening: Id; level: Id };

interface Handle {
  key: string;
  what: What;
  at: Point;
  label: string;
}

const REACH_PX = 9;
/** An opening is moved where one looks at it, not along its wall: cosine of the angle. */
const FACING = 0.5;

/** Ends of what is chosen, sills of a chosen wall, corners of a sloped floor, a chosen level: dragged up and down, onto faces of levels or in steps. */
export function SectionHandles({ id, drawing, plane, pxPerMm, toModel, onTold }: SectionHandlesProps) {
  const { framework, solved, building, display, mode } = useSlice('framework', 'solved', 'building', 'display', 'mode');
  const left = useCallback(() => onTold(null), [onTold]);
  const tried = useTried(id, left);
  const [held, setHeld] = useState<string | null>(null);
  const record = framework.records.get(id);
  const handles = useMemo((): Handle[] => {
    if (!record || !solved || !('building' in record) || record.building !== building) return [];
    if (record.kind === 'level') {
      const level = solved.levels.find((each) => each.id === id);
      const line = boxOf(drawing.primitives.filter((each) => each.id === id && each.style.startsWith('levelLine')));
      if (!level || !line || level.locked) return [];
      const at = { x: line.minX + 24 / pxPerMm, y: level.fflMm };
      return [{ key: 'level', what: { of: 'level' }, at, label: `Move level ${level.name}` }];
    }
    const box = boxOf(drawing.primitives.filter((each) => each.id === id && each.type !== 'text'));
    const frame = frameOf(plane);
    const corners = highCorners(framework, id);
    if (box && frame && corners.length > 0)
      return (
        corners
          .map((at, i) => ({ at, i }))
          // What is nearer lies over what is behind it, and is the one that is pressed.
          .sort((a, b) => depthOf(frame, b.at) - depthOf(frame, a.at))
          .map(({ at, i }): Handle => ({
            key: `corner ${i}`,
            what: { of: 'corner', corner: i },
            at: { x: alongOf(frame, at), y: at.z },
            label: `Move corner ${i + 1} up or down`,
          }))
          .filter(({ at }) => at.x >= box.minX - 1 && at.x <= box.maxX + 1)
      );
    if (!box || !hasEnds(record)) return [];
    const x = (box.minX + box.maxX) / 2;
    const ends: Handle[] = [
      { key: 'stop', what: { of: 'stop' }, at: { x, y: box.maxY }, label: 'Move its top' },
      { key: 'start', what: { of: 'start' }, at: { x, y: box.minY }, label: 'Move its foot' },
    ];
    if (record.kind !== 'wall' || !frame) return ends;
    const sills = solved.walls
      .filter((piece) => piece.wall === id)
      .flatMap(({ openings }) => openings)
      .filter(({ inwards, opening }) => opening !== 'door' && Math.abs(dot(inwards, frame.into)) > FACING)
      .map((opening): Handle => {
        const at = times(plus(opening.ends[0], opening.ends[1]), 0.5);
        return {
          key: `sill ${opening.id} ${opening.level}`,
          what: { of: 'sill', opening: opening.id, level: opening.level },
          at: { x: alongOf(frame, at), y: opening.bottomMm },
          label: `Move the sill of ${opening.name}`,
        };
      });
    return [...ends, ...sills.filter(({ at }) => at.x >= box.minX - 1 && at.x <= box.maxX + 1)];
  }, [record, framework, solved, building, drawing, plane, pxPerMm, id]);
  const writing = { stepMm: dragStep(display), write: (mm: number) => formatLength(mm, display) };
  const taken = (what: What, pointer: Point): { zMm: number; words: string; sent: Sent } | null => {
    if (!solved) return null;
    if (what.of === 'sill')
      return sillAt(framework, solved, { id: what.opening, level: what.level }, pointer.y, writing);
    if (what.of === 'corner')
      return cornerHeightAt(framework, solved, { id, corner: what.corner }, pointer.y, REACH_PX / pxPerMm, writing);
    if (what.of !== 'level') return endAt(framework, solved, id, what.of, pointer.y, REACH_PX / pxPerMm, writing);
    const fflMm = quantiseMm(Math.round(pointer.y / writing.stepMm) * writing.stepMm);
    return {
      zMm: fflMm,
      words: formatElevation(fflMm, display),
      sent: { command: 'levels.setElevation', input: { level: id, fflMm, mode } },
    };
  };
  // What is dragged is told by what it was before anything was tried.
  const bind = useHandle<Handle, { handle: Handle; isMoved: boolean }>({
    begin: (handle, _, event) => {
      if (event.button !== 0) return null;
      setHeld(handle.key);
      return { handle, isMoved: false };
    },
    move: (drag, at) => {
      const pointer = toModel(at);
      const next = taken(drag.handle.what, pointer);
      if (!next) return;
      drag.isMoved = true;
      tried.show(next.sent);
      onTold({ at: { x: drag.handle.at.x, y: next.zMm }, words: next.words });
    },
    end: ({ isMoved }, _, isTaken) => {
      setHeld(null);
      onTold(null);
      if (isTaken && isMoved) swallowPress();
      tried.done(isTaken);
    },
  });
  const size = 5 / pxPerMm;
  return handles.map((handle) => {
    const { key, at, label, what } = handle;
    return (
      <path
        key={key}
        data-end={what.of}
        d={
          what.of === 'start'
            ? `M${at.x - size * 1.3} ${-at.y}H${at.x + size * 1.3}L${at.x} ${-at.y + size * 1.8}Z`
            : what.of === 'stop'
              ? `M${at.x - size * 1.3} ${-at.y}H${at.x + size * 1.3}L${at.x} ${-at.y - size * 1.8}Z`
              : `M${at.x - size} ${-at.y - size}h${2 * size}v${2 * size}h${-2 * size}Z`
        }
        fill={held === key ? 'var(--color-now)' : 'var(--color-sheet)'}
        stroke="var(--color-now)"
        strokeWidth="1.6"
        vectorEffect="non-scaling-stroke"
        className="cursor-ns-resize"
        {...bind(handle)}
      >
        <title>{label}</title>
      </path>
    );
  });
}
