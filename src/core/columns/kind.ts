import { ELSEWHERE, defineKind } from '../kinds/kind';
import { columnsInPlan } from './in-plan';
import { columnRecords } from './column';

export const columnKind = defineKind({
  ...ELSEWHERE,
  records: columnRecords,
  inPlan: columnsInPlan,
  inCores: false,
  shownAs: { kind: 'columns' },
  carriedAs: { words: { columns: 'columns' }, kind: () => 'columns' },
  step: { step: 'columns' },
});

declare module '../kinds/carry-kinds' {
  interface CarryKinds {
    columns: true;
  }
}
