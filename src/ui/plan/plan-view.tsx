'use client';

import { useEffect, useMemo, useRef, useState } from 'react';
import { drawPlan } from '@/core/drawing/draw-plan';
import type { PlanView as PlanOf } from '@/core/drawing/plan-view';
import { ghostsOf, withoutKinds } from '@/core/drawing/shown-kinds';
import type { Drawing } from '@/core/drawing/drawing';
import { HEAD_RADIUS } from '@/core/drawing/grid-heads';
import { affineOf } from '@/core/geometry/affine';
import { endsOf } from '@/core/geometry/curve';
import { distance, type Point } from '@/core/geometry/point';
import { bounds } from '@/core/geometry/polygon';
import type { Id } from '@/core/model/ids';
import { formatArea, formatElevation, formatLength } from '@/core/units/format-length';
import { useChosen } from '../session/use-chosen';
import { chosenLines, withLine } from '../session/busy';
import { useProject } from '../session/store';
import { WhatIsShown } from '../surface/what-is-shown';
import { SurfaceFoot } from '../surface/surface-foot';
import type { PointerAt } from '../surface/use-handle';
import { LEAST_ON_SCREEN_MM, useFit, useZoom } from '../surface/use-fitted-zoom';
import { hitIndex } from '../surface/hit-index';
import { GhostCurve } from '../surface/curve-path';
import { nearestOnSheet } from '../underlays/use-sheets';
import { UnderlayLayer } from '../underlays/underlay-layer';
import { useUnderlays } from '../underlays/use-underlays';
import { OwnHandles } from './own-handles';
import { ShapeHandles, type Told } from './shape-handles';
import { LineHandles } from './line-handles';
import { OthersLayer } from '../surface/others-layer';
import { useSize } from '../surface/use-size';
import { PlanOverlays } from './plan-overlays';
import { Carried, GhostLabels, Ground, GROUND, Outline, Painted } from './plan-parts';
import { PenLayer } from './pen-layer';
import { usePlanGestures } from './use-plan-gestures';
import { usePointer } from './use-pointer';

const REACH_PX = 7;

/** The plan of the current level: painted from the display list, moved and zoomed, pointed at. */
export function PlanView() {
  const project = useProject((shown) => shown);
  const { framework, solved, building, level, selection, display, busy, ghost, mayEdit } = project;
  const chosen = useChosen();
  const { cutLine } = project;
  const tell = busy?.with === 'points' ? busy.tell : null;
  const lines = chosenLines(busy);
  const svg = useRef<SVGSVGElement>(null);
  /** True where a press pans the drawing: nothing movable under it and no tool waiting for a point. */
  const mayPan = useRef<(event: Event) => boolean>(() => true);
  const room = useSize(svg);
  const view = useZoom(svg, mayPan);
  const { transform, scale } = view;
  const [beneath, setBeneath] = useState<{ at: Point; ids: Id[]; isShown: boolean } | null>(null);
  const [told, setTold] = useState<Told | null>(null);
  const { hidden, ghosts } = project;
  const drawn = useMemo(() => {
    const empty: Drawing = { primitives: [], marks: [], box: null };
    if (!solved || !building || !level) return { drawing: empty, faint: [] };
    const planView: PlanOf = {
      building,
      level,
      scale,
      leastTextMm: LEAST_ON_SCREEN_MM,
      cutAboveMm: 1200,
      writeLength: (mm) => formatLength(mm, display),
      writeElevation: (mm) => formatElevation(mm, display),
      writeArea: (mm2) => formatArea(mm2, display),
    };
    return {
      drawing: withoutKinds(framework, drawPlan(solved, planView), hidden),
      faint: ghostsOf(framework, solved, planView, ghosts, hidden),
    };
  }, [framework, solved, building, level, scale, display, hidden, ghosts]);
  const { drawing } = drawn;
  // Underlays lie on the slabs and under all that is drawn.
  const layers = useMemo(() => {
    const { primitives } = drawing;
    const count = primitives.filter(({ style }) => style === 'floor' || style === 'floorZone').length;
    return { floors: primitives.slice(0, count), rest: primitives.slice(count) };
  }, [drawing]);
  const lit: ReadonlySet<Id> = useMemo(() => (lines ? new Set(lines) : chosen), [lines, chosen]);
  const under = useUnderlays('plan');
  const hits = useMemo(() => hitIndex(drawing), [drawing]);

  const ghostBox = useMemo(() => {
    const shown = [...(ghost?.rings.flat() ?? []), ...(ghost?.curves ?? []).flatMap(endsOf)];
    return shown.length > 1 ? bounds(shown) : null;
  }, [ghost]);

  // Nothing drawn yet, a plan shows so much ground; what is being drawn moves no view.
  const shownBox = drawing.box ?? (busy ? null : ghostBox);
  const fit = useFit(svg, view, shownBox ?? GROUND, drawing.box ? 'drawing' : shownBox ? 'ghost' : 'ground');

  const toModel = (event: PointerAt): Point => {
    const box = svg.current!.getBoundingClientRect();
    const [x, y] = transform.invert([event.clientX - box.left, event.clientY - box.top]);
    return { x, y: -y };
  };
  const reachMm = REACH_PX / transform.k;
  const pointer = usePointer(reachMm * 1.6, (at) =>
    under.underlays.flatMap((underlay) => {
      const sheet = under.sheets.get(underlay.sha256);
      const point = sheet && nearestOnSheet(underlay, sheet, at, reachMm * 1.6);
      return point ? [{ at: point, words: `point of ${underlay.name}` }] : [];
    }),
  );

  const { gesture, bind, wasDragged, hovered, isMovable, isLine } = usePlanGestures({
    toModel,
    hits,
    reachMm,
    pointer,
    keepView: view.keep,
  });
  useEffect(() => {
    mayPan.current = (event) =>
      event instanceof MouseEvent &&
      !tell &&
      busy?.with !== 'window' &&
      !isMovable(hits.at(toModel(event), reachMm, selection));
  });

  const clicked = (event: React.MouseEvent) => {
    if (tell || busy?.with === 'window' || gesture || wasDragged.current || !solved) return;
    const hit = hits.at(toModel(event), reachMm);
    if (lines) {
      if (hit !== null && isLine(hit)) project.set({ busy: { with: 'lines', chosen: withLine(lines, hit) } });
      return;
    }
    const all = hits.allAt(toModel(event), reachMm);
    const isAgain = beneath !== null && distance(beneath.at, toModel(event)) <= reachMm;
    if (!hit || all.length < 2) setBeneath(null);
    if (!hit) return project.select([]);
    if (event.shiftKey)
      return project.select(selection.includes(hit) ? selection.filter((id) => id !== hit) : [...selection, hit]);
    // A second press at one place goes on to what lies beneath, and names what is there.
    const chosenHere = selection.length === 1 ? all.indexOf(selection[0]!) : -1;
    const next = isAgain && chosenHere >= 0 ? all[(chosenHere + 1) % all.length]! : hit;
    project.select([next]);
    if (all.length > 1) setBeneath({ at: isAgain ? beneath.at : toModel(event), ids: all, isShown: isAgain });
  };

  /** All that can be done with what lies there, or with what is chosen already if it is among that. */
  const asked = (event: React.MouseEvent) => {
    event.preventDefault();
    if (busy || !solved) return;
    const hit = hits.at(toModel(event), reachMm, selection);
    if (hit && !chosen.has(hit)) project.select([hit]);
    if (hit || selection.length > 0) project.set({ menu: { x: event.clientX, y: event.clientY } });
  };

  const carried = project.pen?.carried;
  const shown = solved?.levels.find(({ id }) => id === level);
  const chosenLine =
    mayEdit && !busy && selection.length === 1
      ? solved?.lines.find(({ id, building: of }) => id === selection[0] && of === building)
      : undefined;
  const only = mayEdit && !busy && selection.length === 1 ? selection[0]! : null;
  // Where space is cropped to.
  const crop = project.part.crop?.building === building ? project.part.crop : null;
  const onScreen = ({ x, y }: Point) => ({ x: transform.applyX(x), y: transform.applyY(-y) });
  // What is dragged says how far and onto what.
  const said: Told | null =
    told ??
    (gesture?.kind === 'line' && gesture.drag
      ? { at: gesture.from, words: gesture.drag.words }
      : gesture?.kind === 'move' && gesture.words
        ? { at: { x: gesture.from.x + gesture.by.x, y: gesture.from.y + gesture.by.y }, words: gesture.words }
        : null);
  return (
    <div className="relative min-h-0 min-w-0 flex-1">
      <svg
        ref={svg}
        className={`absolute inset-0 size-full touch-none select-none ${busy && !lines ? 'cursor-crosshair' : ''}`}
        data-plan
        tabIndex={tell ? 0 : undefined}
        role="img"
        aria-label={`Plan of level ${shown?.name ?? ''}`}
        {...bind(null)}
        onPointerMoveCapture={(event) => event.buttons === 0 && hovered(event)}
        onClick={clicked}
        onContextMenu={asked}
      >
        <g transform={transform.toString()}>
          {!drawing.box && <Ground />}
          <Painted primitives={layers.floors} lit={lit} />
          <g opacity="0.3">
            <Painted primitives={drawn.faint} lit={null} />
          </g>
          <UnderlayLayer underlays={under.underlays} sheets={under.sheets} urlOf={under.urlOf} />
          <Painted primitives={layers.rest} lit={lit} />
          {gesture?.kind === 'move' && <Carried drawing={drawing} ids={chosen} to={[affineOf.shift(gesture.by)]} />}
          {tell && carried && pointer.now && (
            <Carried drawing={drawing} ids={carried.ids} to={carried.at(pointer.now.at)} />
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
          {ghost?.curves?.map((curve, i) => (
            <GhostCurve key={i} curve={curve} />
          ))}
          {ghost?.labels && <GhostLabels labels={ghost.labels} pxPerMm={transform.k} />}
          {gesture?.kind === 'line' && gesture.drag && <GhostCurve curve={gesture.drag.curve} />}
          {gesture?.kind === 'head' && gesture.moved && (
            <circle
              cx={gesture.at.x}
              cy={-gesture.at.y}
              r={HEAD_RADIUS * scale}
              fill="none"
              stroke="var(--color-now)"
              strokeDasharray="5 3"
              vectorEffect="non-scaling-stroke"
            />
          )}
          <OthersLayer drawing={drawing} pxPerMm={transform.k} level={level} />
          {only && (
            <>
              <ShapeHandles id={only} pxPerMm={transform.k} toModel={toModel} snapAt={pointer.at} onTold={setTold} />
              <OwnHandles id={only} pxPerMm={transform.k} toModel={toModel} onTold={setTold} />
            </>
          )}
          {crop && (
            <path
              d={`M${crop.from.x} ${-crop.from.y}H${crop.to.x}V${-crop.to.y}H${crop.from.x}Z`}
              fill="none"
              stroke="var(--color-ink2)"
              strokeDasharray="2 4"
              vectorEffect="non-scaling-stroke"
            />
          )}
          {chosenLine && <LineHandles line={chosenLine} pxPerMm={transform.k} toModel={toModel} />}
          {cutLine && <GhostCurve curve={{ kind: 'segment', ...cutLine }} />}
          {tell && <PenLayer pen={project.pen} now={pointer.now} over={pointer.over} pxPerMm={transform.k} />}
          {ghost?.points.map(({ x, y }, i) => (
            <circle key={i} cx={x} cy={-y} r={5 / transform.k} fill="var(--color-now)" />
          ))}
        </g>
      </svg>
      {!drawing.box && !ghost && (
        <p className="absolute inset-x-0 top-1/3 text-center text-ink2">
          Nothing in plan yet. Begin with Grids in the work path below.
        </p>
      )}
      <PlanOverlays
        drawing={drawing}
        pointer={pointer}
        isTold={tell !== null}
        said={said}
        isStill={!gesture && !told}
        movedBy={gesture?.kind === 'move' ? gesture.by : null}
        beneath={beneath?.isShown ? beneath : null}
        room={room}
        onScreen={onScreen}
        onLeaveBeneath={() => setBeneath(null)}
      />
      <WhatIsShown view="plan" />
      <SurfaceFoot
        pxPerMm={transform.k}
        display={display}
        hasDrawing
        note={`Cut ${formatLength(1200, display)} above the floor`}
        onFit={fit}
      />
      <span className="sr-only">{shown ? `Level ${shown.name} at ${formatElevation(shown.fflMm, display)}` : ''}</span>
    </div>
  );
}
