import { settingOutListed, settingOutSentence } from './say-setting-out';
import { SETTING_OUT_FORMS } from './setting-out-forms';
import { SETTING_OUT_COMMANDS } from './setting-out-commands';
import { ELSEWHERE, defineKind, none } from '../kinds/kind';
import { settingOutRecords } from './setting-out-line';

export const settingOutKind = defineKind({
  ...ELSEWHERE,
  records: settingOutRecords,
  commands: { all: SETTING_OUT_COMMANDS },
  forms: { all: SETTING_OUT_FORMS },
  plan: none('It is drawn with the grids'),
  section: none('It is a line in plan'),
  report: none('A line to draw by is no part of the building'),
  inPlan: none('It keeps its distance from its source'),
  inCores: false,
  shownAs: { kind: 'grids' },
  carriedAs: none('It runs through all levels'),
  step: { step: 'grids' },
  sentence: settingOutSentence,
  listed: settingOutListed,
  board: none('It runs through all levels'),
  consequences: none('What follows it is compared'),
  ifc: none('It is no element of the building'),
  solids: none('It is a line in plan'),
  space: none('It is a line in plan'),
});
