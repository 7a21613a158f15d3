import { roofSentence, roofsListed } from './say-roofs';
import { ROOF_FORMS } from './roof-forms';
import { ROOF_COMMANDS } from './roof-commands';
import { ELSEWHERE, defineKind, none } from '../kinds/kind';
import { roofsOnBoard } from './board-roofs';
import { roofRecords } from './roof';

export const roofKind = defineKind({
  ...ELSEWHERE,
  records: roofRecords,
  commands: { all: ROOF_COMMANDS },
  forms: { all: ROOF_FORMS },
  plan: none('Its slab and parapet are drawn as floors and walls'),
  section: none('Its slab and parapet are drawn as floors and walls'),
  report: none('Its row stands among those of all roofs; its slab and parapet are among floors and walls'),
  inPlan: none('It follows its walls. Move those'),
  inCores: false,
  shownAs: { kind: 'floors' },
  carriedAs: none('It lies on the topmost level'),
  step: { step: 'floors' },
  sentence: roofSentence,
  listed: roofsListed,
  board: roofsOnBoard,
  consequences: none('Its slab and parapet are compared as floors and walls'),
  ifc: none('Its slab and parapet are written as floors and walls'),
  solids: none('Its slab and parapet are among floors and walls'),
  space: none('Its slab and parapet are among floors and walls'),
});
