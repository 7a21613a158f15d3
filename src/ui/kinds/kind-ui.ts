import type { FC } from 'react';
import { none, type Facet } from '@/core/kinds/kind';
import type { Step } from '@/core/kinds/steps';
import type { Kind, RecordOf } from '@/core/model/kinds';

export { none };

/** A tool at a step, and what it is called among the others there. */
export interface StepTool {
  step: Step;
  way: string;
  words: string;
  Tool: FC;
}

/** The interface of a kind. What it has not is said with the reason. */
export interface KindUi<K extends Kind = Kind> {
  kind: K;
  /** Its fields in Details. */
  fields: Facet<{ Fields: FC<{ record: RecordOf<K> }> }>;
  /** What can be done with several chosen at once; of `all` that is chosen, those of this kind. */
  several: Facet<{ Several: FC<{ records: readonly RecordOf<K>[]; all: readonly string[] }> }>;
  /** Its table among the schedules. */
  schedule: Facet<{ words: string; Table: FC }>;
  /** Its tool, or several of one step. */
  tool: Facet<StepTool | readonly StepTool[]>;
}

export const defineKindUi = <K extends Kind>(ui: KindUi<K>): KindUi<K> => ui;
