import { defineKind, none } from '../kinds/kind';
import { assemblySolids } from '../slants/solids-of-slants';
import { FALL_COMMANDS } from './fall-commands';
import { FALL_FORMS } from './fall-forms';
import { fallLayerRecords } from './fall-layer';
import { fallFindingsPass, fallLayersPass } from './fall-passes';
import { ASTRAY, LOW_UPSTAND, NONE, NO_WAY_OUT, UNSOLVED } from './fall-rules';
import { fallsDiffer } from './falls-differ';
import { fallsInPlan, fallsInSection } from './falls-drawn';
import { fallsInIfc } from './ifc-falls';
import { fallRows } from './report-falls';
import { fallSentence, fallsListed } from './say-falls';

export const fallLayerKind = defineKind({
  records: fallLayerRecords,
  inPlan: { follows: () => null, renewed: none('It lies on its slab; another slab is laid by itself') },
  inCores: false,
  shownAs: { kind: 'roofs' },
  carriedAs: none('It lies on one slab at one level'),
  step: { step: 'floors' },
  commands: { all: FALL_COMMANDS },
  forms: { all: FALL_FORMS },
  bodies: none('It leans: it is worked out to an assembly'),
  assemblies: { pass: fallLayersPass, findings: fallFindingsPass },
  rules: { all: [NONE, UNSOLVED, NO_WAY_OUT, ASTRAY, LOW_UPSTAND] },
  plan: { ground: fallsInPlan },
  section: fallsInSection,
  solids: assemblySolids('fallLayer', { colour: 'roofs', edges: 'ink2' }, 'whole'),
  space: none('It is laid round what stands on its slab'),
  board: none('It lies on one slab at one level'),
  consequences: { of: fallsDiffer },
  ifc: fallsInIfc,
  report: fallRows,
  sentence: fallSentence,
  listed: fallsListed,
});
