'use client';

import { useCallback, useMemo, useState } from 'react';
import {
  copiedByHand,
  flushBy,
  mirroredByHand,
  mirrorThrough,
  movedByHand,
  rowShifts,
  sideNear,
  turnBetween,
  turnedByHand,
  type Row,
} from '@/core/drafting/by-hand';
import type { MarkEdge, PlanMarks } from '@/core/drafting/plan-marks';
import type { Sent } from '@/core/commands/command-inputs';
import type { Primitive } from '@/core/drawing/drawing';
import { affineOf, type Affine } from '@/core/geometry/affine';
import { nearestOn } from '@/core/geometry/curve';
import { distance, minus, type Point } from '@/core/geometry/point';
import { formatLength } from '@/core/units/format-length';
import { CheckField } from '../fields/fields';
import type { HandAct, Over, Pen } from '../session/busy';
import { useSlice } from '../session/store';
import { usePen, usePlanPoints } from '../tools/plan-busy';
import { ActStrip } from './act-strip';
import { OffsetByHand } from './offset-act';
import { Paste } from './paste';
import { SplitByHand } from './split-act';

type Pressed = Exclude<HandAct['act'], 'paste' | 'split' | 'offset'>;

const WORDS: Record<Pressed, { name: string; asks: readonly string[] }> = {
  move: { name: 'Move', asks: ['Press the point they are moved by', 'Press where that point goes, or type how far'] },
  copy: { name: 'Copy', asks: ['Press the point they are copied by', 'Press where that point goes, again and again'] },
  turn: {
    name: 'Turn',
    asks: [
      'Press the point they turn about',
      'Press a point to turn from, or type an angle',
      'Press where it turns to',
    ],
  },
  mirror: { name: 'Mirror', asks: ['Press a point of the line', 'Press another point of the line'] },
  flush: { name: 'Flush', asks: ['Press a side of what is chosen', 'Press the side it is to be flush with'] },
};

const NONE: readonly Affine[] = [];

/** What is being done by hand with what was chosen: points are pressed in the plan, and it is shown as it will be. */
export function HandActs({ marks }: { marks: PlanMarks }) {
  const { act } = useSlice('act');
  if (!act) return null;
  if (act.act === 'paste') return <Paste />;
  if (act.act === 'split') return <SplitByHand key={act.ids.join()} id={act.ids[0]!} />;
  if (act.act === 'offset') return <OffsetByHand key={act.ids.join()} ids={act.ids} />;
  return <ByHand key={`${act.act} ${act.ids.join()}`} act={act.act} ids={act.ids} marks={marks} />;
}

function ByHand({ act, ids, marks }: { act: Pressed; ids: HandAct['ids']; marks: PlanMarks }) {
  const { display, send, say, set } = useSlice('display', 'send', 'say', 'set');
  const [corners, setCorners] = useState<readonly Point[]>([]);
  const [side, setSide] = useState<MarkEdge | null>(null);
  const [row, setRow] = useState<Row>({ count: 1, reach: 'each' });
  const [keeps, setKeeps] = useState(act === 'mirror');
  const leave = useCallback(() => set({ act: null }), [set]);
  /** Does it; what is done once is done with then. */
  const make = useCallback(
    (sent: Sent, once = true) => {
      const refusal = send(sent);
      if (refusal) say(refusal);
      else if (once) leave();
    },
    [send, say, leave],
  );
  const [first, second] = corners;
  usePlanPoints((at, phase) => {
    if (phase !== 'press' || act === 'flush') return;
    if (!first) return setCorners([at]);
    if (act === 'turn') {
      if (!second) return distance(at, first) < 1 ? undefined : setCorners([first, at]);
      const deg = turnBetween(first, second, at);
      return deg === 0 ? undefined : make(turnedByHand(ids, first, deg, keeps));
    }
    if (distance(at, first) < 1) return;
    if (act === 'move') make(movedByHand(ids, first, at));
    if (act === 'copy') make(copiedByHand(ids, first, at, row), false);
    if (act === 'mirror') make(mirroredByHand(ids, first, at, keeps));
  });
  const pen = useMemo((): Pen => {
    const back = () => setCorners((was) => was.slice(0, -1));
    const common = { kind: 'path' as const, turnDeg: 0, mayClose: false, back };
    if (act === 'flush')
      return {
        ...common,
        corners: [],
        begins: WORDS.flush.asks[side ? 1 : 0]!,
        nowhere: WORDS.flush.asks[side ? 1 : 0]!,
        // Esc goes back to its own side first.
        keys: side ? [{ key: 'escape', words: 'another side of it', act: () => setSide(null) }] : [],
        over: (at, reachMm) =>
          overSide(flushSide(marks, ids, side, at, reachMm), side, at, (mm) => formatLength(mm, display)),
        press: (at, reachMm) => {
          const found = flushSide(marks, ids, side, at, reachMm);
          if (!found) return;
          if (!side) return setSide(found);
          const by = flushBy(side, found);
          if (by) make(movedByHand(ids, { x: 0, y: 0 }, by));
        },
        carried: {
          ids,
          at: (at) => {
            const found = side && flushSide(marks, ids, side, at, Infinity);
            const by = found && flushBy(side, found);
            return by ? [affineOf.shift(by)] : NONE;
          },
        },
      };
    if (!first) return { ...common, corners: [] };
    if (act === 'turn')
      return {
        ...common,
        corners: [first],
        begins: WORDS.turn.asks[corners.length]!,
        measure: (at) => (second ? `${turnBetween(first, second, at)}°` : null),
        typed: {
          label: 'Angle, °',
          take: (text) => {
            const deg = Number(text.trim().replace('°', '').replace(',', '.'));
            if (!Number.isFinite(deg) || deg === 0 || Math.abs(deg) >= 360) return 'Type an angle, like 90 or -12.5';
            const refusal = send(turnedByHand(ids, first, deg, keeps));
            if (!refusal) leave();
            return refusal;
          },
        },
        ...(second
          ? {
              carried: {
                ids,
                at: (at: Point) => [affineOf.turn({ about: first, deg: turnBetween(first, second, at) })],
              },
            }
          : {}),
      };
    const carriedTo = (at: Point): readonly Affine[] => {
      if (act === 'mirror') {
        const line = mirrorThrough(first, at);
        return line ? [affineOf.mirror(line)] : NONE;
      }
      return act === 'move'
        ? [affineOf.shift(minus(at, first))]
        : rowShifts(first, at, row).map((by) => affineOf.shift(by));
    };
    return { ...common, corners: [first], begins: WORDS[act].asks[1]!, carried: { ids, at: carriedTo } };
  }, [act, ids, marks, side, corners.length, first, second, row, keeps, display, send, make, leave]);
  usePen(pen);
  const { name, asks } = WORDS[act];
  const stage = act === 'flush' ? (side ? 1 : 0) : corners.length;
  return (
    <ActStrip
      name={name}
      asks={asks[Math.min(stage, asks.length - 1)]!}
      leave={leave}
      leaving={act === 'copy' ? 'Done' : 'Leave it'}
    >
      {act === 'copy' && <RowFields row={row} onRow={setRow} />}
      {(act === 'mirror' || act === 'turn') && (
        <CheckField
          label={act === 'mirror' ? 'Keep what is mirrored' : 'Turn a copy of it'}
          value={keeps}
          onChange={setKeeps}
        />
      )}
    </ActStrip>
  );
}

function RowFields({ row, onRow }: { row: Row; onRow: (row: Row) => void }) {
  const [text, setText] = useState(String(row.count));
  const count = Number(text);
  const isWrong = !Number.isInteger(count) || count < 1 || count > 200;
  return (
    <span className="flex items-center gap-2">
      <label className="flex items-center gap-1 text-ink2">
        copies
        <input
          inputMode="numeric"
          aria-invalid={isWrong}
          title={isWrong ? 'From 1 to 200' : undefined}
          className={`figures w-12 rounded-sm border bg-sheet px-1 text-ink ${isWrong ? 'border-wrong' : 'border-hair'}`}
          value={text}
          onChange={({ target }) => {
            setText(target.value);
            const n = Number(target.value);
            if (Number.isInteger(n) && n >= 1 && n <= 200) onRow({ ...row, count: n });
          }}
        />
      </label>
      <CheckField
        label="the last one there"
        value={row.reach === 'last'}
        onChange={(isLast) => onRow({ ...row, reach: isLast ? 'last' : 'each' })}
      />
    </span>
  );
}

/** The side under a pointer: first one of what is chosen, then one of something else that runs the same way. */
function flushSide(marks: PlanMarks, ids: readonly string[], side: MarkEdge | null, at: Point, reachMm: number) {
  return sideNear(marks.edges, at, reachMm, (edge) =>
    side ? !ids.includes(edge.of) && flushBy(side, edge) !== null : ids.includes(edge.of),
  );
}

function overSide(
  found: MarkEdge | null,
  side: MarkEdge | null,
  at: Point,
  write: (mm: number) => string,
): Over | null {
  if (!found || found.curve.kind !== 'segment') return null;
  const line = ({ curve }: MarkEdge): Primitive[] =>
    curve.kind === 'segment'
      ? [{ type: 'path', style: 'stairBreak', id: null, points: [curve.from, curve.to], closed: false }]
      : [];
  const by = side && flushBy(side, found);
  return {
    at: nearestOn(found.curve, at),
    words: found.words,
    measure: by ? `moves by ${write(distance(by, { x: 0, y: 0 }))}` : null,
    refused: null,
    primitives: [...(side ? line(side) : []), ...line(found)],
  };
}
