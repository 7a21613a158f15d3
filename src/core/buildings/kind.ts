import { BUILDING_FORMS } from './building-forms';
import { BUILDING_COMMANDS } from './building-commands';
import { NO_THING, defineKind, none } from '../kinds/kind';
import { projectRecords, buildingRecords } from './building';

export const projectKind = defineKind({
  ...NO_THING,
  records: projectRecords,
  commands: none('They are those of buildings and of the project'),
  forms: none('They are those of buildings'),
  inPlan: none('It is not a thing in plan'),
  inCores: false,
  shownAs: none('It is not drawn'),
  carriedAs: none('It is not a thing in a building'),
  step: none('It is set in the settings of the project'),
});

export const buildingKind = defineKind({
  ...NO_THING,
  records: buildingRecords,
  commands: { all: BUILDING_COMMANDS },
  forms: { all: BUILDING_FORMS },
  inPlan: none('A building is placed by its own fields'),
  inCores: false,
  shownAs: none('What is in it is drawn'),
  carriedAs: none('It is not a thing in a building'),
  step: { step: 'levels' },
});
