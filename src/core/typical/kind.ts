import { NO_THING, defineKind, none } from '../kinds/kind';
import { typicalRecords } from './typical';

export const typicalKind = defineKind({
  ...NO_THING,
  records: typicalRecords,
  inPlan: none('It is a way levels follow one another, not a thing'),
  inCores: false,
  shownAs: none('It is not drawn'),
  carriedAs: none('Its levels follow by themselves'),
  step: { step: 'levels' },
});
