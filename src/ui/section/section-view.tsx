'use client';

import { useEffect, useMemo, useRef, useState } from 'react';
import { drawSection } from '@/core/drawing/draw-section';
import { partOf } from '@/core/drawing/part-of';
import { isShown, withoutKinds } from '@/core/drawing/shown-kinds';
import { elevationPlane, planeAlong, type SectionPlane } from '@/core/drawing/section-plane';
import type { Drawing, Primitive } from '@/core/drawing/drawing';
import type { Point } from '@/core/geometry/point';
import type { Solved } from '@/core/solving/solved';
import { formatElevation, formatLength } from '@/core/units/format-length';
import { readPlaceText, writePlace } from '../fields/place-text';
import type { StripEdit } from '../height-strip/strip-dimensions';
import { StripPopover } from '../height-strip/strip-popover';
import { useChosen } from '../session/use-chosen';
import { useProject } from '../session/store';
import { hitIndex } from '../surface/hit-index';
import { OthersLayer } from '../surface/others-layer';
import { PaintPrimitive } from '../surface/paint-primitive';
import { WhatIsShown } from '../surface/what-is-shown';
import { SurfaceFoot } from '../surface/surface-foot';
import { LEAST_ON_SCREEN_MM, useFit, useZoom } from '../surface/use-fitted-zoom';
import { UnderlayLayer } from '../underlays/underlay-layer';
import { useUnderlays } from '../underlays/use-underlays';
import { pointOfPlace } from './point-of-place';
import type { Change } from '@/core/commands/command-inputs';
import { useHandle } from '../surface/use-handle';
import { useSize } from '../surface/use-size';
import { PointerWords } from '../plan/pointer-tag';
import type { Told } from '../plan/shape-handles';
import { LevelButtons } from './level-buttons';
import { SectionHead, SIDES } from './section-head';
import { SectionHandles } from './section-handles';

const REACH_PX = 6;
const ALWAYS = () => true;

/** A level mark or a head being dragged: where it began and is, in the drawing. */
interface MarkDrag {
  primitive: Primitive;
  from: Point;
  to: Point;
  isMoved: boolean;
}

/**
 * A section along a grid or setting-out line or a line drawn in plan, or an elevation. Level marks are typed anew where
 * they stand; marks and heads are dragged to a place of their own.
 */
export function SectionView() {
  const project = useProject((shown) => shown);
  const { framework, solved, building, display, selection, level, mayEdit, hidden, part, set } = project;
  const chosen = useChosen();
  const [choice, setChoice] = useState<string>('south');
  const [[from, to], setPoints] = useState<[string, string]>(['', '']);
  const [marks, setMarks] = useState<{ left: string | null; right: string | null } | null>(null);
  const [drag, setDrag] = useState<MarkDrag | null>(null);
  const wasDragged = useRef(false);
  const [edit, setEdit] = useState<{ edit: StripEdit; anchor: { x: number; y: number } } | null>(null);
  const svg = useRef<SVGSVGElement>(null);
  /** A press on a mark or a head drags it; elsewhere it moves the drawing. */
  const mayPan = useRef<(event: Event) => boolean>(ALWAYS);
  const view = useZoom(svg, mayPan);
  const { transform, scale } = view;
  const room = useSize(svg);
  const [told, setTold] = useState<Told | null>(null);
  const [a, b] = [readPlaceText(from, display), readPlaceText(to, display)];
  const [inputA, inputB] = [a.ok ? a.value.input : null, b.ok ? b.value.input : null];
  const plane = useMemo((): SectionPlane | null => {
    if (!solved || !building) return null;
    if (choice === 'points') {
      const ends = [inputA, inputB].map((input) => input && pointOfPlace(framework, building, input));
      return ends[0] && ends[1] ? { from: ends[0], to: ends[1], isCut: true } : null;
    }
    return planeOf(solved, building, choice);
  }, [framework, solved, building, choice, inputA, inputB]);
  const viewName = SIDES.some(([side]) => side === choice) ? `elevation ${choice}` : `section ${choice}`;
  const under = useUnderlays(viewName);
  const parted = useMemo(
    () => solved && partOf(solved, { ...part, crop: null, without: part.without.filter((id) => id !== building) }),
    [solved, part, building],
  );
  const whole = useMemo<Drawing>(
    () =>
      parted && building && plane
        ? drawSection(parted, {
            building,
            plane,
            scale,
            leastTextMm: LEAST_ON_SCREEN_MM,
            writeLength: (mm) => formatLength(mm, display),
            writeElevation: (mm) => formatElevation(mm, display),
            view: viewName,
            marks: marks ?? { left: null, right: building },
            shows: { key: [...hidden].sort().join(), is: isShown(framework, hidden) },
          })
        : { primitives: [], marks: [], box: null },
    [parted, building, plane, scale, display, viewName, marks, hidden, framework],
  );
  const drawing = useMemo(() => withoutKinds(framework, whole, hidden), [framework, whole, hidden]);
  const hits = useMemo(() => hitIndex(drawing), [drawing]);
  const fit = useFit(svg, view, drawing.box);
  const latestFit = useRef(fit);
  useEffect(() => {
    latestFit.current = fit;
  }, [fit]);
  useEffect(() => latestFit.current(), [choice]);

  useEffect(() => {
    const cut = choice === 'points' && plane ? { from: plane.from, to: plane.to } : null;
    set({ cutLine: cut });
    // The line is shown in the plan while this view is open.
  }, [choice, plane, set]);
  useEffect(() => () => set({ cutLine: null, busy: null }), [set]);
  const drawInPlan = () => {
    let start: Point | null = null;
    const write = (at: Point) => writePlace(framework, building!, at.x, at.y, display);
    project.set({
      ...(project.tab === 'plan' || project.beside === 'plan'
        ? {}
        : project.tab === 'section'
          ? { beside: 'plan' as const }
          : { tab: 'plan' as const, beside: 'section' as const }),
      step: null,
      busy: {
        with: 'points',
        tell: (at, phase) => {
          if (phase === 'press' && !start) {
            start = at;
            setPoints([write(at), '']);
          } else if (start && (phase === 'press' || phase === 'release')) {
            if (Math.abs(at.x - start.x) + Math.abs(at.y - start.y) < 500) return;
            setPoints([write(start), write(at)]);
            project.set({ busy: null });
          }
        },
      },
    });
  };
  const toModel = (event: { clientX: number; clientY: number }): Point => {
    const frame = svg.current!.getBoundingClientRect();
    const [x, y] = transform.invert([event.clientX - frame.left, event.clientY - frame.top]);
    return { x, y: -y };
  };
  const markUnder = (event: { clientX: number; clientY: number }): Primitive | null => {
    const primitive = hits.primitiveAt(toModel(event), REACH_PX / transform.k);
    const isMark = primitive && DRAGGED.has(primitive.style);
    return isMark && mayEdit ? primitive : null;
  };
  useEffect(() => {
    mayPan.current = (event) =>
      !(event instanceof MouseEvent) || (!(event.target as Element).closest('[data-end]') && markUnder(event) === null);
  });
  const bind = useHandle<null, { drag: MarkDrag }>({
    takesFocus: true,
    begin: (_, at, event) => {
      wasDragged.current = false;
      const primitive = event.button === 0 ? markUnder(at) : null;
      const from = toModel(at);
      return primitive && { drag: { primitive, from, to: from, isMoved: false } };
    },
    move: (held, at) => {
      const { from, isMoved } = held.drag;
      const to = toModel(at);
      const far = Math.abs(to.x - from.x) + Math.abs(to.y - from.y) > 5 / transform.k;
      held.drag = { ...held.drag, to, isMoved: isMoved || far };
      setDrag(held.drag);
    },
    end: ({ drag: last }, _, isTaken) => {
      setDrag(null);
      wasDragged.current = last.isMoved;
      const setting = isTaken && last.isMoved && building ? markSetting(solved!, last, drawing) : null;
      const refusal = setting && project.run('views.setMark', { building: building!, view: viewName, ...setting });
      if (refusal) project.say(refusal);
    },
  });
  const hasOwnMarks = solved?.marks.some((mark) => mark.building === building && mark.view === viewName) ?? false;
  const lines = solved?.lines.filter((line) => line.building === building && line.label !== null) ?? [];
  const clicked = (event: React.MouseEvent) => {
    if (!solved || wasDragged.current) return;
    const frame = svg.current!.getBoundingClientRect();
    const [x, y] = transform.invert([event.clientX - frame.left, event.clientY - frame.top]);
    const hit = hits.at({ x, y: -y }, REACH_PX / transform.k);
    const shown = solved.levels.find(({ id }) => id === hit);
    if (!shown) return project.select(hit ? [hit] : []);
    project.set({ level: shown.id, selection: [shown.id] });
    if (mayEdit) setEdit({ edit: { kind: 'elevation', level: shown }, anchor: { x: event.clientX, y: event.clientY } });
  };
  /** All that can be done with what lies there. */
  const asked = (event: React.MouseEvent) => {
    event.preventDefault();
    const hit = hits.at(toModel(event), REACH_PX / transform.k, selection);
    if (hit && !chosen.has(hit)) project.select([hit]);
    if (hit || selection.length > 0) project.set({ menu: { x: event.clientX, y: event.clientY } });
  };
  const only = mayEdit && selection.length === 1 ? selection[0]! : null;
  const lit: ReadonlySet<string> = level && selection.length === 0 ? new Set([level]) : chosen;
  const edited = solved?.levels.find(({ id }) => id === edit?.edit.level.id);
  const endsWrong = (from && !a.ok && a.refusal.message) || (to && !b.ok && b.refusal.message) || 'Type both points';
  return (
    <div className="relative flex min-h-0 min-w-0 flex-1 flex-col">
      <SectionHead
        choice={choice}
        onChoose={setChoice}
        ends={[from, to]}
        onEnds={setPoints}
        wrong={choice === 'points' && !plane ? endsWrong : null}
        onDraw={drawInPlan}
        marks={marks ?? { left: null, right: building }}
        onMarks={setMarks}
        onClearMarks={
          hasOwnMarks && mayEdit && building
            ? () => project.run('views.clearMarks', { building, view: viewName })
            : null
        }
      />
      <div className="relative min-h-0 flex-1">
        <WhatIsShown view="section" />
        <svg
          ref={svg}
          className="absolute inset-0 size-full touch-none select-none"
          role="img"
          aria-label={`Section: ${nameOf(choice, lines)}`}
          {...bind(null)}
          onClick={clicked}
          onContextMenu={asked}
        >
          <g transform={transform.toString()}>
            <UnderlayLayer underlays={under.underlays} sheets={under.sheets} urlOf={under.urlOf} />
            {drawing.primitives.map((primitive, i) => (
              <PaintPrimitive key={i} primitive={primitive} chosen={primitive.id !== null && lit.has(primitive.id)} />
            ))}
            <OthersLayer drawing={drawing} pxPerMm={transform.k} />
            {only && plane && (
              <SectionHandles
                key={only}
                id={only}
                drawing={drawing}
                plane={plane}
                pxPerMm={transform.k}
                toModel={toModel}
                onTold={setTold}
              />
            )}
            {drag?.isMoved && (
              <g transform={`translate(${drag.to.x - drag.from.x} ${-(drag.to.y - drag.from.y)})`} opacity="0.6">
                {drawing.primitives.map((primitive, i) =>
                  primitive.id === drag.primitive.id && DRAGGED.has(primitive.style) ? (
                    <PaintPrimitive key={i} primitive={primitive} chosen />
                  ) : null,
                )}
              </g>
            )}
          </g>
        </svg>
        {mayEdit && solved && building && (
          <LevelButtons
            solved={solved}
            building={building}
            drawing={drawing}
            transform={transform}
            onEdit={(next, anchor) => setEdit({ edit: next, anchor })}
          />
        )}
        {told && (
          <PointerWords
            at={{ x: transform.applyX(told.at.x), y: transform.applyY(-told.at.y) }}
            room={room}
            words={told.words}
          />
        )}
      </div>
      <SurfaceFoot pxPerMm={transform.k} display={display} hasDrawing={drawing.box !== null} onFit={fit} />
      {edit && edited && (
        <StripPopover
          key={`${edit.edit.kind} ${edited.id}`}
          edit={{ ...edit.edit, level: edited }}
          anchor={edit.anchor}
          onClose={() => setEdit(null)}
        />
      )}
    </div>
  );
}

/** What of a mark or head is dragged. */
const DRAGGED = new Set(['bubble', 'bubbleText', 'levelText', 'levelTextLeft', 'levelMark']);

/** The setting for a dragged mark: how far from its usual place for a level, from the line's end for a head. */
function markSetting(
  solved: Solved,
  { primitive, from, to }: MarkDrag,
  drawing: Drawing,
): Change<'views.setMark', 'building' | 'view'> | null {
  const by = { x: to.x - from.x, y: to.y - from.y };
  if (!primitive.id) return null;
  const own = drawing.primitives.filter(({ id }) => id === primitive.id);
  if (primitive.style === 'bubble' || primitive.style === 'bubbleText') {
    const text = own.find(({ style }) => style === 'bubbleText');
    const line = own.find(({ type, style }) => type === 'path' && style.startsWith('gridLine'));
    if (text?.type !== 'text' || line?.type !== 'path') return null;
    const end = line.points.reduce((most, point) => (point.y > most.y ? point : most));
    // Out is upwards: across is to the left.
    return {
      of: primitive.id,
      end: 1,
      placed: {
        acrossMm: Math.round(-(text.at.x + by.x - end.x)),
        outMm: Math.round(text.at.y + by.y - end.y),
      },
    };
  }
  const level = solved.levels.find(({ id }) => id === primitive.id);
  const text = own.find(({ style }) => style === 'levelText' || style === 'levelTextLeft');
  const line = own.find(({ style }) => style.startsWith('levelLine'));
  if (!level || text?.type !== 'text' || line?.type !== 'path') return null;
  const isRight = text.style === 'levelText';
  const known = solved.marks.find((mark) => mark.of === level.id && mark.end === (isRight ? 1 : 0));
  return {
    of: level.id,
    end: isRight ? 1 : 0,
    placed: {
      acrossMm: Math.round(text.at.y + by.y - line.points[0]!.y),
      outMm: Math.round((known?.placed?.outMm ?? 0) + (isRight ? by.x : -by.x)),
    },
  };
}

function planeOf(solved: Solved, building: string, choice: string): SectionPlane | null {
  const side = SIDES.find(([each]) => each === choice);
  if (side) return elevationPlane(solved, building, side[0]);
  const line = [...solved.lines, ...solved.settingOut].find(({ id }) => id === choice);
  return line ? planeAlong(line) : elevationPlane(solved, building, 'south');
}

const nameOf = (choice: string, lines: Solved['lines']): string =>
  SIDES.find(([side]) => side === choice)?.[1] ??
  (choice === 'points' ? 'along a drawn line' : `along ${lines.find(({ id }) => id === choice)?.label ?? ''}`);
