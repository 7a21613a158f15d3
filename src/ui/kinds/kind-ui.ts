import type { FC } from 'react';
import type { Point } from '@/core/geometry/point';
import { none, type Facet } from '@/core/kinds/kind';
import type { Step } from '@/core/kinds/steps';
import type { Kind, RecordOf } from '@/core/model/kinds';
import type { Project } from '../session/project';

export { none };

/** A tool at a step, and what it is called among the others there. */
export interface StepTool {
  step: Step;
  way: string;
  words: string;
  Tool: FC;
}

/** Something to be done with what is chosen. */
export interface Act {
  words: string;
  /** Said in full, where the words alone may not be understood. */
  title?: string;
  /** Changes nothing: it is for who may only look, too. */
  isLooking?: boolean;
  weight?: 'danger';
  /** Answers why not, or null. */
  act: (project: Project) => string | null;
}

/** Acts of a kind, those used most and the others. */
export interface OwnActs {
  few: readonly Act[];
  more: readonly Act[];
}

/** What handles in the plan are given. */
export interface HandlesProps<R> {
  record: R;
  pxPerMm: number;
  toModel: (event: { clientX: number; clientY: number }) => Point;
  /** Hears what is to be said while a handle is dragged, and where. */
  onTold: (told: { at: Point; words: string } | null) => void;
}

/** The interface of a kind. What it has not is said with the reason. */
export interface KindUi<K extends Kind = Kind> {
  kind: K;
  /** Its fields in Details. */
  fields: Facet<{ Fields: FC<{ record: RecordOf<K> }> }>;
  /** What can be done with several chosen at once; of `all` that is chosen, those of this kind. */
  several: Facet<{ Several: FC<{ records: readonly RecordOf<K>[]; all: readonly string[] }> }>;
  /** What else is done with what is chosen, where all of that is of this kind. */
  acts: Facet<{ of: (records: readonly RecordOf<K>[]) => OwnActs }>;
  /** What of it is taken hold of in plan besides its shape, where it alone is chosen. */
  handles: Facet<{ Handles: FC<HandlesProps<RecordOf<K>>> }>;
  /** Its table among the schedules. */
  schedule: Facet<{ words: string; Table: FC }>;
  /** Its tool, or several of one step. */
  tool: Facet<StepTool | readonly StepTool[]>;
}

export const defineKindUi = <K extends Kind>(ui: KindUi<K>): KindUi<K> => ui;
