'use client';

import { useEffect, useMemo, useRef, useState } from 'react';
import { drawPlan } from '@/core/drawing/draw-plan';
import type { Drawing } from '@/core/drawing/drawing';
import { times, type Point } from '@/core/geometry/point';
import { bounds } from '@/core/geometry/polygon';
import { acrossLine } from '@/core/grids/resolve-grids';
import type { Id } from '@/core/model/ids';
import { formatElevation, formatLength } from '@/core/units/format-length';
import { useProject } from '../session/store';
import { SurfaceFoot } from '../surface/surface-foot';
import { useFit, useZoom } from '../surface/use-fitted-zoom';
import { hitIndex } from '../surface/hit-index';
import { PaintPrimitive } from '../surface/paint-primitive';
import { snap } from './snap';

const REACH_PX = 7;

type Gesture =
  | { kind: 'window'; from: Point; to: Point }
  /** Chosen things are moved; a grid line only across itself, by `byMm`. */
  | { kind: 'move'; from: Point; by: Point; byMm?: number; words: string };

/** The plan of the current level: painted from the display list, moved and zoomed, pointed at. */
export function PlanView() {
  const project = useProject((shown) => shown);
  const { framework, solved, building, level, selection, display, chosenLines, ghost, onPlanPoint, mayEdit } = project;
  const svg = useRef<SVGSVGElement>(null);
  /** True where a press pans the drawing: nothing movable under it and no tool waiting for a point. */
  const mayPan = useRef<(event: Event) => boolean>(() => true);
  const view = useZoom(svg, mayPan);
  const { transform, scale } = view;
  const [gesture, setGesture] = useState<Gesture | null>(null);
  /** True after a drag, whose release is a press as well and must not choose anew. */
  const wasDragged = useRef(false);
  const [pointer, setPointer] = useState<{ at: Point; words: string } | null>(null);
  const drawing = useMemo<Drawing>(
    () =>
      solved && building && level
        ? drawPlan(solved, { building, level, scale, cutAboveMm: 1200, writeLength: (mm) => formatLength(mm, display) })
        : { primitives: [], marks: [], box: null },
    [solved, building, level, scale, display],
  );
  const hits = useMemo(() => hitIndex(drawing), [drawing]);

  const ghostBox = useMemo(() => {
    const shown = ghost?.rings.flat() ?? [];
    return shown.length > 1 ? bounds(shown) : null;
  }, [ghost]);

  const fit = useFit(svg, view, drawing.box ?? ghostBox);

  const toModel = (event: { clientX: number; clientY: number }): Point => {
    const box = svg.current!.getBoundingClientRect();
    const [x, y] = transform.invert([event.clientX - box.left, event.clientY - box.top]);
    return { x, y: -y };
  };
  const reachMm = REACH_PX / transform.k;
  const taken = (event: { clientX: number; clientY: number }) =>
    snap(solved!, building!, level, toModel(event), reachMm * 1.6, display);

  const isMovable = (id: Id | null) => id !== null && selection.includes(id) && mayEdit && !chosenLines;
  useEffect(() => {
    mayPan.current = (event) =>
      event instanceof MouseEvent && !onPlanPoint && !isMovable(hits.at(toModel(event), reachMm));
  });

  const pressed = (event: React.PointerEvent) => {
    wasDragged.current = false;
    if (event.button !== 0 || !solved || !building) return;
    if (onPlanPoint) {
      svg.current!.setPointerCapture(event.pointerId);
      return onPlanPoint(taken(event).at, 'press');
    }
    const at = toModel(event);
    const hit = hits.at(at, reachMm);
    if (event.shiftKey && !hit) {
      svg.current!.setPointerCapture(event.pointerId);
      return setGesture({ kind: 'window', from: at, to: at });
    }
    if (isMovable(hit)) {
      svg.current!.setPointerCapture(event.pointerId);
      setGesture({ kind: 'move', from: anchorOf(hit!, at), by: { x: 0, y: 0 }, words: '' });
    }
  };

  /** The grid line that is chosen alone: it moves across itself, in round steps. */
  const lineChosen = () =>
    selection.length === 1
      ? solved?.lines.find(({ id, building: of }) => id === selection[0] && of === building)
      : undefined;
  const lineStepMm = display.system === 'imperial' ? 25.4 : 50;
  /** Where a line goes when it moves a millimetre away from the lines before it. */
  const lineAxis = (line: { id: Id }): Point => ({
    x: acrossLine(framework, line.id, { x: 1, y: 0 }),
    y: acrossLine(framework, line.id, { x: 0, y: 1 }),
  });

  /** A column is moved by its centre, so it lands on crossings. */
  const anchorOf = (id: Id, at: Point): Point => solved?.columns.find(({ stack }) => stack === id)?.at ?? at;

  const moved = (event: React.PointerEvent) => {
    if (!solved || !building) return;
    if (onPlanPoint) {
      const point = taken(event);
      setPointer(point);
      return onPlanPoint(point.at, 'move');
    }
    if (gesture?.kind === 'window') setGesture({ ...gesture, to: toModel(event) });
    if (gesture?.kind === 'move') {
      const point = taken(event);
      const free = { x: point.at.x - gesture.from.x, y: point.at.y - gesture.from.y };
      const line = lineChosen();
      if (line) {
        const byMm = Math.round(acrossLine(framework, line.id, free) / lineStepMm) * lineStepMm;
        return setGesture({
          ...gesture,
          byMm,
          by: times(lineAxis(line), byMm),
          words: `${formatLength(byMm, display)}, ${project.mode === 'push' ? 'pushing the lines beyond' : 'only this line'}`,
        });
      }
      const by = free;
      setGesture({
        ...gesture,
        by,
        words: `${point.words}: ${formatLength(by.x, display)}, ${formatLength(by.y, display)}`,
      });
    }
  };

  const released = (event: React.PointerEvent) => {
    if (!solved || !building) return;
    if (onPlanPoint) return onPlanPoint(taken(event).at, 'release');
    wasDragged.current = gesture?.kind === 'window' || (gesture?.kind === 'move' && gesture.words !== '');
    if (gesture?.kind === 'window') project.select(hits.within(gesture.from, gesture.to));
    if (gesture?.kind === 'move' && (gesture.by.x !== 0 || gesture.by.y !== 0)) {
      const line = lineChosen();
      const refusal = line
        ? project.run('grids.moveLine', { line: line.id, byMm: gesture.byMm ?? 0, mode: project.mode })
        : project.run('elements.move', { ids: selection, xMm: gesture.by.x, yMm: gesture.by.y });
      if (refusal) project.say(refusal);
    }
    setGesture(null);
  };

  const clicked = (event: React.MouseEvent) => {
    if (onPlanPoint || gesture || wasDragged.current || !solved) return;
    const hit = hits.at(toModel(event), reachMm);
    if (chosenLines) {
      const isLine = hit !== null && solved.lines.some(({ id }) => id === hit);
      if (isLine)
        project.set({
          chosenLines: chosenLines.includes(hit) ? chosenLines.filter((id) => id !== hit) : [...chosenLines, hit],
        });
      return;
    }
    if (!hit) return project.select([]);
    if (event.shiftKey)
      return project.select(selection.includes(hit) ? selection.filter((id) => id !== hit) : [...selection, hit]);
    project.select([hit]);
  };

  const shown = solved?.levels.find(({ id }) => id === level);
  const lit = new Set(chosenLines ?? selection);
  return (
    <div className="relative min-h-0 min-w-0 flex-1">
      <svg
        ref={svg}
        className={`absolute inset-0 size-full touch-none ${onPlanPoint ? 'cursor-crosshair' : ''}`}
        role="img"
        aria-label={`Plan of level ${shown?.name ?? ''}`}
        onPointerDown={pressed}
        onPointerMove={moved}
        onPointerUp={released}
        onClick={clicked}
      >
        <g transform={transform.toString()}>
          {drawing.primitives.map((primitive, i) => (
            <PaintPrimitive key={i} primitive={primitive} chosen={primitive.id !== null && lit.has(primitive.id)} />
          ))}
          {gesture?.kind === 'move' && (
            <g transform={`translate(${gesture.by.x} ${-gesture.by.y})`} opacity="0.5">
              {drawing.primitives.map((primitive, i) =>
                primitive.id && selection.includes(primitive.id) ? (
                  <PaintPrimitive key={i} primitive={primitive} chosen />
                ) : null,
              )}
            </g>
          )}
          {gesture?.kind === 'window' && (
            <Outline
              points={[
                gesture.from,
                { x: gesture.to.x, y: gesture.from.y },
                gesture.to,
                { x: gesture.from.x, y: gesture.to.y },
              ]}
            />
          )}
          {ghost?.rings.map((ring, i) => (
            <Outline key={i} points={ring} />
          ))}
          {ghost?.points.map(({ x, y }, i) => (
            <circle key={i} cx={x} cy={-y} r={5 / transform.k} fill="var(--color-now)" />
          ))}
        </g>
        {pointer && onPlanPoint && (
          <text
            x={transform.applyX(pointer.at.x) + 10}
            y={transform.applyY(-pointer.at.y) - 10}
            className="figures"
            fill="var(--color-now)"
          >
            {pointer.words}
          </text>
        )}
        {gesture?.kind === 'move' && gesture.words && (
          <text
            x={transform.applyX(gesture.from.x + gesture.by.x) + 12}
            y={transform.applyY(-(gesture.from.y + gesture.by.y)) - 12}
            className="figures"
            fill="var(--color-now)"
          >
            {gesture.words}
          </text>
        )}
      </svg>
      {!drawing.box && !ghost && (
        <p className="absolute inset-x-0 top-1/3 text-center text-ink2">
          Nothing in plan yet. Begin with Grids in the work path below.
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
      <SurfaceFoot
        pxPerMm={transform.k}
        display={display}
        hasDrawing={(drawing.box ?? ghostBox) !== null}
        note={`Cut ${formatLength(1200, display)} above FFL`}
        onFit={fit}
      />
      <span className="sr-only">{shown ? `Level ${shown.name} at ${formatElevation(shown.fflMm, display)}` : ''}</span>
    </div>
  );
}

function Outline({ points }: { points: readonly Point[] }) {
  return (
    <path
      d={`M${points.map(({ x, y }) => `${x} ${-y}`).join('L')}Z`}
      fill="var(--color-now)"
      fillOpacity="0.12"
      stroke="var(--color-now)"
      strokeWidth="1.4"
      strokeDasharray="5 3"
      vectorEffect="non-scaling-stroke"
    />
  );
}
