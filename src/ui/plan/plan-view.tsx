'use client';

import { useEffect, useMemo, useRef, useState } from 'react';
import { drawPlan } from '@/core/drawing/draw-plan';
import type { PlanView as PlanOf } from '@/core/drawing/plan-view';
import { ghostsOf, withoutKinds } from '@/core/drawing/shown-kinds';
import type { Drawing } from '@/core/drawing/drawing';
import { HEAD_RADIUS } from '@/core/drawing/grid-heads';
import { affineOf } from '@/core/geometry/affine';
import { endsOf, leftOf } from '@/core/geometry/curve';
import { distance, dot, minus, quantised, type Point } from '@/core/geometry/point';
import { bounds } from '@/core/geometry/polygon';
import type { Id } from '@/core/model/ids';
import type { SolvedLine } from '@/core/solving/solved';
import { formatArea, formatElevation, formatLength } from '@/core/units/format-length';
import { useChosen } from '../session/use-chosen';
import { chosenLines, withLine } from '../session/busy';
import { useProject } from '../session/store';
import { WhatIsShown } from '../surface/what-is-shown';
import { SurfaceFoot } from '../surface/surface-foot';
import { useHandle, type PointerAt } from '../surface/use-handle';
import { LEAST_ON_SCREEN_MM, useFit, useZoom } from '../surface/use-fitted-zoom';
import { hitIndex } from '../surface/hit-index';
import { GhostCurve } from '../surface/curve-path';
import { dragLine, type LineDrag } from './drag-line';
import { nearestOnSheet } from '../underlays/use-sheets';
import { UnderlayLayer } from '../underlays/underlay-layer';
import { useUnderlays } from '../underlays/use-underlays';
import { OwnHandles } from './own-handles';
import { ShapeHandles, type Told } from './shape-handles';
import { LineHandles } from './line-handles';
import { OthersLayer } from '../surface/others-layer';
import { inSteps } from './drag-step';
import { useSize } from '../surface/use-size';
import { PlanOverlays } from './plan-overlays';
import { Carried, GhostLabels, Ground, GROUND, Outline, Painted } from './plan-parts';
import { PenLayer } from './pen-layer';
import { usePointer } from './use-pointer';

const REACH_PX = 7;

type Gesture =
  /** A point that a tool takes. */
  | { kind: 'point' }
  /** `touched`: what is partly in it too. */
  | { kind: 'window'; from: Point; to: Point; touched: boolean }
  /** `hasPoint`: it is moved by a point of its own, not by where it was pressed. */
  | { kind: 'move'; from: Point; hasPoint: boolean; by: Point; words: string }
  /** A line alone moves across itself. */
  | { kind: 'line'; id: Id; from: Point; drag: LineDrag | null }
  /** The head of a grid line is placed by hand. */
  | { kind: 'head'; id: Id; end: 0 | 1; at: Point; moved: boolean };

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
  const [gesture, setGesture] = useState<Gesture | null>(null);
  const [beneath, setBeneath] = useState<{ at: Point; ids: Id[]; isShown: boolean } | null>(null);
  const [told, setTold] = useState<Told | null>(null);
  /** True after a drag, whose release is a press as well and must not choose anew. */
  const wasDragged = useRef(false);
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

  const isMovable = (id: Id | null) => id !== null && chosen.has(id) && mayEdit && !lines;
  useEffect(() => {
    mayPan.current = (event) =>
      event instanceof MouseEvent &&
      !tell &&
      busy?.with !== 'window' &&
      !isMovable(hits.at(toModel(event), reachMm, selection));
  });

  const isLine = (id: Id) =>
    Boolean(solved?.lines.some((line) => line.id === id) || solved?.settingOut.some((line) => line.id === id));

  /** The head of a grid line under a point, and the end of the line it is at. */
  const headAt = (at: Point): Extract<Gesture, { kind: 'head' }> | null => {
    const primitive = hits.primitiveAt(at, reachMm, selection);
    if (!primitive?.id || (primitive.style !== 'bubble' && primitive.style !== 'bubbleText')) return null;
    const line = solved?.lines.find(({ id }) => id === primitive.id);
    if (!line) return null;
    const end = distance(at, line.ends[0]) < distance(at, line.ends[1]) ? 0 : 1;
    return { kind: 'head', id: line.id, end, at, moved: false };
  };

  /** Puts a head where it was dropped, in every plan; what the line's ends are says how far across and outwards that is. */
  const placeHead = ({ id, end, at }: Extract<Gesture, { kind: 'head' }>) => {
    const line = solved?.lines.find((each) => each.id === id);
    if (!line || !building) return;
    const out = outOf(line, end);
    const shift = minus(at, line.ends[end]);
    const refusal = project.run('views.setMark', {
      building,
      view: 'plan',
      of: id,
      end,
      placed: { acrossMm: Math.round(dot(shift, { x: -out.y, y: out.x })), outMm: Math.round(dot(shift, out)) },
    });
    if (refusal) project.say(refusal);
  };

  /** What a press begins: a point for a tool, a window, or a thing that is moved; null: the drawing is moved. */
  const begun = (at: PointerAt, event: React.PointerEvent): Gesture | null => {
    wasDragged.current = false;
    if (event.button !== 0 || !solved || !building) return null;
    if (tell) {
      // The tool may be done by the release, whose press must not choose anything.
      wasDragged.current = true;
      // What is being drawn stays where it is.
      view.keep();
      pointer.press(toModel(at));
      return { kind: 'point' };
    }
    const from = toModel(at);
    const hit = hits.at(from, reachMm, selection);
    if (busy?.with === 'window' || (event.shiftKey && !hit))
      return { kind: 'window', from, to: from, touched: event.altKey };
    if (!isMovable(hit)) return null;
    const head = headAt(from);
    if (head) return head;
    if (isLine(hit!) && selection.length === 1) return { kind: 'line', id: hit!, from, drag: null };
    const own = solved.columns.find(({ stack }) => stack === hit)?.at;
    // A column is moved by its centre, so it lands on crossings.
    return { kind: 'move', from: own ?? from, hasPoint: own !== undefined, by: { x: 0, y: 0 }, words: '' };
  };

  const draggedTo = (now: Gesture, at: PointerAt): Gesture => {
    switch (now.kind) {
      case 'point':
        hovered(at);
        return now;
      case 'window':
        return { ...now, to: toModel(at) };
      case 'line':
        return { ...now, drag: dragLine(framework, now.id, now.from, toModel(at), project.mode, display) };
      case 'head': {
        const to = toModel(at);
        return { ...now, at: to, moved: now.moved || distance(to, now.at) > 0 };
      }
      case 'move': {
        const point = pointer.at(toModel(at));
        // As far as the words say: in round steps, but just onto what it snaps to where it has a point of its own.
        const free = minus(point.at, now.from);
        const by = point.isFree || !now.hasPoint ? inSteps(free, display) : quantised(free);
        const words = `${point.words}: ${formatLength(by.x, display)}, ${formatLength(by.y, display)}`;
        return { ...now, by, words };
      }
    }
  };

  /** Does what was dragged; why not, if it is refused. */
  const done = (gesture: Gesture, at: PointerAt): string | null => {
    if (gesture.kind === 'point') tell?.(pointer.where(toModel(at)).at, 'release');
    if (gesture.kind === 'window') {
      if (busy?.with === 'window') busy.take(gesture.from, gesture.to);
      else
        project.select(
          gesture.touched ? hits.touched(gesture.from, gesture.to) : hits.within(gesture.from, gesture.to),
        );
    }
    if (gesture.kind === 'head' && gesture.moved) placeHead(gesture);
    if (gesture.kind === 'line' && gesture.drag) return project.send(gesture.drag.edit);
    if (gesture.kind !== 'move' || (gesture.by.x === 0 && gesture.by.y === 0)) return null;
    return project.run('elements.move', { ids: selection, xMm: gesture.by.x, yMm: gesture.by.y });
  };

  const bind = useHandle<null, { gesture: Gesture; moved: boolean }>({
    takesFocus: true,
    begin: (_, at, event) => {
      const begins = begun(at, event);
      return begins && { gesture: begins, moved: false };
    },
    move: (held, at) => {
      held.gesture = draggedTo(held.gesture, at);
      held.moved = true;
      setGesture(held.gesture);
    },
    end: ({ gesture: last, moved }, at, isTaken) => {
      wasDragged.current ||= moved && isDrag(last);
      // A tool whose drag is given up is told that it ended, or it would go on with the pointer let go.
      if (!isTaken && last.kind === 'point') tell?.(pointer.where(toModel(at)).at, 'release');
      const refusal = isTaken ? done(last, at) : null;
      if (refusal) project.say(refusal);
      setGesture(null);
    },
  });

  /** A tool that takes points is told where the pointer is. */
  const hovered = (at: PointerAt) => {
    if (!tell || !solved || !building) return;
    const snap = pointer.moved(toModel(at));
    if (snap) tell(snap.at, 'move');
  };

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

/** Away from a line at one of its ends. */
function outOf(line: SolvedLine, end: 0 | 1): Point {
  if (line.curve.kind === 'arc') {
    const side = leftOf(line.curve, line.ends[end]);
    return end === 0 ? { x: -side.y, y: side.x } : { x: side.y, y: -side.x };
  }
  const way = minus(line.ends[end], line.ends[1 - end]!);
  const size = distance(line.ends[0], line.ends[1]) || 1;
  return { x: way.x / size, y: way.y / size };
}

/** Whether it was dragged anywhere, so that its release chooses nothing. */
const isDrag = (gesture: Gesture): boolean =>
  gesture.kind === 'window' ||
  (gesture.kind === 'move' && gesture.words !== '') ||
  (gesture.kind === 'line' && gesture.drag !== null) ||
  (gesture.kind === 'head' && gesture.moved);
