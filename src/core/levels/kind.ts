import { levelsDiffer } from './levels-differ';
import { levelSentence } from './say-levels';
import { extentsInPlan } from './draw-extents';
import { LEVEL_FORMS } from './level-forms';
import { LEVEL_COMMANDS } from './level-commands';
import { NO_THING, defineKind, none } from '../kinds/kind';
import { levelRecords } from './level';

export const levelKind = defineKind({
  ...NO_THING,
  records: levelRecords,
  commands: { all: LEVEL_COMMANDS },
  forms: { all: LEVEL_FORMS },
  plan: { extents: extentsInPlan },
  section: none('Its marks stand beside every section'),
  inPlan: none('It has a height and no place'),
  inCores: false,
  shownAs: none('Levels are always shown'),
  carriedAs: none('Levels are what things are carried through'),
  step: { step: 'levels' },
  sentence: levelSentence,
  listed: none('Levels are chosen in the strip'),
  board: none('Levels are the rows of the board'),
  consequences: { of: levelsDiffer },
});
