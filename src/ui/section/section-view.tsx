'use client';

import { useEffect, useMemo, useRef, useState } from 'react';
import { drawSection } from '@/core/drawing/draw-section';
import { elevationPlane, planeAlong, type SectionPlane, type Side } from '@/core/drawing/section-plane';
import type { Drawing } from '@/core/drawing/drawing';
import type { Solved } from '@/core/solving/solved';
import { formatElevation, formatLength } from '@/core/units/format-length';
import { readPlaceText } from '../fields/place-text';
import { StripPopover } from '../height-strip/strip-popover';
import { useProject } from '../session/store';
import { hitIndex } from '../surface/hit-index';
import { PaintPrimitive } from '../surface/paint-primitive';
import { SurfaceFoot } from '../surface/surface-foot';
import { useFit, useZoom } from '../surface/use-fitted-zoom';
import { pointOfPlace } from './point-of-place';

const REACH_PX = 6;
const SIDES: readonly (readonly [Side, string])[] = [
  ['south', 'South elevation'],
  ['east', 'East elevation'],
  ['north', 'North elevation'],
  ['west', 'West elevation'],
];
const ALWAYS = () => true;

/** A section along a grid line or between two points, or an elevation; level marks are typed anew where they stand. */
export function SectionView() {
  const project = useProject((shown) => shown);
  const { framework, solved, building, display, selection, level, mayEdit } = project;
  const [choice, setChoice] = useState<string>('south');
  const [[from, to], setPoints] = useState<[string, string]>(['', '']);
  const [edit, setEdit] = useState<{ levelId: string; anchor: { x: number; y: number } } | null>(null);
  const svg = useRef<SVGSVGElement>(null);
  const mayPan = useRef<(event: Event) => boolean>(ALWAYS);
  const view = useZoom(svg, mayPan);
  const { transform, scale } = view;
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
  const drawing = useMemo<Drawing>(
    () =>
      solved && building && plane
        ? drawSection(solved, {
            building,
            plane,
            scale,
            writeLength: (mm) => formatLength(mm, display),
            writeElevation: (mm) => formatElevation(mm, display),
          })
        : { primitives: [], marks: [], box: null },
    [solved, building, plane, scale, display],
  );
  const hits = useMemo(() => hitIndex(drawing), [drawing]);
  const fit = useFit(svg, view, drawing.box);
  const latestFit = useRef(fit);
  useEffect(() => {
    latestFit.current = fit;
  }, [fit]);
  useEffect(() => latestFit.current(), [choice]);

  const lines = solved?.lines.filter((line) => line.building === building && line.label !== null) ?? [];
  const clicked = (event: React.MouseEvent) => {
    if (!solved) return;
    const frame = svg.current!.getBoundingClientRect();
    const [x, y] = transform.invert([event.clientX - frame.left, event.clientY - frame.top]);
    const hit = hits.at({ x, y: -y }, REACH_PX / transform.k);
    const shown = solved.levels.find(({ id }) => id === hit);
    if (!shown) return project.select(hit ? [hit] : []);
    project.set({ level: shown.id, selection: [shown.id] });
    if (mayEdit) setEdit({ levelId: shown.id, anchor: { x: event.clientX, y: event.clientY } });
  };
  const lit = new Set(level && selection.length === 0 ? [level] : selection);
  const edited = solved?.levels.find(({ id }) => id === edit?.levelId);
  const box = 'rounded-sm border border-hair bg-sheet px-1.5 py-0.5';
  return (
    <div className="relative flex min-h-0 min-w-0 flex-1 flex-col">
      <div className="flex flex-wrap items-baseline gap-2 px-4 pt-2.5">
        <select
          aria-label="What is drawn"
          className={box}
          value={choice}
          onChange={(event) => setChoice(event.target.value)}
        >
          {SIDES.map(([side, words]) => (
            <option key={side} value={side}>
              {words}
            </option>
          ))}
          {lines.map(({ id, label }) => (
            <option key={id} value={id}>
              Section along {label}
            </option>
          ))}
          <option value="points">Section between two points</option>
        </select>
        {choice === 'points' &&
          (['from', 'to'] as const).map((end, i) => (
            <label key={end} className="flex items-baseline gap-1 text-ink2">
              {end}
              <input
                className={`${box} figures w-32`}
                placeholder={i === 0 ? 'A-1 + 0,3000' : 'A-7 + 0,3000'}
                value={i === 0 ? from : to}
                onChange={({ target }) => setPoints(i === 0 ? [target.value, to] : [from, target.value])}
              />
            </label>
          ))}
        {choice === 'points' && !plane && (
          <span role="status" className="text-ink2">
            {(from && !a.ok && a.refusal.message) || (to && !b.ok && b.refusal.message) || 'Type both points'}
          </span>
        )}
      </div>
      <div className="relative min-h-0 flex-1">
        <svg
          ref={svg}
          className="absolute inset-0 size-full touch-none"
          role="img"
          aria-label={`Section: ${nameOf(choice, lines)}`}
          onClick={clicked}
        >
          <g transform={transform.toString()}>
            {drawing.primitives.map((primitive, i) => (
              <PaintPrimitive key={i} primitive={primitive} chosen={primitive.id !== null && lit.has(primitive.id)} />
            ))}
          </g>
        </svg>
      </div>
      <SurfaceFoot pxPerMm={transform.k} display={display} hasDrawing={drawing.box !== null} onFit={fit} />
      {edit && edited && (
        <StripPopover
          key={edit.levelId}
          edit={{ kind: 'elevation', level: edited }}
          anchor={edit.anchor}
          onClose={() => setEdit(null)}
        />
      )}
    </div>
  );
}

function planeOf(solved: Solved, building: string, choice: string): SectionPlane | null {
  const side = SIDES.find(([each]) => each === choice);
  if (side) return elevationPlane(solved, building, side[0]);
  const line = solved.lines.find(({ id }) => id === choice);
  return line ? planeAlong(line) : elevationPlane(solved, building, 'south');
}

const nameOf = (choice: string, lines: Solved['lines']): string =>
  SIDES.find(([side]) => side === choice)?.[1] ??
  (choice === 'points' ? 'between two points' : `along ${lines.find(({ id }) => id === choice)?.label ?? ''}`);
