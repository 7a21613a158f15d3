import { useEffect, useMemo, useRef, useState } from 'react';
import { lengthAndWay, typedPoint } from '@/core/drafting/typed-point';
import { planMarks, type MarkEdge, type MarkPoint } from '@/core/drafting/plan-marks';
import { freePoint, heldSnaps, snapsAt, type Snap, type Writing } from '@/core/drafting/snaps';
import { distance, dot, minus, plus, times, turned, type Point } from '@/core/geometry/point';
import { nearestOn } from '@/core/geometry/curve';
import { formatLength } from '@/core/units/format-length';
import { parseLengthIn } from '@/core/dimensions/resolve-length';
import { isTyping } from '../frame/is-typing';
import { fieldUnit, useSlice } from '../session/store';
import type { Over, Pen } from '../session/busy';
import { stepOf } from './drag-step';
import type { Entry } from './pointer-tag';

/** How many marks pointed at last are kept to be level with. */
const MOST_HINTS = 3;

const ARROWS: Record<string, Point> = {
  ArrowRight: { x: 1, y: 0 },
  ArrowLeft: { x: -1, y: 0 },
  ArrowUp: { x: 0, y: 1 },
  ArrowDown: { x: 0, y: -1 },
};

interface Hints {
  points: readonly MarkPoint[];
  edges: readonly MarkEdge[];
}
const NO_HINTS: Hints = { points: [], edges: [] };

/** Where the pointer of a plan is taken to, with keys and what is typed there, while a tool takes points. */
export function usePointer(reachMm: number, more: (at: Point) => readonly MarkPoint[]) {
  const { framework, solved, building, level, display, busy, pen } = useSlice(
    'framework',
    'solved',
    'building',
    'level',
    'display',
    'busy',
    'pen',
  );
  const tell = busy?.with === 'points' ? busy.tell : null;
  const standing = pen?.standing ?? solved;
  const marks = useMemo(
    () => (standing && building ? planMarks(standing, building, level) : { points: [], edges: [] }),
    [standing, building, level],
  );
  const [raw, setRaw] = useState<Point | null>(null);
  const [held, setHeld] = useState<Point | null>(null);
  const [nth, setNth] = useState(0);
  const [isFree, setFree] = useState(false);
  const [entry, setEntry] = useState<Entry | null>(null);
  const [refused, setRefused] = useState<string | null>(null);
  const [hints, setHints] = useState<Hints>(NO_HINTS);
  const writing: Writing = useMemo(
    () => ({ stepMm: stepOf(display), write: (mm) => formatLength(mm, display) }),
    [display],
  );
  const from = pen?.corners.at(-1) ?? null;
  const snaps = (at: Point): Snap[] => {
    if (isFree) return [freePoint(marks, at, writing)];
    const drawn = { corners: pen?.corners ?? [], mayClose: pen?.mayClose ?? false, hints };
    if (held && from) return heldSnaps(marks, from, held, at, reachMm, writing, drawn);
    return snapsAt(marks, at, reachMm, writing, drawn, more(at));
  };
  const over = raw && tell ? (pen?.over?.(raw, reachMm) ?? null) : null;
  const all = raw && tell ? (pen?.over ? overAsSnaps(over, raw, pen.nowhere ?? '') : snaps(raw)) : [];
  // What is typed has its place on the screen before anything was pointed at.
  const typedAt: Snap | null = entry ? { at: from ?? { x: 0, y: 0 }, words: '', guides: [] } : null;
  const now = all.length > 0 ? all[nth % all.length]! : typedAt;
  const latest = useRef({ now, all, pen, held });
  useEffect(() => {
    latest.current = { now, all, pen, held };
  });

  // What is rested on is kept, so that later points may be level with it.
  useEffect(() => {
    if (!raw || !tell) return;
    const timer = setTimeout(() => {
      const point = marks.points.find(({ at }) => distance(at, raw) <= reachMm);
      const edge = marks.edges.find(({ curve }) => distance(nearestOn(curve, raw), raw) <= reachMm);
      if (point)
        setHints((was) =>
          was.points.includes(point) ? was : { ...was, points: [...was.points, point].slice(-MOST_HINTS) },
        );
      else if (edge) setHints((was) => (was.edges.includes(edge) ? was : { ...was, edges: [edge] }));
    }, 350);
    return () => clearTimeout(timer);
  }, [raw, tell, marks, reachMm]);

  const forget = () => {
    setHeld(null);
    setNth(0);
    setEntry(null);
    setRefused(null);
  };
  // A tool that begins or ends leaves nothing of what was pointed at before.
  const isBusy = tell !== null;
  const [wasBusy, setWasBusy] = useState(isBusy);
  if (wasBusy !== isBusy) {
    setWasBusy(isBusy);
    setHints(NO_HINTS);
    setRaw(null);
    setFree(false);
    forget();
  }

  /** Takes a point, as a press there does. */
  const press = (snap: Pick<Snap, 'at' | 'closes'>) => {
    if (!tell) return;
    forget();
    if (snap.closes && pen?.close) return pen.close();
    const last = pen?.kind === 'path' ? pen.corners.at(-1) : null;
    // A second press at one place ends it.
    if (last && pen!.end && pen!.corners.length > 1 && distance(last, snap.at) < 1) return pen!.end();
    tell(snap.at, 'press');
  };

  const hold = (way: Point) =>
    setHeld((was) => (was && Math.abs(dot(was, way)) > 1 - 1e-9 && dot(was, way) > 0 ? null : way));

  const takeEntry = () => {
    if (!entry || !tell || !building) return;
    if (pen?.typed) {
      if (!raw) return;
      const wrong = pen.typed.take(entry.text, raw, reachMm);
      if (wrong) return setRefused(wrong);
      return forget();
    }
    const pointer = raw ?? plus(from ?? { x: 0, y: 0 }, held ?? { x: 1, y: 1 });
    const context = { unit: fieldUnit(display) };
    if (pen?.kind === 'box' && from && !/from/i.test(entry.text)) {
      const [w, d] = [parseLengthIn(framework, entry.text, context), parseLengthIn(framework, entry.second, context)];
      if (!w.ok) return setRefused(w.refusal.message);
      if (!d.ok)
        return setRefused(entry.second.trim() === '' ? 'Press Tab and type the second size' : d.refusal.message);
      const away = turned(minus(pointer, from), -pen.turnDeg);
      const size = { x: away.x < 0 ? -w.value.mm : w.value.mm, y: away.y < 0 ? -d.value.mm : d.value.mm };
      forget();
      return press({ at: plus(from, turned(size, pen.turnDeg)) });
    }
    const turnDeg = pen?.turnDeg ?? 0;
    const read = typedPoint(
      framework,
      building,
      marks,
      entry.text,
      entry.second,
      { from, pointer, held, turnDeg },
      context,
    );
    if (!read.ok) return setRefused(read.refusal.message);
    forget();
    press({ at: read.value });
    tell(read.value, 'release');
  };

  const keys = useRef<(event: KeyboardEvent) => boolean>(() => false);
  useEffect(() => {
    keys.current = (event) => {
      const { now: snap, pen: drawing, all: found } = latest.current;
      const { key } = event;
      if (/^[0-9.'"-]$/.test(key)) {
        setEntry({ text: key, second: '' });
        return true;
      }
      const own = drawing?.keys?.find((each) => each.key === key.toLowerCase());
      if (own) {
        own.act();
        return true;
      }
      const start = drawing?.corners.at(-1);
      if (ARROWS[key] && start) {
        hold(turned(ARROWS[key], drawing!.turnDeg));
        return true;
      }
      if (key.toLowerCase() === 'h' && start && snap && distance(start, snap.at) > 1e-6) {
        hold(times(minus(snap.at, start), 1 / distance(start, snap.at)));
        return true;
      }
      if (key.toLowerCase() === 'n' && found.length > 1) {
        setNth((was) => was + 1);
        return true;
      }
      // Before the first corner a letter begins the name of a place: `B-2`.
      if (!start && !drawing?.over && /^[a-z]$/i.test(key)) {
        setEntry({ text: key, second: '' });
        return true;
      }
      if (key === 'Backspace' && start) {
        drawing!.back();
        return true;
      }
      if (key === 'Enter' && drawing?.end && (drawing.isWhole || drawing.corners.length > 1)) {
        drawing.end();
        return true;
      }
      if (key === 'Escape' && latest.current.held) {
        setHeld(null);
        return true;
      }
      if (key === 'Escape' && start) {
        drawing!.back();
        return true;
      }
      return false;
    };
  });
  useEffect(() => {
    if (!isBusy) return;
    const down = (event: KeyboardEvent) => {
      if (event.key === 'Shift') return setFree(true);
      if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return;
      // A button in focus is pressed by Enter; arrows and letters are for what has the focus, unless that is the plan or nothing.
      const target = event.target as Element | null;
      const isPlans = target === document.body || target?.closest('[data-plan]') !== null;
      if (!isPlans && !/^([0-9a-z]|Backspace)$/i.test(event.key)) return;
      if (!keys.current(event)) return;
      event.preventDefault();
      event.stopPropagation();
    };
    const up = (event: KeyboardEvent) => event.key === 'Shift' && setFree(false);
    const leave = () => setFree(false);
    window.addEventListener('keydown', down, true);
    window.addEventListener('keyup', up, true);
    window.addEventListener('blur', leave);
    return () => {
      window.removeEventListener('keydown', down, true);
      window.removeEventListener('keyup', up, true);
      window.removeEventListener('blur', leave);
    };
  }, [isBusy]);

  const measure = () => {
    if (!now || !from || !pen) return null;
    if (pen.kind === 'box') {
      const { x, y } = turned(minus(now.at, from), -pen.turnDeg);
      return `${formatLength(Math.abs(x), display)} × ${formatLength(Math.abs(y), display)}`;
    }
    const { lengthMm, deg } = lengthAndWay(from, now.at);
    return `${formatLength(lengthMm, display)} · ${deg}°`;
  };

  return {
    marks,
    now,
    held,
    entry,
    setEntry: (next: Entry) => {
      setEntry(next);
      setRefused(null);
    },
    refused,
    over,
    measure: over ? over.measure : now && pen?.measure ? pen.measure(now.at) : measure(),
    entryLabel: pen?.typed?.label ?? null,
    secondLabel: pen?.typed || !from ? null : pen?.kind === 'box' ? 'Depth' : 'Direction',
    takeEntry,
    leaveEntry: () => {
      setEntry(null);
      setRefused(null);
    },
    /** The best point at a place, for dragging: without what is drawn. */
    at: (point: Point): Snap =>
      isFree ? freePoint(marks, point, writing) : snapsAt(marks, point, reachMm, writing, undefined, more(point))[0]!,
    moved: (point: Point) => {
      if (entry) return null;
      setRaw(point);
      if (raw && distance(raw, point) > reachMm / 2) setNth(0);
      return pen?.over ? null : snaps(point)[0]!;
    },
    /** Where a point is taken to, with what is drawn. */
    where: (point: Point): Snap => {
      const found = snaps(point);
      return found[nth % found.length]!;
    },
    press: (point: Point) => {
      setRaw(point);
      if (pen?.over) {
        pen.press?.(point, reachMm);
        return;
      }
      const found = snaps(point);
      press(found[nth % found.length]!);
    },
    /** Which keys do something as it stands. */
    hint: tell ? hintOf(pen, all.length, held !== null, entry !== null) : null,
  };
}

/** A thing with places of its own is there, or the pointer is where none is. */
const overAsSnaps = (over: Over | null, raw: Point, nowhere: string): Snap[] =>
  over ? [{ at: over.at, words: over.words, guides: [] }] : [{ at: raw, words: nowhere, isFree: true, guides: [] }];

function hintOf(pen: Pen | null, found: number, isHeld: boolean, isTypingNow: boolean): string {
  const count = pen?.corners.length ?? 0;
  if (pen?.typed && !isTypingNow)
    return [
      pen.begins,
      ...(pen.keys ?? []).map(({ key, words }) => `${key === 'escape' ? 'Esc' : key.toUpperCase()}: ${words}`),
    ]
      .filter(Boolean)
      .join(' · ');
  if (isTypingNow)
    return [
      'Enter takes it',
      count > 0 && `Tab: ${pen!.kind === 'box' ? 'the other size' : 'a direction'}`,
      'Esc leaves it',
    ]
      .filter(Boolean)
      .join(' · ');
  return [
    count === 0
      ? 'Press a place, or type one'
      : pen!.kind === 'box'
        ? 'Press the other corner, or type a size'
        : 'Press a corner, or type a length',
    count > 0 && pen!.kind === 'path' && (isHeld ? 'the same arrow lets go' : 'arrows or H hold a direction'),
    found > 2 && 'N: next place here',
    'Shift: no snaps',
    count > 0 && '⌫ takes one back',
    pen?.end && (count > 1 || pen.isWhole) && 'Enter makes it',
  ]
    .filter(Boolean)
    .join(' · ');
}
