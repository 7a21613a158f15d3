import { ELSEWHERE, defineKind, none } from '../kinds/kind';
import { settingOutRecords } from './setting-out-line';

export const settingOutKind = defineKind({
  ...ELSEWHERE,
  records: settingOutRecords,
  inPlan: none('It keeps its distance from its source'),
  inCores: false,
  shownAs: { kind: 'grids' },
  carriedAs: none('It runs through all levels'),
  step: { step: 'grids' },
});
