import { defineKind, none } from '../kinds/kind';
import { roofOpeningsInIfc } from './ifc-roof-openings';
import { roofOpeningRows } from './report-roof-openings';
import { roofOpeningRecords } from './roof-opening';
import { ROOF_OPENING_COMMANDS } from './roof-opening-commands';
import { roofOpeningFindingsPass, roofOpeningsPass } from './roof-opening-passes';
import { UNSOLVED } from './roof-opening-rules';
import { roofOpeningsDiffer } from './roof-openings-differ';
import { roofOpeningsInPlan, roofOpeningsInSection, roofOpeningSolids } from './roof-openings-drawn';
import { roofOpeningSentence, roofOpeningsListed } from './say-roof-openings';

export const roofOpeningKind = defineKind({
  records: roofOpeningRecords,
  inPlan: {
    follows: () => 'lies in its roof. Move that, or change where along its edge it is',
    renewed: none('It belongs to its roof; another is added to another'),
  },
  inCores: false,
  shownAs: { kind: 'roofs' },
  carriedAs: none('It belongs to its roof'),
  step: { step: 'floors' },
  commands: { all: ROOF_OPENING_COMMANDS },
  forms: none('Where it lies is pressed in the plan of the roof'),
  bodies: none('It leans: it is worked out to an assembly'),
  assemblies: { pass: roofOpeningsPass, findings: roofOpeningFindingsPass },
  rules: { all: [UNSOLVED] },
  plan: { over: roofOpeningsInPlan },
  section: roofOpeningsInSection,
  solids: roofOpeningSolids,
  space: none('What it meets is seen in section'),
  board: none('It belongs to its roof'),
  consequences: { of: roofOpeningsDiffer },
  ifc: roofOpeningsInIfc,
  report: roofOpeningRows,
  sentence: roofOpeningSentence,
  listed: roofOpeningsListed,
});
