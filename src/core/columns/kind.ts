import { columnsInSpace } from './columns-in-space';
import { columnSolids } from './solids-of-columns';
import { columnsInIfc } from './ifc-columns';
import { columnsDiffer } from './columns-differ';
import { columnsOnBoard } from './board-columns';
import { columnSentence, columnsListed } from './say-columns';
import { blockRows, columnRows } from './report-columns';
import { blocksInPlan, columnsCutInPlan, columnsInSection } from './draw-columns';
import { COLUMN_FORMS } from './column-forms';
import { COLUMN_COMMANDS } from './column-commands';
import { ELSEWHERE, defineKind } from '../kinds/kind';
import { columnsInPlan } from './in-plan';
import { columnRecords } from './column';

export const columnKind = defineKind({
  ...ELSEWHERE,
  records: columnRecords,
  commands: { all: COLUMN_COMMANDS },
  forms: { all: COLUMN_FORMS },
  plan: { over: blocksInPlan, columns: columnsCutInPlan },
  section: columnsInSection,
  report: [columnRows, blockRows],
  inPlan: columnsInPlan,
  inCores: false,
  shownAs: { kind: 'columns' },
  carriedAs: { words: { columns: 'columns' }, kind: () => 'columns' },
  step: { step: 'columns' },
  sentence: columnSentence,
  listed: columnsListed,
  board: columnsOnBoard,
  consequences: { of: columnsDiffer },
  ifc: columnsInIfc,
  solids: columnSolids,
  space: columnsInSpace,
});

declare module '../kinds/carry-kinds' {
  interface CarryKinds {
    columns: true;
  }
}
