import { UNDERLAY_COMMANDS } from './underlay-commands';
import { NO_THING, defineKind, none } from '../kinds/kind';
import { underlayRecords } from './underlay';

export const underlayKind = defineKind({
  ...NO_THING,
  records: underlayRecords,
  commands: { all: UNDERLAY_COMMANDS },
  forms: none('Nothing of it is typed in one line'),
  inPlan: none('It is registered by its own points'),
  inCores: false,
  shownAs: none('Each has a switch of its own'),
  carriedAs: none('It lies under one level, or all'),
  step: { step: 'grids' },
});
