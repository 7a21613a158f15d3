import type { Point } from '@/core/geometry/point';
import type { Id } from '@/core/model/ids';

/** What a tool is told of a point in the plan. */
export type TellPoint = (at: Point, phase: 'move' | 'press' | 'release') => void;

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
