import { ELSEWHERE, defineKind, none } from '../kinds/kind';
import { roofRecords } from './roof';

export const roofKind = defineKind({
  ...ELSEWHERE,
  records: roofRecords,
  inPlan: none('It follows its walls. Move those'),
  inCores: false,
  shownAs: { kind: 'floors' },
  carriedAs: none('It lies on the topmost level'),
  step: { step: 'floors' },
});
