import { useRef, useState } from 'react';
import { distance, dot, minus, quantised, type Point } from '@/core/geometry/point';
import { leftOf } from '@/core/geometry/curve';
import type { Id } from '@/core/model/ids';
import type { SolvedLine } from '@/core/solving/solved';
import { formatLength } from '@/core/units/format-length';
import { chosenLines } from '../session/busy';
import { useSlice } from '../session/store';
import { useChosen } from '../session/use-chosen';
import type { HitIndex } from '../surface/hit-index';
import { useHandle, type PointerAt } from '../surface/use-handle';
import { dragLine, type LineDrag } from './drag-line';
import { inSteps } from './drag-step';
import type { usePointer } from './use-pointer';

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

interface OnPlan {
  toModel: (event: PointerAt) => Point;
  hits: HitIndex;
  reachMm: number;
  pointer: ReturnType<typeof usePointer>;
  /** The view stays as it is while something is drawn. */
  keepView: () => void;
}

/** What is pressed and dragged in the plan: points for a tool, windows, things, lines, heads of lines. */
export function usePlanGestures({ toModel, hits, reachMm, pointer, keepView }: OnPlan) {
  const project = useSlice(
    'framework',
    'solved',
    'building',
    'selection',
    'display',
    'busy',
    'mayEdit',
    'mode',
    'run',
    'send',
    'say',
    'select',
  );
  const { framework, solved, building, selection, display, busy, mayEdit } = project;
  const chosen = useChosen();
  const tell = busy?.with === 'points' ? busy.tell : null;
  const lines = chosenLines(busy);
  const [gesture, setGesture] = useState<Gesture | null>(null);
  /** True after a drag, whose release is a press as well and must not choose anew. */
  const wasDragged = useRef(false);
  const isMovable = (id: Id | null) => id !== null && chosen.has(id) && mayEdit && !lines;
  const isLine = (id: Id) =>
    Boolean(solved?.lines.some((line) => line.id === id) || solved?.settingOut.some((line) => line.id === id));

  /** A tool that takes points is told where the pointer is. */
  const hovered = (at: PointerAt) => {
    if (!tell || !solved || !building) return;
    const snap = pointer.moved(toModel(at));
    if (snap) tell(snap.at, 'move');
  };

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
      keepView();
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

  return { gesture, bind, wasDragged, hovered, isMovable, isLine };
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
