import { ELSEWHERE, defineKind } from '../kinds/kind';
import { withFreeName } from '../kinds/renewed';
import { shaftRecords } from './shaft';

export const shaftKind = defineKind({
  ...ELSEWHERE,
  records: shaftRecords,
  inPlan: {
    follows: () => null,
    renewed: withFreeName,
  },
  inCores: true,
  shownAs: { kind: 'shafts' },
  carriedAs: { words: { shafts: 'shafts' }, kind: () => 'shafts' },
  step: { step: 'shafts' },
});

declare module '../kinds/carry-kinds' {
  interface CarryKinds {
    shafts: true;
  }
}
