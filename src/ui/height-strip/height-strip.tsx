'use client';

import { quantiseMm } from '@/core/units/length-units';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { Id } from '@/core/model/ids';
import type { Solved, SolvedLevel } from '@/core/solving/solved';
import { formatElevation, type LengthDisplay } from '@/core/units/format-length';
import { BesideStrip } from './beside-strip';
import { layStrip, type StripLayout } from './layout-strip';
import { StripRoofs } from './strip-roofs';
import { StripDimensions, type StripEdit } from './strip-dimensions';
import { IMPERIAL_X, METRIC_X, WIDTH } from './strip-measures';
import { StripOverview } from './strip-overview';
import { figureAttributes, moveInStrip } from './strip-focus';
import { StripText } from './strip-text';
import { useHandle } from '../surface/use-handle';

interface HeightStripProps {
  solved: Solved;
  building: Id;
  /** A building whose levels stand beside, to the same scale. */
  beside?: Id | null;
  display: LengthDisplay;
  level: Id | null;
  selection: readonly Id[];
  /** False for a picture that cannot be edited: a preview, or for people who only look. */
  editable: boolean;
  onLevel: (level: Id) => void;
  /** A level of the building beside was pressed. */
  onBeside?: (level: SolvedLevel) => void;
  onSelect: (ids: Id[]) => void;
  onEdit: (edit: StripEdit, anchor: { x: number; y: number }) => void;
  /** A level was dragged by its handle to another height. */
  onDrag: (level: SolvedLevel, fflMm: number) => void;
  /** It is being dragged there, once a frame at most; null: it is no longer. */
  onTry?: (level: SolvedLevel, fflMm: number | null) => void;
  /** Scrolling over it goes from storey to storey. */
  isScrolledThrough?: boolean;
}

/** A turn of the wheel by so much is one storey, px. */
const WHEEL_PX = 40;

/** Heights are dragged in steps: 50 mm, or an inch. */
const stepFor = (display: LengthDisplay): number => (display.system === 'imperial' ? 25.4 : 50);

/** The vertical picture of a building's levels, to scale, where levels are edited. */
export function HeightStrip(props: HeightStripProps) {
  const {
    solved,
    building,
    beside = null,
    display,
    level: current,
    selection,
    editable,
    onLevel,
    onSelect,
    onEdit,
  } = props;
  const frame = useRef<HTMLDivElement>(null);
  const [roomPx, setRoomPx] = useState(640);
  useEffect(() => {
    const element = frame.current;
    if (!element) return;
    const observer = new ResizeObserver(() => setRoomPx(element.clientHeight));
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  const [scrolledPx, setScrolledPx] = useState(0);
  // While a level is dragged the strip stays as it was, and only the level moves in it; all other views show what would be.
  const [held, setHeld] = useState<Solved | null>(null);
  const stands = held ?? solved;
  const layout = useMemo(() => layStrip(stands, building, roomPx, beside), [stands, building, roomPx, beside]);
  const drag = useDrag(layout, props, setHeld);
  const findings = useMemo(() => levelsWithFindings(solved), [solved]);
  const stopAt = layout.levels.some(({ level }) => level.id === current)
    ? current
    : (layout.levels[0]?.level.id ?? null);
  // Listened to by hand: a view of React's own may not keep the page from scrolling.
  const step = useRef<(way: 1 | -1) => void>(() => undefined);
  useEffect(() => {
    step.current = (way) => {
      const at = layout.levels.findIndex(({ level }) => level.id === current);
      const next = layout.levels[at + way];
      if (next) onLevel(next.level.id);
    };
  });
  const { isScrolledThrough = false } = props;
  useEffect(() => {
    const element = frame.current;
    if (!element || !isScrolledThrough) return;
    let gathered = 0;
    const turned = (event: WheelEvent) => {
      event.preventDefault();
      gathered += event.deltaY;
      if (Math.abs(gathered) < WHEEL_PX) return;
      step.current(gathered < 0 ? 1 : -1);
      gathered = 0;
    };
    element.addEventListener('wheel', turned, { passive: false });
    return () => element.removeEventListener('wheel', turned);
  }, [isScrolledThrough]);
  const X = display.system === 'imperial' ? IMPERIAL_X : METRIC_X;
  const barGap = Math.min(9, (X.lineTo - 76) / Math.max(1, layout.bars.length));
  return (
    <div
      ref={frame}
      className="relative flex min-h-0 flex-1 items-start overflow-x-hidden overflow-y-auto"
      onScroll={({ currentTarget }) => setScrolledPx(currentTarget.scrollTop)}
    >
      <svg
        className="shrink-0"
        width={WIDTH}
        height={layout.heightPx}
        role="group"
        aria-label="Height strip: the levels to scale"
        onKeyDown={moveInStrip}
      >
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
        <StripRoofs roofs={layout.roofs} from={X.lineFrom} to={X.lineTo} {...{ selection, onSelect }} />
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
                    tabIndex={level.id === stopAt ? 0 : -1}
                    {...figureAttributes('name', level.id)}
                    aria-label={`Level ${level.name}${level.title ? `, ${level.title}` : ''}${isCurrent ? ', current' : ''}`}
                    aria-pressed={isCurrent}
                    onClick={() => onLevel(level.id)}
                    onKeyDown={(event) => (event.key === 'Enter' || event.key === ' ') && onLevel(level.id)}
                  >
                    {level.name}
                  </text>
                  <g className={editable ? 'cursor-ns-resize' : undefined} {...(editable ? drag.bind(level) : {})}>
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
                    stop={{ figure: 'elevation', level: level.id, isStop: level.id === stopAt }}
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
        <StripDimensions
          layout={layout}
          display={display}
          current={current}
          stopAt={stopAt}
          editable={editable}
          onEdit={onEdit}
          onLevel={onLevel}
        />
      </svg>
      {beside !== null && (
        <BesideStrip layout={layout} display={display} onLevel={(pressed) => props.onBeside?.(pressed)} />
      )}
      {layout.heightPx > roomPx + 1 && editable && (
        <StripOverview
          layout={layout}
          roomPx={roomPx}
          scrolledPx={scrolledPx}
          current={current}
          onScroll={(top) => frame.current?.scrollTo({ top })}
        />
      )}
    </div>
  );
}

/** A level that is held, where the pointer was when it was pressed, and the elevation tried last. */
interface Held {
  level: SolvedLevel;
  fromY: number;
  triedMm: number;
}

/** Pixels a piece of the strip moves while a level is dragged, and the elevation to write meanwhile. */
function useDrag(
  layout: StripLayout,
  { solved, display, onDrag, onTry, onLevel }: HeightStripProps,
  hold: (solved: Solved | null) => void,
) {
  const [dragged, setDragged] = useState<{ level: SolvedLevel; mm: number } | null>(null);
  const step = stepFor(display);
  const mmAt = ({ level, fromY }: Held, y: number) =>
    quantiseMm(Math.round((level.fflMm - (y - fromY) / layout.scale) / step) * step);
  const bind = useHandle<SolvedLevel, Held>({
    begin: (level, { clientY }) => {
      onLevel(level.id);
      hold(solved);
      return { level, fromY: clientY, triedMm: level.fflMm };
    },
    move: (held, { clientY }) => {
      const mm = mmAt(held, clientY);
      setDragged({ level: held.level, mm });
      if (mm === held.triedMm) return;
      held.triedMm = mm;
      onTry?.(held.level, mm);
    },
    end: (held, { clientY }, isTaken) => {
      setDragged(null);
      hold(null);
      onTry?.(held.level, null);
      const mm = mmAt(held, clientY);
      if (isTaken && Math.abs(clientY - held.fromY) > 2 && mm !== held.level.fflMm) onDrag(held.level, mm);
    },
  });
  return {
    bind,
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
