import { bodiesInSpace } from '../bodies/bodies-in-space';
import { bodySolids } from '../bodies/solids-of-bodies';
import { bodiesInIfc } from '../bodies/ifc-bodies';
import { beamsDiffer } from './beams-differ';
import { beamsOnBoard } from './board-beams';
import { beamSentence, beamsListed } from './say-beams';
import { defineKind, none } from '../kinds/kind';
import { withFreeName } from '../kinds/renewed';
import { beamRecords } from './beam';
import { BEAM_COMMANDS } from './beam-commands';
import { BEAM_FORMS_TYPED } from './beam-forms';
import { beamBodiesPass, beamFindingsPass } from './beam-passes';
import { beamRows } from './report-beams';
import { FREE, LOW, NO_SLAB } from './beam-rules';

export const beamKind = defineKind({
  records: beamRecords,
  inPlan: { follows: () => null, renewed: withFreeName },
  inCores: false,
  shownAs: { kind: 'beams' },
  carriedAs: { words: { beams: 'beams' }, kind: () => 'beams' },
  step: { step: 'floors' },
  commands: { all: BEAM_COMMANDS },
  forms: { all: BEAM_FORMS_TYPED },
  plan: none('It is drawn as a body'),
  section: none('It is drawn as a body'),
  rules: { all: [FREE, NO_SLAB, LOW] },
  bodies: {
    pass: beamBodiesPass,
    findings: beamFindingsPass,
    layer: 'BEAMS',
  },
  assemblies: none('It is worked out to bodies'),
  report: beamRows,
  sentence: beamSentence,
  listed: beamsListed,
  board: beamsOnBoard,
  consequences: { of: beamsDiffer },
  ifc: bodiesInIfc('beam', 'IFCBEAM', 'BEAM', 'Qto_BeamBaseQuantities'),
  solids: bodySolids('beam'),
  space: bodiesInSpace(beamBodiesPass, 'beam'),
});

declare module '../kinds/carry-kinds' {
  interface CarryKinds {
    beams: true;
  }
}
