import { ELSEWHERE, defineKind } from '../kinds/kind';
import { withOwnIds } from '../kinds/renewed';
import { floorRecords } from './floor';

export const floorKind = defineKind({
  ...ELSEWHERE,
  records: floorRecords,
  inPlan: {
    follows: () => null,
    renewed: withOwnIds,
  },
  inCores: false,
  shownAs: { kind: 'floors' },
  carriedAs: { words: { floors: 'floor plates' }, kind: () => 'floors' },
  step: { step: 'floors' },
});

declare module '../kinds/carry-kinds' {
  interface CarryKinds {
    floors: true;
  }
}
