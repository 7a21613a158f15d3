'use client';

import { useEffect, useMemo, useRef, useState } from 'react';
import type { Id } from '@/core/model/ids';
import type { Solved, SolvedLevel } from '@/core/solving/solved';
import { formatElevation, formatLength, type LengthDisplay } from '@/core/units/format-length';
import { layStrip, type StripLayout } from './layout-strip';

export type StripEdit =
  | { kind: 'elevation'; level: SolvedLevel }
  | { kind: 'height'; level: SolvedLevel }
  | { kind: 'insert'; level: SolvedLevel; side: 'above' | 'below' };

interface HeightStripProps {
  solved: Solved;
  building: Id;
  display: LengthDisplay;
  level: Id | null;
  selection: readonly Id[];
  /** False for a picture that cannot be edited: a preview, or for people who only look. */
  editable: boolean;
  onLevel: (level: Id) => void;
  onSelect: (ids: Id[]) => void;
  onEdit: (edit: StripEdit, anchor: { x: number; y: number }) => void;
  /** A level was dragged by its handle to another height. */
  onDrag: (level: SolvedLevel, fflMm: number) => void;
}

const WIDTH = 251;
const METRIC_X = { dimension: 17, name: 48, lineFrom: 64, lineTo: 180, mark: 182, elevation: 247 };
/** Feet and inches take more room. */
const IMPERIAL_X = { ...METRIC_X, lineTo: 140, mark: 142 };
const FIGURE_PX = 6.7;

/** Heights are dragged in steps: 50 mm, or an inch. */
const stepFor = (display: LengthDisplay): number => (display.system === 'imperial' ? 25.4 : 50);

/** The vertical picture of a building's levels, to scale, where levels are edited. */
export function HeightStrip(props: HeightStripProps) {
  const { solved, building, display, level: current, selection, editable, onLevel, onSelect, onEdit } = props;
  const frame = useRef<HTMLDivElement>(null);
  const [roomPx, setRoomPx] = useState(640);
  useEffect(() => {
    const element = frame.current;
    if (!element) return;
    const observer = new ResizeObserver(() => setRoomPx(element.clientHeight));
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  const layout = useMemo(() => layStrip(solved, building, roomPx), [solved, building, roomPx]);
  const drag = useDrag(layout, props);
  const findings = useMemo(() => levelsWithFindings(solved), [solved]);
  const X = display.system === 'imperial' ? IMPERIAL_X : METRIC_X;
  const barGap = Math.min(9, (X.lineTo - 76) / Math.max(1, layout.bars.length));
  return (
    <div ref={frame} className="relative min-h-0 flex-1 overflow-x-hidden overflow-y-auto">
      <svg width={WIDTH} height={layout.heightPx} role="group" aria-label="Height strip: the levels to scale">
        <defs>
          <pattern id="earth" width="9" height="9" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <line x1="0" y1="0" x2="0" y2="9" stroke="var(--color-hair)" strokeWidth="1" />
          </pattern>
        </defs>
        {layout.groundY < layout.heightPx - 30 && (
          <>
            <rect
              x="0"
              y={layout.groundY}
              width="58"
              height={layout.heightPx - layout.groundY}
              fill="url(#earth)"
              opacity="0.7"
            />
            <rect
              x="196"
              y={layout.groundY}
              width="56"
              height={layout.heightPx - layout.groundY}
              fill="url(#earth)"
              opacity="0.7"
            />
          </>
        )}
        <Bands layout={layout} current={current} onLevel={onLevel} />
        {layout.bars.map((bar, i) => {
          const isSelected = bar.ids.some((id) => selection.includes(id));
          return (
            <g key={bar.key} onClick={() => onSelect(bar.ids)} className="cursor-pointer">
              <title>{bar.label}</title>
              <rect
                x={70 + i * barGap}
                y={bar.top}
                width={Math.max(2.5, barGap * 0.5)}
                height={bar.bottom - bar.top}
                fill={isSelected ? 'var(--color-now)' : `var(--color-${bar.kind})`}
              />
              {bar.kind === 'shafts' && (
                <line
                  x1={70 + i * barGap}
                  x2={70 + i * barGap + Math.max(2.5, barGap * 0.5)}
                  y1={bar.top}
                  y2={bar.top}
                  stroke="var(--color-sheet)"
                  strokeDasharray="1 1"
                />
              )}
            </g>
          );
        })}
        {layout.levels.map(({ level, y, isNamed }) => {
          const isCurrent = level.id === current;
          const ink = isCurrent ? 'var(--color-now)' : 'var(--color-ink)';
          const marks = findings.get(level.id);
          const dy = drag.shiftOf(level, y);
          return (
            <g key={level.id} transform={dy === 0 ? undefined : `translate(0 ${dy})`}>
              <line
                x1={X.lineFrom}
                x2={X.lineTo}
                y1={y}
                y2={y}
                stroke={ink}
                strokeWidth={isCurrent ? 1.8 : 1}
                strokeDasharray={level.bounding ? undefined : '3 3'}
              />
              {(isNamed || isCurrent) && (
                <>
                  <text
                    x={X.name}
                    y={y + 4}
                    textAnchor="middle"
                    className="cursor-pointer text-[11px] font-bold"
                    fill={ink}
                    role="button"
                    tabIndex={0}
                    aria-label={`Level ${level.name}${level.title ? `, ${level.title}` : ''}${isCurrent ? ', current' : ''}`}
                    aria-pressed={isCurrent}
                    onClick={() => onLevel(level.id)}
                    onKeyDown={(event) => (event.key === 'Enter' || event.key === ' ') && onLevel(level.id)}
                  >
                    {level.name}
                  </text>
                  <g
                    className={editable ? 'cursor-ns-resize' : undefined}
                    onPointerDown={editable ? (event) => drag.begin(level, event) : undefined}
                  >
                    <title>{editable ? `Drag level ${level.name}` : level.name}</title>
                    {/* The pennant is small: a wider area around it takes the pointer. */}
                    <rect x={X.mark - 6} y={y - 7} width="20" height="14" fill="transparent" />
                    <path
                      d={`M${X.mark} ${y} l9 -4.5 v9 z`}
                      fill={level.bounding ? ink : 'var(--color-sheet)'}
                      stroke={ink}
                    />
                  </g>
                  <StripText
                    x={X.elevation}
                    y={y + 4}
                    anchor="end"
                    fill={ink}
                    text={formatElevation(drag.elevationOf(level), display)}
                    name={`Elevation of level ${level.name}`}
                    onPress={editable ? (anchor) => onEdit({ kind: 'elevation', level }, anchor) : undefined}
                  />
                </>
              )}
              {marks && (
                <path
                  d={`M${X.lineTo - 14} ${y - 3} l5 -9 l5 9 z`}
                  fill={marks === 'error' ? 'var(--color-wrong)' : 'var(--color-look)'}
                >
                  <title>There are findings at this level</title>
                </path>
              )}
            </g>
          );
        })}
        <Dimensions
          layout={layout}
          display={display}
          current={current}
          editable={editable}
          onEdit={onEdit}
          onLevel={onLevel}
        />
      </svg>
    </div>
  );
}

/** Pixels a piece of the strip moves while a level is dragged, and the elevation to write meanwhile. */
function useDrag(layout: StripLayout, { display, onDrag, onLevel }: HeightStripProps) {
  const [dragged, setDragged] = useState<{ level: SolvedLevel; fromY: number; mm: number } | null>(null);
  const step = stepFor(display);
  return {
    begin: (level: SolvedLevel, event: React.PointerEvent<SVGElement>) => {
      event.preventDefault();
      const target = event.currentTarget;
      target.setPointerCapture(event.pointerId);
      onLevel(level.id);
      const fromY = event.clientY;
      const at = (y: number) => Math.round((level.fflMm - (y - fromY) / layout.scale) / step) * step;
      const move = ({ clientY }: PointerEvent) => setDragged({ level, fromY, mm: at(clientY) });
      const end = ({ clientY, type }: PointerEvent) => {
        target.removeEventListener('pointermove', move);
        target.removeEventListener('pointerup', end);
        target.removeEventListener('pointercancel', end);
        setDragged(null);
        if (type === 'pointerup' && Math.abs(clientY - fromY) > 2 && at(clientY) !== level.fflMm)
          onDrag(level, at(clientY));
      };
      target.addEventListener('pointermove', move);
      target.addEventListener('pointerup', end);
      target.addEventListener('pointercancel', end);
    },
    shiftOf: (level: SolvedLevel, _y: number) =>
      dragged?.level.id === level.id ? (level.fflMm - dragged.mm) * layout.scale : 0,
    elevationOf: (level: SolvedLevel) => (dragged?.level.id === level.id ? dragged.mm : level.fflMm),
  };
}

function levelsWithFindings(solved: Solved): Map<Id, 'error' | 'warning'> {
  const worst = new Map<Id, 'error' | 'warning'>();
  for (const { level, severity } of solved.findings) {
    if (level && worst.get(level) !== 'error') worst.set(level, severity);
  }
  return worst;
}

/** The storeys as bands: pressing one chooses its level. */
function Bands({
  layout,
  current,
  onLevel,
}: {
  layout: StripLayout;
  current: Id | null;
  onLevel: (level: Id) => void;
}) {
  const storeys = layout.levels.filter(({ level }) => level.bounding);
  return storeys.map(({ level, y }, i) => {
    const above = storeys[i + 1]?.y ?? y - 14;
    const fill = level.id === current ? 'var(--color-now-tint)' : 'transparent';
    return (
      <rect
        key={level.id}
        x="0"
        y={above}
        width={WIDTH}
        height={y - above}
        fill={fill}
        onClick={() => onLevel(level.id)}
      />
    );
  });
}

interface StripTextProps {
  x: number;
  y: number;
  anchor: 'start' | 'middle' | 'end';
  fill: string;
  text: string;
  name: string;
  turned?: boolean;
  onPress?: (anchor: { x: number; y: number }) => void;
}

/** A figure on the strip that can be pressed to be typed anew. */
function StripText({ x, y, anchor, fill, text, name, turned, onPress }: StripTextProps) {
  const press = (element: Element) => {
    const box = element.getBoundingClientRect();
    onPress?.({ x: box.right, y: box.top + box.height / 2 });
  };
  return (
    <text
      x={x}
      y={y}
      textAnchor={anchor}
      fill={fill}
      transform={turned ? `rotate(-90 ${x} ${y})` : undefined}
      stroke="var(--color-sheet)"
      strokeWidth={turned ? 0 : 3}
      paintOrder="stroke"
      className={`figures text-[11px] ${onPress ? 'cursor-text' : ''}`}
      {...(onPress && {
        role: 'button',
        tabIndex: 0,
        'aria-label': `${name}, ${text}. Press to type another`,
        onClick: (event: React.MouseEvent) => press(event.currentTarget),
        onKeyDown: (event: React.KeyboardEvent) => {
          if (event.key !== 'Enter' && event.key !== ' ') return;
          event.preventDefault();
          press(event.currentTarget);
        },
      })}
    >
      {text}
    </text>
  );
}

/** Floor-to-floor heights between the levels, with the + that inserts one between. */
function Dimensions({
  layout,
  display,
  current,
  editable,
  onEdit,
  onLevel,
}: {
  layout: StripLayout;
  display: LengthDisplay;
  current: Id | null;
  editable: boolean;
  onEdit: HeightStripProps['onEdit'];
  onLevel: HeightStripProps['onLevel'];
}) {
  const [hovered, setHovered] = useState<Id | null>(null);
  const storeys = layout.levels.filter(({ level }) => level.bounding);
  const [lowest, topmost] = [storeys[0], storeys.at(-1)];
  return (
    <>
      {storeys.slice(0, -1).map(({ level, y }, i) => {
        const above = storeys[i + 1]!.y;
        const middle = (y + above) / 2;
        const isCurrent = level.id === current;
        const text = formatLength(level.storeyHeightMm ?? 0, display);
        const isUpright = y - above > text.length * FIGURE_PX + 2;
        // What does not fit along its dimension is written across it where there is room, else where it is chosen.
        const isShown = isUpright || (text.length < 6 && y - above > 24) || isCurrent || hovered === level.id;
        const across = {
          x: text.length < 6 ? METRIC_X.dimension + 22 : METRIC_X.lineFrom + 4,
          anchor: text.length < 6 ? 'middle' : 'start',
        } as const;
        const isPlus = editable && (hovered === level.id || isCurrent);
        return (
          <g key={level.id} onPointerEnter={() => setHovered(level.id)} onPointerLeave={() => setHovered(null)}>
            <rect
              x="24"
              y={above + 6}
              width="40"
              height={Math.max(0, y - above - 12)}
              fill="transparent"
              onClick={() => onLevel(level.id)}
            />
            <line
              x1={METRIC_X.dimension}
              x2={METRIC_X.dimension}
              y1={above}
              y2={y}
              stroke="var(--color-ink3)"
              strokeWidth="0.8"
            />
            {[above, y].map((tick) => (
              <line
                key={tick}
                x1={METRIC_X.dimension - 3}
                x2={METRIC_X.dimension + 3}
                y1={tick + 3}
                y2={tick - 3}
                stroke="var(--color-ink2)"
                strokeWidth="1"
              />
            ))}
            {isShown && (
              <StripText
                x={isUpright ? METRIC_X.dimension - 4 : across.x}
                y={isUpright ? middle : middle + 4}
                turned={isUpright}
                anchor={isUpright ? 'middle' : across.anchor}
                fill={isCurrent ? 'var(--color-now)' : 'var(--color-ink2)'}
                text={text}
                name={`Height of storey ${level.name}`}
                onPress={editable ? (anchor) => onEdit({ kind: 'height', level }, anchor) : undefined}
              />
            )}
            {isPlus && y - above > 16 && (
              <PlusButton
                x={METRIC_X.name}
                y={middle}
                name={`Insert a level above ${level.name}`}
                onPress={(anchor) => onEdit({ kind: 'insert', level, side: 'above' }, anchor)}
              />
            )}
          </g>
        );
      })}
      {editable && topmost && (
        <PlusButton
          x={METRIC_X.name}
          y={Math.max(9, layout.levels.at(-1)!.y - 16)}
          name={`Insert a level above ${topmost.level.name}`}
          onPress={(anchor) => onEdit({ kind: 'insert', level: topmost.level, side: 'above' }, anchor)}
          quiet
        />
      )}
      {editable && lowest && (
        <PlusButton
          x={METRIC_X.name}
          y={lowest.y + 15}
          name={`Insert a level below ${lowest.level.name}`}
          onPress={(anchor) => onEdit({ kind: 'insert', level: lowest.level, side: 'below' }, anchor)}
          quiet
        />
      )}
    </>
  );
}

function PlusButton({
  x,
  y,
  name,
  onPress,
  quiet,
}: {
  x: number;
  y: number;
  name: string;
  onPress: (anchor: { x: number; y: number }) => void;
  quiet?: boolean;
}) {
  const press = (element: Element) => {
    const box = element.getBoundingClientRect();
    onPress({ x: box.right, y: box.top + box.height / 2 });
  };
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={name}
      className={`cursor-pointer ${quiet ? 'opacity-50 hover:opacity-100 focus:opacity-100' : ''}`}
      onClick={(event) => press(event.currentTarget)}
      onKeyDown={(event) => {
        if (event.key !== 'Enter' && event.key !== ' ') return;
        event.preventDefault();
        press(event.currentTarget);
      }}
    >
      <title>{name}</title>
      <circle cx={x} cy={y} r="6.5" fill="var(--color-sheet)" stroke="var(--color-now)" />
      <path d={`M${x - 3.5} ${y} h7 M${x} ${y - 3.5} v7`} stroke="var(--color-now)" strokeWidth="1.4" />
    </g>
  );
}
