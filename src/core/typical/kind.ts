import { TYPICAL_FORMS } from './typical-forms';
import { TYPICAL_COMMANDS } from './typical-commands';
import { NO_THING, defineKind, none } from '../kinds/kind';
import { typicalRecords } from './typical';

export const typicalKind = defineKind({
  ...NO_THING,
  records: typicalRecords,
  commands: { all: TYPICAL_COMMANDS },
  forms: { all: TYPICAL_FORMS },
  inPlan: none('It is a way levels follow one another, not a thing'),
  inCores: false,
  shownAs: none('It is not drawn'),
  carriedAs: none('Its levels follow by themselves'),
  step: { step: 'levels' },
});
