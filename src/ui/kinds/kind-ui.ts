import type { FC } from 'react';
import type { Kind, RecordOf } from '@/core/model/kinds';
import type { Step } from '../session/store';

/** The interface of a kind: its fields in Details, and its tool at a step. */
export interface KindUi<K extends Kind = Kind> {
  kind: K;
  Fields: FC<{ record: RecordOf<K> }>;
  tool: { step: Step; way: string; words: string; Tool: FC };
}

export const defineKindUi = <K extends Kind>(ui: KindUi<K>): KindUi<K> => ui;
