import { stairsInSpace } from './stairs-in-space';
import { stairSolids } from './solids-of-stairs';
import { stairsInIfc } from './ifc-stairs';
import { stairsDiffer } from './stairs-differ';
import { stairsOnBoard } from './board-stairs';
import { stairSentence, stairsListed } from './say-stairs';
import { waysOutRows } from '../escape/report-escape';
import { stairRows } from './report-stairs';
import { stairsInPlan, stairsInSection } from './stairs-drawn';
import { STAIR_FORMS } from './stair-forms';
import { STAIR_COMMANDS } from './stair-commands';
import { ELSEWHERE, defineKind } from '../kinds/kind';
import { withFreeName } from '../kinds/renewed';
import { mirroredStair } from './mirrored-stair';
import { stairRecords } from './stair';

export const stairKind = defineKind({
  ...ELSEWHERE,
  records: stairRecords,
  commands: { all: STAIR_COMMANDS },
  forms: { all: STAIR_FORMS },
  plan: { stairs: stairsInPlan },
  section: stairsInSection,
  report: [stairRows, waysOutRows],
  inPlan: {
    follows: () => null,
    renewed: withFreeName,
    mirrored: mirroredStair,
  },
  inCores: true,
  shownAs: { kind: 'stairs' },
  carriedAs: { words: { stairs: 'stairs' }, kind: () => 'stairs', upTo: 'FFL' },
  step: { step: 'stairs' },
  sentence: stairSentence,
  listed: stairsListed,
  board: stairsOnBoard,
  consequences: { of: stairsDiffer },
  ifc: stairsInIfc,
  solids: stairSolids,
  space: stairsInSpace,
});

declare module '../kinds/carry-kinds' {
  interface CarryKinds {
    stairs: true;
  }
}
