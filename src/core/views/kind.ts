import { NO_THING, defineKind, none } from '../kinds/kind';
import { viewMarkRecords } from './view-mark';
import { namedViewRecords } from './named-view';

export const viewMarkKind = defineKind({
  ...NO_THING,
  records: viewMarkRecords,
  inPlan: none('It is dragged in its view'),
  inCores: false,
  shownAs: none('It goes with its line or level'),
  carriedAs: none('It is not a thing in a building'),
  step: none('It is dragged in its view'),
});

export const namedViewKind = defineKind({
  ...NO_THING,
  records: namedViewRecords,
  inPlan: none('It is a way to look, not a thing'),
  inCores: false,
  shownAs: none('It is not drawn'),
  carriedAs: none('It is not a thing in a building'),
  step: none('It is kept from what is looked at'),
});
