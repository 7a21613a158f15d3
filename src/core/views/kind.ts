import { NAMED_VIEW_COMMANDS } from './named-view-commands';
import { VIEW_COMMANDS } from './view-commands';
import { NO_THING, defineKind, none } from '../kinds/kind';
import { viewMarkRecords } from './view-mark';
import { namedViewRecords } from './named-view';

export const viewMarkKind = defineKind({
  ...NO_THING,
  records: viewMarkRecords,
  commands: { all: VIEW_COMMANDS },
  forms: none('Nothing of it is typed in one line'),
  inPlan: none('It is dragged in its view'),
  inCores: false,
  shownAs: none('It goes with its line or level'),
  carriedAs: none('It is not a thing in a building'),
  step: none('It is dragged in its view'),
});

export const namedViewKind = defineKind({
  ...NO_THING,
  records: namedViewRecords,
  commands: { all: NAMED_VIEW_COMMANDS },
  forms: none('Nothing of it is typed in one line'),
  inPlan: none('It is a way to look, not a thing'),
  inCores: false,
  shownAs: none('It is not drawn'),
  carriedAs: none('It is not a thing in a building'),
  step: none('It is kept from what is looked at'),
});
