import { shaftsInSpace } from './shafts-in-space';
import { shaftSolids } from './solids-of-shafts';
import { shaftsInIfc } from './ifc-shafts';
import { shaftsDiffer } from './shafts-differ';
import { shaftsOnBoard } from './board-shafts';
import { shaftSentence, shaftsListed } from './say-shafts';
import { shaftRows } from './report-shafts';
import { shaftsInPlan, shaftsInSection } from './draw-shafts';
import { SHAFT_FORMS } from './shaft-forms';
import { SHAFT_COMMANDS } from './shaft-commands';
import { ELSEWHERE, defineKind } from '../kinds/kind';
import { withFreeName } from '../kinds/renewed';
import { shaftRecords } from './shaft';

export const shaftKind = defineKind({
  ...ELSEWHERE,
  records: shaftRecords,
  commands: { all: SHAFT_COMMANDS },
  forms: { all: SHAFT_FORMS },
  plan: { shafts: shaftsInPlan },
  section: shaftsInSection,
  report: shaftRows,
  inPlan: {
    follows: () => null,
    renewed: withFreeName,
  },
  inCores: true,
  shownAs: { kind: 'shafts' },
  carriedAs: { words: { shafts: 'shafts' }, kind: () => 'shafts' },
  step: { step: 'shafts' },
  sentence: shaftSentence,
  listed: shaftsListed,
  board: shaftsOnBoard,
  consequences: { of: shaftsDiffer },
  ifc: shaftsInIfc,
  solids: shaftSolids,
  space: shaftsInSpace,
});

declare module '../kinds/carry-kinds' {
  interface CarryKinds {
    shafts: true;
  }
}
