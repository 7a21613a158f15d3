import { NO_THING, defineKind, none } from '../kinds/kind';
import { ruleSetRecords } from './rule-set';
import { RULE_SET_COMMANDS } from './rule-set-commands';

export const ruleSetKind = defineKind({
  ...NO_THING,
  records: ruleSetRecords,
  commands: { all: RULE_SET_COMMANDS },
  forms: none('Its limits are set in its own table'),
  inPlan: none('It is a table of limits, not a thing'),
  inCores: false,
  shownAs: none('It is not drawn'),
  carriedAs: none('It is not a thing in a building'),
  step: none('It is kept in the panel of rule sets'),
});
