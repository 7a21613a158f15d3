import { floorsInSpace } from './floors-in-space';
import { floorSolids } from './solids-of-floors';
import { floorsInIfc } from './ifc-floors';
import { floorsDiffer } from './floors-differ';
import { floorsOnBoard } from './board-floors';
import { floorSentence, floorsListed } from './say-floors';
import { floorRows } from './report-floors';
import { floorsInPlan, floorsInSection, zonesInPlan } from './draw-floors';
import { FLOOR_FORMS } from './floor-forms';
import { FLOOR_COMMANDS } from './floor-commands';
import { ELSEWHERE, defineKind } from '../kinds/kind';
import { withOwnIds } from '../kinds/renewed';
import { floorRecords } from './floor';

export const floorKind = defineKind({
  ...ELSEWHERE,
  records: floorRecords,
  commands: { all: FLOOR_COMMANDS },
  forms: { all: FLOOR_FORMS },
  plan: { slabs: floorsInPlan, wordsOfSlabs: zonesInPlan },
  section: floorsInSection,
  report: floorRows,
  inPlan: {
    follows: () => null,
    renewed: withOwnIds,
  },
  inCores: false,
  shownAs: { kind: 'floors' },
  carriedAs: { words: { floors: 'floor plates' }, kind: () => 'floors' },
  step: { step: 'floors' },
  sentence: floorSentence,
  listed: floorsListed,
  board: floorsOnBoard,
  consequences: { of: floorsDiffer },
  ifc: floorsInIfc,
  solids: floorSolids,
  space: floorsInSpace,
});

declare module '../kinds/carry-kinds' {
  interface CarryKinds {
    floors: true;
  }
}
