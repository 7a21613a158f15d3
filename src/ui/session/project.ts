import type { StoreApi } from 'zustand';
import type { CommandInputs, CommandName, Sent } from '@/core/commands/command-inputs';
import type { Curve } from '@/core/geometry/curve';
import type { Point } from '@/core/geometry/point';
import type { Step as MakingStep } from '@/core/kinds/steps';
import type { ViewKind } from '@/core/kinds/view-kinds';
import type { MoveMode } from '@/core/levels/chain';
import type { Framework } from '@/core/model/framework';
import type { Id } from '@/core/model/ids';
import type { Place } from '@/core/people/told';
import type { Solved } from '@/core/solving/solved';
import type { LengthDisplay } from '@/core/units/format-length';
import type { ViewPart } from '@/core/views/view-part';
import type { ProjectSession } from './project-session';
import type { Opened } from './server';
import type { Pending, Phase } from './session-state';
import type { Busy, HandAct, Pen } from './busy';

/** Somebody else who has the project open, in the tab they did something in last. */
export interface Other {
  tab: string;
  userId: string;
  name: string;
  place: Place;
  heardAt: number;
}

/** Another's edit, marked for a moment at what it touched. */
export interface EditMark {
  name: string;
  ids: ReadonlySet<Id>;
  until: number;
}

/** The views of a project, in the order of their tabs, and how each is called. */
export const TABS = [
  ['plan', 'Plan'],
  ['section', 'Section'],
  ['model', '3D'],
  ['board', 'Carry board'],
  ['schedules', 'Schedules'],
] as const;
export type Tab = (typeof TABS)[number][0];
export type Step = MakingStep | 'checks' | 'issue';

/** What a tool shows in the plan before it is done. */
export interface Ghost {
  /** Rings to be drawn, building axes. */
  rings: { x: number; y: number }[][];
  /** Points to be marked: crossings that get a column. */
  points: { x: number; y: number }[];
  /** Lines and arcs that would be there. */
  curves?: readonly Curve[];
  /** What they would be called, where. */
  labels?: readonly { at: { x: number; y: number }; text: string }[];
  note: string;
}

export interface Project {
  status: 'loading' | 'ready' | 'failed';
  failure: string | null;
  person: Opened['person'] | null;
  role: Opened['role'] | null;
  framework: Framework;
  solved: Solved | null;
  /** False while what takes long, like ways out, is still of an earlier state. */
  isWhole: boolean;
  generation: number;
  /** What the session is in, and what of its edits the server has not acknowledged. */
  phase: Phase;
  unsent: readonly Pending[];
  /** Why nobody can change it now, in words. */
  readOnly: string | null;
  stuck: { commandId: string; message: string } | null;
  /** What undo and redo would take back, in words. */
  undo: string | null;
  redo: string | null;
  /** Number of the last change taken in. */
  seq: number;
  /** Why the solver failed at what was done last; what is shown is from before. */
  unsolved: string | null;
  building: Id | null;
  level: Id | null;
  selection: Id[];
  tab: Tab;
  /** The view beside it when the surface is split; null when it is whole. */
  beside: Tab | null;
  step: Step | null;
  /** Which tool of a step was used last. */
  ways: Readonly<Partial<Record<Step, string>>>;
  /** What a tool keeps the plan busy with. */
  busy: Busy | null;
  /** What it draws there corner by corner. */
  pen: Pen | null;
  /** What is done by hand with what was chosen; null: nothing. */
  act: HandAct | null;
  /** Where in the window all that can be done with what is chosen is listed; null: it is not. */
  menu: { x: number; y: number } | null;
  isHelpOpen: boolean;
  /** The command done last here, for what waits for one. */
  lastDone: CommandName | null;
  /** The line of a section drawn in the plan. */
  cutLine: { from: Point; to: Point } | null;
  ghost: Ghost | null;
  /** Kinds the plan leaves out, and the neighbouring levels it shows faint. */
  hidden: ReadonlySet<ViewKind>;
  ghosts: readonly ('below' | 'above')[];
  /** The part of the buildings shown in space and in sections. */
  part: ViewPart;
  mode: MoveMode;
  display: LengthDisplay;
  notice: { text: string; kind: 'trouble' | 'done'; again?: () => void } | null;
  mayEdit: boolean;
  /** Who else has the project open, and what they just did. */
  others: readonly Other[];
  editMarks: readonly EditMark[];
  session: ProjectSession | null;
  run: <Name extends CommandName>(command: Name, input: CommandInputs[Name]) => string | null;
  /** Does a command that was put together elsewhere: a fix, a typed line. */
  send: (sent: Sent) => string | null;
  say: (text: string, kind?: 'trouble' | 'done') => void;
  set: (part: Partial<Project>) => void;
  select: (ids: Id[]) => void;
}

export type ProjectStore = StoreApi<Project>;
