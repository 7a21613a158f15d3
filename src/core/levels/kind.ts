import { NO_THING, defineKind, none } from '../kinds/kind';
import { levelRecords } from './level';

export const levelKind = defineKind({
  ...NO_THING,
  records: levelRecords,
  inPlan: none('It has a height and no place'),
  inCores: false,
  shownAs: none('Levels are always shown'),
  carriedAs: none('Levels are what things are carried through'),
  step: { step: 'levels' },
});
