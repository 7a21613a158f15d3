import type { Rec } from '@/core/model/kinds';
import type { Step } from '../session/store';
import { beamUi } from './beams';
import type { KindUi } from './kind-ui';

/** Kinds whose interface is a folder of its own. A new one is added here. */
const ALL = [beamUi] as unknown as readonly KindUi[];

/** The interface of a record's kind; undefined for those whose fields stand in details/. */
export const uiOf = ({ kind }: Rec): KindUi | undefined => ALL.find((ui) => ui.kind === kind);

/** The tools that kinds bring to a step. */
export const toolsAt = (step: Step): KindUi['tool'][] =>
  ALL.map(({ tool }) => tool).filter((tool) => tool.step === step);
