import { defineKind, none } from '../kinds/kind';
import { withFreeName } from '../kinds/renewed';
import { assemblySolids } from '../slants/solids-of-slants';
import { pitchedRoofsInIfc } from './ifc-pitched-roofs';
import { mirroredRoof } from './mirrored-roof';
import { pitchedRoofRecords } from './pitched-roof';
import { PITCHED_ROOF_COMMANDS } from './pitched-roof-commands';
import { PITCHED_ROOF_FORMS } from './pitched-roof-forms';
import { pitchedRoofFindingsPass, pitchedRoofsPass } from './pitched-roof-passes';
import { UNSOLVED } from './pitched-roof-rules';
import { pitchedRoofsDiffer } from './pitched-roofs-differ';
import { pitchedRoofsInPlan, pitchedRoofsInSection } from './pitched-roofs-drawn';
import { roofRows } from './report-pitched-roofs';
import { pitchedRoofSentence, pitchedRoofsListed } from './say-pitched-roofs';

export const pitchedRoofKind = defineKind({
  records: pitchedRoofRecords,
  inPlan: { follows: () => null, renewed: withFreeName, mirrored: mirroredRoof },
  inCores: false,
  shownAs: { kind: 'roofs' },
  carriedAs: none('It lies on the topmost level'),
  step: { step: 'floors' },
  commands: { all: PITCHED_ROOF_COMMANDS },
  forms: { all: PITCHED_ROOF_FORMS },
  bodies: none('It leans: it is worked out to an assembly'),
  assemblies: { pass: pitchedRoofsPass, findings: pitchedRoofFindingsPass },
  rules: { all: [UNSOLVED] },
  plan: { over: pitchedRoofsInPlan },
  section: pitchedRoofsInSection,
  solids: assemblySolids('pitchedRoof', { colour: 'roofs', edges: 'ink2' }),
  space: none('What it meets is seen in section'),
  board: none('It lies on the topmost level'),
  consequences: { of: pitchedRoofsDiffer },
  ifc: pitchedRoofsInIfc,
  report: roofRows,
  sentence: pitchedRoofSentence,
  listed: pitchedRoofsListed,
});
