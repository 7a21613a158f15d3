import { DIMENSION_FORMS } from './dimension-forms';
import { DIMENSION_COMMANDS } from './dimension-commands';
import { NO_THING, defineKind, none } from '../kinds/kind';
import { dimensionRecords } from './dimension';

export const dimensionKind = defineKind({
  ...NO_THING,
  records: dimensionRecords,
  commands: { all: DIMENSION_COMMANDS },
  forms: { all: DIMENSION_FORMS },
  inPlan: none('It is a length, not a thing'),
  inCores: false,
  shownAs: none('It is not drawn'),
  carriedAs: none('It is not a thing in a building'),
  step: none('It is defined in the panel of dimensions'),
});
