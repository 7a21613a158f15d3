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
  carriedAs: { kind: () => 'floors' },
  step: { step: 'floors' },
});
