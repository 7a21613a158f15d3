import { ELSEWHERE, defineKind, none } from '../kinds/kind';
import { freeRoomNumber } from './free-room-number';
import { roomRecords, boundaryLineRecords } from './room';

export const roomKind = defineKind({
  ...ELSEWHERE,
  records: roomRecords,
  inPlan: {
    follows: () => null,
    renewed: (edit, copy) => ({ ...copy, number: freeRoomNumber(edit.framework, copy.level) }),
  },
  inCores: false,
  shownAs: { kind: 'rooms' },
  carriedAs: none('It says itself how far up it goes'),
  step: { step: 'walls' },
});

export const boundaryLineKind = defineKind({
  ...ELSEWHERE,
  records: boundaryLineRecords,
  inPlan: {
    follows: () => null,
    renewed: (_, copy) => copy,
  },
  inCores: false,
  shownAs: none('Boundary lines are always shown'),
  carriedAs: none('It divides the rooms of one level'),
  step: { step: 'walls' },
});
