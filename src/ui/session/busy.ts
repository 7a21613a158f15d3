import type { Curve } from '@/core/geometry/curve';
import type { Primitive } from '@/core/drawing/drawing';
import type { Affine } from '@/core/geometry/affine';
import type { Point } from '@/core/geometry/point';
import type { Id } from '@/core/model/ids';
import type { Solved } from '@/core/solving/solved';

/** What a tool is told of a point in the plan. */
export type TellPoint = (at: Point, phase: 'move' | 'press' | 'release') => void;

/** What is done by hand in the plan with what was chosen, until it is left. */
export interface HandAct {
  act: 'move' | 'copy' | 'turn' | 'mirror' | 'flush' | 'paste' | 'split' | 'offset';
  ids: Id[];
}

/** What a tool is drawing in the plan, corner by corner. */
export interface Pen {
  /** A path, or a box between two corners. */
  kind: 'path' | 'box';
  corners: readonly Point[];
  /** How far the axes of its first corner are turned, degrees. */
  turnDeg: number;
  mayClose: boolean;
  /** What is being drawn as it will be, with the corner under the pointer. */
  shape?: (corners: readonly Point[], closed: boolean) => Shape;
  /** Takes the last corner back. */
  back: () => void;
  /** Ends it, so that the thing is made; left out where the plan cannot make it. */
  end?: () => void;
  /** It is drawn to its end, and waits to be made. */
  isWhole?: boolean;
  close?: () => void;
  /** Places of its own, instead of the plan's: where it goes for a pointer; null: nowhere there. */
  /** Said where it can go nowhere. */
  nowhere?: string;
  over?: (pointer: Point, reachMm: number) => Over | null;
  /** Pressed at such a place. */
  press?: (pointer: Point, reachMm: number) => void;
  /** What is typed at the pointer, where that is neither a length along a path nor a place. Answers why not, or null. */
  typed?: { label: string; take: (text: string, pointer: Point, reachMm: number) => string | null };
  /** Keys of its own, with what they do. */
  keys?: readonly { key: string; words: string; act: () => void }[];
  /** What to do first, in words. */
  begins?: string;
  /** What is put down by one press, as it will stand at a place, with what it will be called. */
  at?: (pointer: Point) => { rings: readonly (readonly Point[])[]; words: string };
  /** How far the pointer is from where it began, where that is not the length and way from the last corner. */
  measure?: (at: Point) => string | null;
  /** What is snapped to, while more is tried and shown: it does not snap to itself. */
  standing?: Solved;
  /** Things that are moved with the pointer, and where they would be: once for each copy. */
  carried?: { ids: readonly Id[]; at: (pointer: Point) => readonly Affine[] };
}

/** Where a thing would go, said and drawn as it will be. */
export interface Over {
  at: Point;
  words: string;
  measure: string | null;
  refused: string | null;
  primitives: readonly Primitive[];
}

/** Rings and lines in building axes. */
export interface Shape {
  rings: readonly (readonly Point[])[];
  curves?: readonly Curve[];
}

/** What the plan is busy with for a tool, one thing at a time: choosing lines, taking points, taking a window by its corners. */
export type Busy =
  | { with: 'lines'; chosen: readonly Id[] }
  | { with: 'points'; tell: TellPoint }
  | { with: 'window'; take: (from: Point, to: Point) => void };

/** The lines chosen so far; null while no tool asks for lines. */
export const chosenLines = (busy: Busy | null): readonly Id[] | null => (busy?.with === 'lines' ? busy.chosen : null);

/** With one line more, or one less where it is chosen already. */
export const withLine = (chosen: readonly Id[], id: Id): readonly Id[] =>
  chosen.includes(id) ? chosen.filter((other) => other !== id) : [...chosen, id];
